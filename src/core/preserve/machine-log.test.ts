import { readMachineLog } from './machine-log';

const rows = (text: string, separator = ',') => text.split('\n').map((line) => line.split(separator));

test('hours, degrees and the meter of a log', () => {
  const log = readMachineLog(rows('hours,temp °C,kWh\n0,-30,0\n0.5,-20,0.5\n1,10.5,1.1\n1.5,40,1.6'), 'metric');
  expect(log).toEqual({
    ok: true,
    value: {
      hours: 1.5,
      energy: 1.6,
      cuts: [],
      points: [
        { hours: 0, celsius: -30 },
        { hours: 0.5, celsius: -20 },
        { hours: 1, celsius: 10.5 },
        { hours: 1.5, celsius: 40 },
      ],
    },
  });
});

test('°F, commas for points and times of the clock are read', () => {
  const log = readMachineLog(rows('Time;Temperature (°F);W\n0:00;32;500\n0:30;135,5;480\n1:00;140;500', ';'), 'metric');
  if (!log.ok) throw new Error(log.problem.message);
  // 135.5 °F is 57.5 °C.
  expect(log.value.points.map(({ celsius }) => Number(celsius.toFixed(2)))).toEqual([0, 57.5, 60]);
  expect(log.value.hours).toBe(1);
  expect(log.value.energy).toBeUndefined();
  const dated = readMachineLog(
    rows('time,temp\n2026-11-20T22:00:00Z,57\n2026-11-20T23:30:00Z,57\n2026-11-21T01:00:00Z,57'),
    'metric',
  );
  expect(dated.ok && dated.value.hours).toBe(3);
});

test('where it is silent for long or takes nothing, it was without power', () => {
  const lines = Array.from({ length: 20 }, (_, index) => `${index * 0.25},40`);
  const gap = readMachineLog(rows(`h,°C\n${[...lines, '9,12', '9.25,30', '9.5,40'].join('\n')}`), 'metric');
  expect(gap.ok && gap.value.cuts).toEqual([{ from: 4.75, to: 9 }]);
  const off = readMachineLog(rows('h,°C,W\n0,40,500\n1,40,500\n2,38,0\n3,20,0\n4,18,0\n5,35,500\n6,40,500'), 'metric');
  expect(off.ok && off.value.cuts).toEqual([{ from: 2, to: 4 }]);
});

test.each([
  ['a,b\n1,2\n2,3', /names a column/],
  ['hours,°C\n1,50', /Two rows/],
  ['hours,°C\n2,50\n1,50\n3,50', /run backwards in row 3/],
  ['hours,°C,kWh\n1,50,4\n2,50,3', /meter runs backwards/],
])('%j is refused in a sentence', (text, said) => {
  const log = readMachineLog(rows(text), 'metric');
  expect(log.ok ? '' : log.problem.message).toMatch(said);
  expect(log.ok ? '' : log.problem.field).toBe('log');
});
