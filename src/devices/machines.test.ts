import { readMachineLog } from '@/core/preserve/machine-log';
import { logOf, simulateMachine } from './machines';

const HOUR = 3_600_000;
const load = { act: 'load' as const, trays: [{ tare: 640, wet: 850 }], water: 0.68 };

test('a machine lives by the clock that it is asked with, or faster, and its trays weigh what is left on them', () => {
  const machine = simulateMachine('freeze-dryer');
  machine.act(load, 0);
  expect(machine.says(0).trays[0]).toEqual({ gross: 1490, tare: 640 });
  expect(machine.says(2 * HOUR).hours).toBeCloseTo(2, 2);
  machine.act({ act: 'lapse', times: 10 }, 2 * HOUR);
  const later = machine.says(3 * HOUR);
  expect(later.hours).toBeCloseTo(12, 2);
  expect(later.trays[0]!.gross).toBeLessThan(1490);
  // Asked very often it lives as long.
  for (let at = 3 * HOUR; at <= 3.5 * HOUR; at += 250) machine.says(at);
  expect(machine.says(3.5 * HOUR).hours).toBeCloseTo(17, 1);
});

test.each([1, 6, 24, 96])('%d hours that go by at once end, and are in its log', (hours) => {
  const machine = simulateMachine('dehydrator');
  machine.act(load, 0);
  machine.act({ act: 'pass', hours }, 0);
  expect(machine.says(0).hours).toBeCloseTo(hours, 2);
  expect(machine.says(0).log.at(-1)!.hours).toBeCloseTo(hours, 2);
});

test('its log is silent while it has no power, and is read back so', () => {
  const machine = simulateMachine('freeze-dryer');
  machine.act(load, 0);
  machine.act({ act: 'pass', hours: 6 }, 0);
  machine.act({ act: 'power', on: false }, 0);
  machine.act({ act: 'pass', hours: 6 }, 0);
  machine.act({ act: 'power', on: true }, 0);
  machine.act({ act: 'pass', hours: 24 }, 0);
  const rows = logOf(machine.says(0))
    .split('\n')
    .map((line) => line.split(','));
  const log = readMachineLog(rows, 'metric');
  if (!log.ok) throw new Error(log.problem.message);
  expect(log.value.hours).toBeCloseTo(36, 1);
  expect(log.value.cuts).toHaveLength(1);
  expect(log.value.cuts[0]!.to - log.value.cuts[0]!.from).toBeCloseTo(6.25, 1);
  // 1 kW while it had power.
  expect(log.value.energy).toBeCloseTo(30, 0);
});
