import fc from 'fast-check';
import { driedFromRest } from './dry-share';
import { sharesOf, type Fate } from './shares';

const wants = (grams: number, machineId = 7) => ({ method: 'freeze-dried' as const, machineId, grams });
const gramsOf = (shares: readonly { readonly grams: number }[]) => shares.map(({ grams }) => grams);

test('what is to be dried is taken from what would be frozen, then from the fridge, and no more than that', () => {
  const shares = sharesOf({ today: 500, fridge: 1000, freezer: 3000, dry: 200 });
  const dried = (grams: number) => driedFromRest(shares, wants(grams));
  expect([gramsOf(dried(1200).shares), dried(1200).moved]).toEqual([[500, 1000, 2000, 1200], 1000]);
  expect([gramsOf(dried(3500).shares), dried(3500).moved]).toEqual([[500, 700, 0, 3500], 3300]);
  expect([gramsOf(dried(9000).shares), dried(9000).moved]).toEqual([[500, 0, 0, 4200], 4000]);
  expect(dried(100)).toEqual({ shares, moved: 0 });
  expect(dried(1200).shares[3]).toEqual({ fate: 'dry', grams: 1200, method: 'freeze-dried', machineId: 7 });
});

test('two dryers have a share each; what goes into another stays', () => {
  const first = driedFromRest(sharesOf({ today: 500, fridge: 0, freezer: 3000, dry: 0 }), wants(1000));
  expect(gramsOf(first.shares)).toEqual([500, 2000, 1000]);
  const second = driedFromRest(first.shares, { method: 'dehydrated', machineId: 8, grams: 700 });
  expect(second.moved).toBe(700);
  expect(second.shares.slice(1)).toEqual([
    { fate: 'freezer', grams: 1300 },
    { fate: 'dry', grams: 1000, method: 'freeze-dried', machineId: 7 },
    { fate: 'dry', grams: 700, method: 'dehydrated', machineId: 8 },
  ]);
  // Asked again, both have what is wanted.
  expect(driedFromRest(second.shares, wants(1000)).moved).toBe(0);
  expect(driedFromRest(second.shares, { method: 'dehydrated', machineId: 8, grams: 700 }).moved).toBe(0);
});

test('what the dryer has of a part that is kept apart counts', () => {
  const shares = sharesOf({ today: 0, fridge: 0, freezer: 3000, dry: 0 });
  const elsewhere = [
    { fate: 'dry' as const, grams: 400, machineId: 7 },
    { fate: 'dry' as const, grams: 900, machineId: 8 },
    { fate: 'freezer' as const, grams: 500 },
  ];
  expect(driedFromRest(shares, wants(1000), elsewhere).moved).toBe(600);
  expect(driedFromRest(shares, wants(400), elsewhere).moved).toBe(0);
});

test('a share that is dried, nobody said where, is counted as its own; one of the other method is not', () => {
  const shares = (method?: 'dehydrated' | 'freeze-dried') => [
    { fate: 'freezer' as const, grams: 2000 },
    { fate: 'dry' as const, grams: 300, ...(method ? { method } : {}) },
  ];
  expect(gramsOf(driedFromRest(shares(), wants(1000)).shares)).toEqual([1300, 1000]);
  expect(gramsOf(driedFromRest(shares('freeze-dried'), wants(1000)).shares)).toEqual([1300, 1000]);
  expect(gramsOf(driedFromRest(shares('dehydrated'), wants(1000)).shares)).toEqual([1000, 300, 1000]);
});

test('property: nothing is lost or made, what is eaten today and what another dryer has stay, and no more than is wanted is moved', () => {
  const fate = fc.constantFrom<Fate>('today', 'fridge', 'freezer', 'dry');
  const share = fc.record({ fate, grams: fc.nat(5000), machineId: fc.constantFrom(undefined, 7, 8) });
  fc.assert(
    fc.property(fc.array(share, { maxLength: 6 }), fc.nat(8000), (shares, grams) => {
      const { shares: dried, moved } = driedFromRest(shares, wants(grams));
      const sum = (of: typeof dried) => of.reduce((all, each) => all + each.grams, 0);
      expect(sum(dried)).toBe(sum(shares));
      expect(moved).toBeLessThanOrEqual(grams);
      dried.forEach((each) => expect(each.grams).toBeGreaterThanOrEqual(0));
      shares.forEach((each, at) => {
        const stays = each.fate === 'today' || (each.fate === 'dry' && each.machineId === 8 && each.grams > 0);
        if (stays) expect(dried[at]).toEqual(each);
      });
    }),
  );
});
