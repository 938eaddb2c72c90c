import { pot, share, history, state } from '../../../tests/fixtures/worked-batch';
import { followsOf, sharesAfter } from './follows';

test('when the pot was other than thought, what is not used gives way, the last share first', () => {
  const shares = [
    { grams: 500, used: 500 },
    { grams: 1000, used: 400 },
    { grams: 800, used: 0 },
  ];
  expect(sharesAfter(shares, 2300)).toEqual({ grams: [500, 1000, 800], over: 0 });
  expect(sharesAfter(shares, 2000)).toEqual({ grams: [500, 1000, 500], over: 0 });
  expect(sharesAfter(shares, 1200)).toEqual({ grams: [500, 700, 0], over: 0 });
  expect(sharesAfter(shares, 800)).toEqual({ grams: [500, 400, 0], over: 100 });
  expect(sharesAfter(shares, 2500)).toEqual({ grams: [500, 1000, 800], over: 0 });
});

test('what follows from a correction: yield, density, the kcal of packs', () => {
  const shares = [share(2, 'fridge', 2310)];
  const packed = [{ holdingId: 7, code: 'V1', shareId: 2, grams: 1000 }];
  const before = state(history({ more: pot(3550), shares, packed }));
  const after = state(history({ more: pot(3450), shares: [share(2, 'fridge', 2210)], packed }));
  const follows = followsOf(before, after);
  expect(follows.net).toEqual({ from: 2310, to: 2210 });
  expect(follows.shares).toEqual([{ id: 2, grams: { from: 2310, to: 2210 } }]);
  // 2834.56 kcal in 2310 g, then in 2210 g (arithmetic).
  expect(follows.packs[0]!.kcal.from).toBeCloseTo((2834.56 / 2310) * 1000, -1);
  expect(follows.packs[0]!.kcal.to! / follows.packs[0]!.kcal.from!).toBeCloseTo(2310 / 2210, 9);
  expect([follows.over, follows.undivided]).toEqual([0, 0]);
});
