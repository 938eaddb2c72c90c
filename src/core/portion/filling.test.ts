import fc from 'fast-check';
import { bandOf, beginFilling, heardFilling, netOf, spreadRest, type Filling, type Tare } from './filling';
import type { ProposedPack } from './packs';

/** Plays figures on which a scale rests; gives what was taken. */
function play(figures: readonly number[], target: number, tare: Tare, tolerance = 0.05): number[] {
  let filling: Filling = beginFilling(tare);
  const taken: number[] = [];
  for (const shows of figures) {
    const heard = heardFilling(filling, shows, target, tolerance, tare);
    filling = heard.filling;
    if (heard.take !== undefined) taken.push(heard.take);
  }
  return taken;
}

test('a container lands, is filled into the band and lifted: the net weight counts, once', () => {
  expect(play([0, 31, 200, 420, 471, 471, 0, 30, 480, 0], 450, 'as it lands')).toEqual([440, 450]);
  expect(bandOf(450, 0.05)).toEqual({ low: 427.5, high: 472.5 });
});

test('too little, too much, a container taken off half full: nothing counts', () => {
  expect(play([0, 31, 300, 0], 450, 'as it lands')).toEqual([]);
  expect(play([0, 31, 600], 450, 'as it lands')).toEqual([]);
  expect(play([0, 31, 600, 481], 450, 'as it lands')).toEqual([450]);
  // What lands is heavier than half the pack: that is no empty container.
  expect(play([0, 460], 450, 'as it lands')).toEqual([]);
});

test('with a tared scale, or a container of known weight, what is net counts', () => {
  expect(play([0, 200, 450, 450, -31, 0, 452], 450, 0)).toEqual([450, 452]);
  expect(play([31, 300, 481, 0, 31, 470], 450, 31)).toEqual([450, 439]);
});

test('a tare that is typed in mid-pack counts from then on; before the container and after the pack nothing is net', () => {
  const begun = beginFilling(0);
  expect(heardFilling(begun, 481, 450, 0.05, 31)).toEqual({ filling: { at: 'lift' }, take: 450 });
  expect(heardFilling(begun, 500, 450, 0.05, 31).take).toBe(469);
  expect(heardFilling(begun, 455, 450, 0.05, 100).take).toBeUndefined();
  expect([netOf(begun, 481, 31), netOf({ at: 'filling', tare: 30 }, 480, 'as it lands')]).toEqual([450, 450]);
  expect([netOf({ at: 'empty' }, 31, 'as it lands'), netOf({ at: 'lift' }, 481, 0)]).toEqual([undefined, undefined]);
});

test('sixty packs are taken in their order, none twice, whatever the scale rests on meanwhile (property)', () => {
  const noise = fc.array(fc.double({ min: 60, max: 300, noNaN: true }), { maxLength: 3 });
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.double({ min: 432, max: 468, noNaN: true }), noise), { maxLength: 60 }),
      (packs) => {
        const figures = packs.flatMap(([net, between]) => [0, 30, ...between.map((each) => 30 + each), 30 + net, 0]);
        const taken = play(figures, 450, 'as it lands');
        expect(taken.map((net) => Math.round(net * 1e6))).toEqual(packs.map(([net]) => Math.round(net * 1e6)));
      },
    ),
  );
});

test('what is left over is spread over the packs still to fill, to the gram (property)', () => {
  const one = fc.integer({ min: 1, max: 2000 });
  fc.assert(
    fc.property(fc.array(one, { maxLength: 40 }), one, fc.boolean(), (whole, rest, isShort) => {
      const packs: ProposedPack[] = [
        ...whole.map((grams, index) => ({ grams, short: false, dogId: index })),
        ...(isShort ? [{ grams: rest, short: true }] : []),
      ];
      const spread = spreadRest(packs);
      const sum = (all: readonly ProposedPack[]) => all.reduce((total, pack) => total + pack.grams, 0);
      expect(sum(spread)).toBe(sum(packs));
      if (whole.length > 0)
        expect(spread.map((pack) => [pack.dogId, pack.short])).toEqual(whole.map((_, i) => [i, false]));
      for (const [index, pack] of spread.entries()) expect(pack.grams).toBeGreaterThanOrEqual(packs[index]!.grams);
    }),
  );
  const bag = {
    grams: 900,
    short: false,
    split: [
      { dogId: 1, grams: 600 },
      { dogId: 2, grams: 300 },
    ],
  };
  expect(spreadRest([bag, { grams: 30, short: true }])).toEqual([
    {
      grams: 930,
      short: false,
      split: [
        { dogId: 1, grams: 620 },
        { dogId: 2, grams: 310 },
      ],
    },
  ]);
});
