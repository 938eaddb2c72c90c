import fc from 'fast-check';
import { ASKED_AT_60, lethalityOf, type HeatPoint } from './lethality';

const held = (celsius: number, minutes: number): HeatPoint[] => [
  { minutes: 0, celsius },
  { minutes, celsius },
];

// FSIS Appendix A (from memory, handbook 6): minutes at a temperature for 6.5 log of Salmonella in beef.
test.each([
  [54.4, 112],
  [57.2, 36],
  [60, 12],
  [62.8, 4],
])('at %s °C for %s min: the twelve minutes at 60 °C that are asked for, within a tenth', (celsius, minutes) => {
  expect(Math.abs(lethalityOf(held(celsius, minutes)).minutes / ASKED_AT_60.meat - 1)).toBeLessThan(0.1);
});

test('at 70 °C the integral asks for 13 s (handbook 6)', () => {
  const perSecond = lethalityOf(held(70, 1)).minutes / 60;
  expect(ASKED_AT_60.meat / perSecond).toBeCloseTo(13, 0);
});

test('a ramp has its closed form: z ÷ (ln 10 · slope) · (rate at the end − rate at the start)', () => {
  const [from, to, minutes] = [56, 66, 25];
  const rate = (celsius: number) => 10 ** ((celsius - 60) / 5.74);
  const exact = (5.74 / (Math.LN10 * ((to - from) / minutes))) * (rate(to) - rate(from));
  const ramp = [
    { minutes: 10, celsius: from },
    { minutes: 10 + minutes, celsius: to },
  ];
  expect(lethalityOf(ramp).minutes).toBeCloseTo(exact, 9);
});

test('nothing below 54.4 °C counts, and a ramp counts from where it passes it', () => {
  expect(lethalityOf(held(54.3, 1000)).minutes).toBe(0);
  const whole = lethalityOf([
    { minutes: 0, celsius: 20 },
    { minutes: 60, celsius: 65 },
  ]);
  const passes = ((54.4 - 20) / 45) * 60;
  expect(whole.minutes).toBeCloseTo(
    lethalityOf([
      { minutes: passes, celsius: 54.4 },
      { minutes: 60, celsius: 65 },
    ]).minutes,
    9,
  );
});

test('over six hours between 10 and 54.4 °C: no credit, and it says for how long', () => {
  const slow = [
    { minutes: 0, celsius: 5 },
    { minutes: 30, celsius: 10 },
    { minutes: 420, celsius: 54.4 },
    { minutes: 500, celsius: 65 },
  ];
  expect(lethalityOf(slow)).toMatchObject({ counts: false, minutes: 0, slow: 390 });
  const quick = slow.map((point) => ({ ...point, minutes: point.minutes * 0.9 }));
  expect(lethalityOf(quick)).toMatchObject({ counts: true, slow: expect.closeTo(351, 9) });
});

test('more points on the same line change nothing; more heat is never less lethal', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          gap: fc.double({ min: 0.1, max: 20, noNaN: true }),
          celsius: fc.double({ min: 12, max: 90, noNaN: true }),
        }),
        {
          minLength: 2,
          maxLength: 12,
        },
      ),
      fc.double({ min: 0, max: 5, noNaN: true }),
      (steps, more) => {
        let minutes = 0;
        const curve = steps.map(({ gap, celsius }) => ({ celsius, minutes: (minutes += gap) }));
        const finer = curve.flatMap((point, index) => {
          const next = curve[index + 1];
          return next
            ? [point, { minutes: (point.minutes + next.minutes) / 2, celsius: (point.celsius + next.celsius) / 2 }]
            : [point];
        });
        const own = lethalityOf(curve);
        expect(lethalityOf(finer).minutes).toBeCloseTo(own.minutes, 6);
        const hotter = lethalityOf(curve.map((point) => ({ ...point, celsius: point.celsius + more })));
        expect(hotter.minutes).toBeGreaterThanOrEqual(own.minutes - 1e-9);
      },
    ),
  );
});
