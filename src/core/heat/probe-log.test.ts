import fc from 'fast-check';
import { MOST_POINTS, readProbeLog } from './probe-log';

const two = (value: number) => String(value).padStart(2, '0');
const clock = (seconds: number) =>
  `${two(Math.floor(seconds / 3600))}:${two(Math.floor(seconds / 60) % 60)}:${two(seconds % 60)}`;

test('a log in °C and one in °F are the same curve', () => {
  const celsius = readProbeLog(
    [
      ['time', 'core °C'],
      ['11:57', '60,5'],
      ['12:07', '71'],
    ],
    'metric',
  );
  const fahrenheit = readProbeLog(
    [
      ['Time', 'Temp (°F)'],
      ['11:57', '140.9'],
      ['12:07', '159.8'],
    ],
    'metric',
  );
  if (!celsius.ok || !fahrenheit.ok) throw new Error('both are logs');
  expect(celsius.value.map((point) => point.time)).toEqual(['11:57', '12:07']);
  fahrenheit.value.forEach((point, index) => expect(point.celsius).toBeCloseTo(celsius.value[index]!.celsius, 6));
  // Without a name a kitchen of °F means °F.
  const bare = readProbeLog(
    [
      ['11:57', '140.9'],
      ['12:07', '159.8'],
    ],
    'us',
  );
  expect(bare.ok && bare.value[0]!.celsius).toBeCloseTo(60.5, 6);
});

test('garbage is left out; a log that runs backwards, and no log at all, are said', () => {
  const noisy = readProbeLog(
    [
      ['time', '°C'],
      ['11:57', '60'],
      ['11:58', '9999'],
      ['??', '61'],
      ['11:59', '62'],
      ['', ''],
    ],
    'metric',
  );
  expect(noisy.ok && noisy.value.map((point) => point.celsius)).toEqual([60, 62]);
  const back = readProbeLog(
    [
      ['time', '°C'],
      ['12:00', '60'],
      ['11:00', '61'],
    ],
    'metric',
  );
  expect(back.ok ? '' : back.problem.message).toMatch(/run backwards at 11:00/);
  for (const wrong of [
    [],
    [['a', 'b']],
    [
      ['time', '°C'],
      ['11:57', 'hot'],
    ],
    [
      ['time', '°C'],
      ['11:57', '60'],
    ],
  ])
    expect(readProbeLog(wrong, 'metric').ok).toBe(false);
});

test('a hundred thousand readings are thinned to their turns: the hottest moment stays', () => {
  const rows = Array.from({ length: 80_000 }, (_, second) => [
    clock(second),
    String(20 + 55 * Math.sin((second / 80_000) * Math.PI) ** 2),
  ]);
  const read = readProbeLog([['time', '°C'], ...rows], 'metric');
  if (!read.ok) throw new Error(read.problem.message);
  expect(read.value.length).toBeLessThanOrEqual(MOST_POINTS);
  expect(Math.max(...read.value.map((point) => point.celsius))).toBeGreaterThan(74.9);
});

test('thinned or not, the ends stay and times never run backwards (property)', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 100 }), { minLength: 2, maxLength: 600 }), (values) => {
      const rows = values.map((value, index) => [clock(index * 10), String(value)]);
      const read = readProbeLog([['time', '°C'], ...rows], 'metric');
      if (!read.ok) return false;
      const { value } = read;
      return (
        value[0]!.time === rows[0]![0] &&
        value.at(-1)!.time === rows.at(-1)![0] &&
        value.every((point, index) => index === 0 || point.time > value[index - 1]!.time)
      );
    }),
  );
});
