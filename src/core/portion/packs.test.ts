import { keeps } from '../../../tests/fixtures/dating';
import fc from 'fast-check';
import { isWet, liquidIn } from './liquid';
import { packsFor, spreadByDog } from './packs';
import { checkShares, sharesOf, suggestShares } from './shares';
import { splitToGram } from './split';

const weights = fc.array(fc.double({ min: 0.1, max: 3000, noNaN: true }), { minLength: 1, maxLength: 60 });

test('parts are whole grams that sum to the total, none more than 1 g from its exact part', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 100_000 }), weights, (total, list) => {
      const parts = splitToGram(total, list);
      const sum = list.reduce((all, weight) => all + weight, 0);
      expect(parts.reduce((all, part) => all + part, 0)).toBe(total);
      parts.forEach((part, index) => expect(Math.abs(part - (total * list[index]!) / sum)).toBeLessThan(1));
    }),
  );
});

// Hamilton's method by hand: 100 by 1 : 1 : 1 is 34, 33, 33.
test('the largest remainder goes first', () => expect(splitToGram(100, [1, 1, 1])).toEqual([34, 33, 33]));

test('packs sum to the share for any yield and any division', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 60_000 }), weights, (share, list) => {
      const proposal = packsFor(
        share,
        list.map((grams, day) => ({ dogId: 1, day, grams })),
      );
      expect(proposal.packs.reduce((sum, pack) => sum + pack.grams, 0)).toBe(share);
      expect(proposal.packs.filter((pack) => pack.short).length).toBeLessThanOrEqual(1);
      for (const pack of proposal.packs) expect(Number.isInteger(pack.grams) && pack.grams > 0).toBe(true);
    }),
  );
});

test('one dog-day a pack, what is left is a short pack for anybody', () => {
  const days = [0, 1, 2, 3].map((day) => ({ dogId: 7, day, grams: 863.2 }));
  const { packs, filled } = packsFor(2310, days);
  expect(filled).toBe(2);
  expect(packs.map((pack) => pack.grams)).toEqual([863, 863, 584]);
  expect(packs[2]).toEqual({ grams: 584, short: true });
});

test('a gap of a gram a pack is spread, not bagged', () => {
  const days = [0, 1, 2].map((day) => ({ dogId: 7, day, grams: 100 }));
  expect(packsFor(302, days).packs.map((pack) => pack.grams)).toEqual([101, 101, 100]);
  expect(packsFor(299, days).packs.map((pack) => pack.grams)).toEqual([100, 100, 99]);
});

test('shares are suggested by what the fridge keeps, and sum to the yield', () => {
  const demands = [0, 1, 2, 3, 4, 5, 6, 7].map((daysAfterCooking) => ({ daysAfterCooking, grams: 500 }));
  expect(suggestShares(4000, demands, keeps(4))).toEqual({ today: 500, fridge: 2000, freezer: 1500, dry: 0 });
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 50_000 }), fc.integer({ min: 3, max: 5 }), (total, fridgeDays) => {
      expect(checkShares(sharesOf(suggestShares(total, demands, keeps(fridgeDays))), [total]).ok).toBe(true);
    }),
  );
});

test('shares that do not sum, or are negative, are refused', () => {
  const two = (fridge: number, freezer: number) => [
    { fate: 'fridge' as const, grams: fridge },
    { fate: 'freezer' as const, grams: freezer },
  ];
  expect(checkShares(two(100, 100), [210])).toMatchObject({ problem: { field: 'shares' } });
  expect(checkShares(two(-1, 101), [100])).toMatchObject({ problem: { field: 'shares.0.grams' } });
  expect(checkShares(two(99.5, 0.5), [100])).toMatchObject({ problem: { field: 'shares.0.grams' } });
  // Kept apart, each yield is divided by itself.
  const apart = [...two(60, 40), { fate: 'freezer' as const, grams: 30, yield: 1 }];
  expect(checkShares(apart, [100, 30]).ok).toBe(true);
  expect(checkShares(apart, [100, 31])).toMatchObject({ problem: { field: 'shares' } });
  expect(checkShares(apart, [100])).toMatchObject({ problem: { field: 'shares.2.grams' } });
  // Several of a fate are usual; one of nothing is none.
  expect(checkShares([...two(60, 0), ...two(40, 0)], [100])).toMatchObject({ value: [{ grams: 60 }, { grams: 40 }] });
});

test('each dog’s packs by their kcal, its part of those for several; the short one is left out', () => {
  const packs = [
    { dogId: 1, grams: 100, short: false },
    { dogId: 1, grams: 110, short: false },
    {
      split: [
        { dogId: 1, grams: 90 },
        { dogId: 2, grams: 40 },
      ],
      grams: 130,
      short: false,
    },
    { dogId: 1, grams: 12, short: true },
  ];
  expect(spreadByDog(packs, 2)).toEqual(
    new Map([
      [1, { least: 180, mean: 200, most: 220 }],
      [2, { least: 80, mean: 80, most: 80 }],
    ]),
  );
});

test('liquid that was strained off is shared out by weight, to the gram, and never more than the packs hold', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 20, max: 900 }), { minLength: 1, maxLength: 20 }),
      fc.nat(5000),
      (all, liquid) => {
        const packs = all.map((grams) => ({ grams }));
        const parts = liquidIn(packs, liquid);
        const whole = all.reduce((a, b) => a + b, 0);
        expect(parts.reduce((a, b) => a + b, 0)).toBe(Math.min(liquid, whole));
        parts.forEach((part, index) => expect(part).toBeLessThanOrEqual(all[index]!));
      },
    ),
  );
  expect([isWet(0.22), isWet(0.35)]).toEqual([true, false]);
});
