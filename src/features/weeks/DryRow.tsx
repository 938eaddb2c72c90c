import type { WeeksDay } from './queries';

/** px that the cycles of one dryer take. */
export const LANE = 26;

/** The dryers that run in these weeks, in the order in which they begin. */
export const dryersIn = (days: readonly WeeksDay[]): readonly string[] => [
  ...new Set(days.flatMap(({ cycles }) => cycles.map(({ name }) => name))),
];

interface DryRowProps {
  days: readonly WeeksDay[];
  y: number;
  xOf: (index: number) => number;
}

/** The dryers beneath the cook days: each run of cycles from the day of its pot to the day on which it is over. */
export function DryRow({ days, y, xOf }: DryRowProps) {
  return dryersIn(days).map((name, lane) => (
    <g key={name} transform={`translate(0 ${y + lane * LANE})`}>
      <text x="0" y="15" fontSize="12" fill="var(--slate)">
        {name.length > 12 ? `${name.slice(0, 11)}…` : name}
      </text>
      {days.flatMap(({ day, cycles }, index) =>
        cycles
          .filter((each) => each.name === name)
          .map(({ count, days: long }) => {
            const x = xOf(index) + 1.5;
            const end = Math.min(xOf(index + long), xOf(days.length)) - 1.5;
            return (
              <g key={day}>
                <rect
                  x={x}
                  y="3"
                  width={Math.max(6, end - x)}
                  height="16"
                  rx="8"
                  fill="var(--edge)"
                  stroke="var(--honey)"
                  strokeWidth="1.5"
                />
                <text x={x + 6} y="15" fontSize="12" fontWeight="600" fill="var(--slate)">
                  {count}
                </text>
              </g>
            );
          }),
      )}
    </g>
  ));
}
