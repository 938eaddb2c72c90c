import type { DayEnergy } from '@/core/dog/day-energy';
import { energyAxis } from '@/ui/charts/energy-axis';

/** A dog's day on a kcal axis: at rest, what its method allows, and what is in force. */
export function EnergyBar({
  energy,
  highest,
  width = 560,
  axis = false,
}: {
  energy: DayEnergy;
  highest: number;
  width?: number;
  axis?: boolean;
}) {
  const { x, ticks } = energyAxis(highest, width - 48);
  const height = axis ? 66 : 34;
  const [low, high] = energy.range;
  return (
    <svg viewBox={`-20 0 ${width} ${height}`} width="100%" style={{ maxWidth: width }} aria-hidden>
      {ticks.map((tick) => (
        <g key={tick.kcal}>
          <path d={`M${tick.x} 0V34`} stroke="var(--edge)" />
          {axis && (
            <text x={tick.x} y="52" textAnchor="middle" fontSize="12" fill="var(--slate-soft)">
              {tick.kcal}
            </text>
          )}
        </g>
      ))}
      <rect
        x={x(low)}
        y="12"
        width={Math.max(0, x(Math.min(high, highest * 1.15)) - x(low))}
        height="10"
        fill="var(--carrot)"
        opacity="0.35"
      />
      <path d={`M${x(energy.rer)} 4V30`} stroke="var(--slate)" strokeWidth="1.5" strokeDasharray="3 3" />
      <path d={`M${x(energy.kcal)} 6l11 11l-11 11l-11 -11Z`} fill="var(--carrot)" />
    </svg>
  );
}
