import { grams } from '@/core/quantity/units';
import { stretchNow } from '@/core/heat/pans';
import type { CookAct } from '@/core/batch/steps/cook';
import { valueOf } from '../fixtures/value-of';
import { readTares } from '../repositories/readings';
import { weighBatch } from './batches';
import { exampleOnTheStove } from '../fixtures/on-the-stove';

const TODAY = '2026-11-25';
const { house, ids, clock, act, batch, refusal, weigh } = exampleOnTheStove(TODAY);

test('times of a pan: not still to come, not before it was cooked, not twice; past midnight it was yesterday', async () => {
  valueOf(await act({ act: 'core', load: '0.0', celsius: 75 }));
  clock('11:00');
  valueOf(await act({ act: 'done', key: 'pour.0.0' }));
  // The household is an hour east of Greenwich: its clock shows 12:10.
  clock('11:10');
  valueOf(await act({ act: 'pan', load: '0.0', celsius: 60 }));
  expect(await refusal({ act: 'pan', load: '0.0', celsius: 59 })).toMatch(/of this minute already/);
  expect(await refusal({ act: 'pan', load: '0.0', celsius: 50, clock: '13:30' })).toBe(
    'That is still to come. Check the time.',
  );
  expect(await refusal({ act: 'pan', load: '0.0', celsius: 50, clock: '9:15' })).toMatch(/before cooking began/);
  expect(await refusal({ act: 'pan', load: '0.0', celsius: 50, clock: '25:00' })).toMatch(/time of the clock/);
  valueOf(await act({ act: 'pan', load: '0.0', celsius: 63, clock: '12:05' }));
  house().setNow('2026-11-25T23:20:00Z');
  valueOf(await act({ act: 'pan', load: '0.0', celsius: 9, clock: '23:50' }));
  const [pan] = (await batch()).pans;
  expect(pan!.readings.map((reading) => [reading.celsius, reading.at.toISOString().slice(11, 16)])).toEqual([
    [63, '11:05'],
    [60, '11:10'],
    [9, '22:50'],
  ]);
  valueOf(await act({ act: 'strike', readingId: pan!.readings[0]!.id, why: 'read wrongly' }));
  expect((await batch()).pans[0]!.readings).toHaveLength(2);
});

test('a vessel’s empty weight is known by its name from the last time it was weighed', async () => {
  valueOf(await weigh());
  expect(await readTares(house().db)).toEqual([{ name: 'pot', tare: 1240 }]);
  clock('12:00');
  valueOf(
    await house().run((context) =>
      weighBatch(context, {
        batchId: ids().batchId,
        weighing: {
          by: 'scale',
          vessels: [
            { name: 'pot', gross: grams(2000), tare: grams(1238) },
            { name: 'bowl', gross: grams(1700), tare: grams(300) },
          ],
        },
        eatenBefore: 0,
      }),
    ),
  );
  expect(await readTares(house().db)).toEqual([
    { name: 'bowl', tare: 300 },
    { name: 'pot', tare: 1238 },
  ]);
});

test('the log of a probe is read in whole or not at all, each reading at its time', async () => {
  clock('11:30');
  const log = (...points: (readonly [string, number])[]): CookAct => ({
    act: 'log',
    load: '0.0',
    of: 'load',
    points: points.map(([time, celsius]) => ({ time, celsius })),
  });
  // The household's clock is an hour ahead: 12:00 is 11:00Z.
  expect(await refusal(log(['12:00', 60], ['13:30', 70]))).toMatch(/still to come/);
  expect(await refusal(log(['12:10', 60], ['12:00', 70]))).toMatch(/run backwards/);
  expect(await refusal(log(['2026-11-24T12:00:00Z', 60], ['2026-11-24T12:10:00Z', 70]))).toMatch(
    /not in this cook day/,
  );
  expect((await batch()).day.loads[0]!.readings).toHaveLength(0);
  valueOf(await act(log(['12:00', 55], ['12:10:30', 66], ['12:20', 72])));
  const [load] = (await batch()).day.loads;
  expect(load!.readings.map(({ celsius, at }) => [celsius, at.toISOString().slice(11, 19)])).toEqual([
    [55, '11:00:00'],
    [66, '11:10:30'],
    [72, '11:20:00'],
  ]);
  expect(load!.verdict.is).toBe('proven');
});

test('how cold it is around a pan is remembered for the next pot; what missed 21 °C is heated again once', async () => {
  valueOf(await act({ act: 'core', load: '0.0', celsius: 75 }));
  clock('11:00');
  valueOf(await act({ act: 'done', key: 'pour.0.0' }));
  const pan = async () => (await batch()).pans[0]!;
  expect(stretchNow(await pan()).ambient).toBe(20);
  valueOf(await act({ act: 'where', load: '0.0', where: 'counter', celsius: 16 }));
  valueOf(await act({ act: 'where', load: '0.0', where: 'ice water' }));
  expect(stretchNow(await pan()).ambient).toBe(0);
  valueOf(await act({ act: 'where', load: '0.0', where: 'counter' }));
  expect(stretchNow(await pan()).ambient).toBe(16);
  clock('13:30');
  valueOf(await act({ act: 'pan', load: '0.0', celsius: 30 }));
  expect(await refusal({ act: 'heat again', load: '0.0', celsius: 70 })).toMatch(/heated to 74 °C/);
  clock('13:50');
  valueOf(await act({ act: 'heat again', load: '0.0', celsius: 76 }));
  // Its clock begins anew, and what was read before is no part of it.
  expect(await pan()).toMatchObject({ again: true, readings: [], pouredAt: new Date(`${TODAY}T13:50:00Z`) });
  expect(await refusal({ act: 'heat again', load: '0.0', celsius: 76 })).toMatch(/once already/);
});
