import { cellOf, type BoxesFilled, type BoxPlan } from '@/core/portion/boxes';
import { nth } from '@/core/sure';

const CELL = 22;
const NAME = 150;

interface BoxesDrawingProps {
  plan: BoxPlan;
  filled: BoxesFilled;
  /** The ingredient at hand. */
  row: number;
  names: readonly string[];
}

/** All boxes at a glance: a column each, ticked where an ingredient lies in it. */
export function BoxesDrawing({ plan, filled, row, names }: BoxesDrawingProps) {
  const width = NAME + plan.boxes.length * CELL + 2;
  const height = plan.rows.length * CELL + 2;
  const done = Object.keys(filled).length;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width={Math.min(width, 900)}
      style={{ maxWidth: '100%' }}
      role="img"
      aria-label={`What lies in the boxes: ${done} of ${plan.rows.reduce((sum, { grams }) => sum + grams.filter((each) => each > 0).length, 0)} portions`}
    >
      {plan.rows.map(({ shareId, grams }, index) => (
        <g key={shareId} transform={`translate(0 ${index * CELL})`}>
          <text x="0" y="15" fontSize="13" fontWeight={index === row ? 700 : 400} fill="var(--slate)">
            {nth(names, index).slice(0, 20)}
          </text>
          {grams.map((each, box) => (
            <g key={box}>
              {each > 0 && (
                <rect
                  x={NAME + box * CELL + 1}
                  y="1"
                  width={CELL - 4}
                  height={CELL - 4}
                  fill={filled[cellOf(index, box)] === undefined ? 'none' : 'var(--slate-soft)'}
                  stroke="var(--slate)"
                  strokeWidth={index === row ? 2 : 1}
                  strokeDasharray={filled[cellOf(index, box)] === undefined ? '3 3' : undefined}
                />
              )}
              {each > 0 && filled[cellOf(index, box)] !== undefined && (
                <path
                  d={`M${NAME + box * CELL + 5} 10 l4 4 l7 -8`}
                  fill="none"
                  stroke="var(--enamel)"
                  strokeWidth="2"
                />
              )}
            </g>
          ))}
        </g>
      ))}
    </svg>
  );
}
