import { hatchFill } from '@/ui/badges/hatch-defs';
import { SMALL_FLOW, layFlow } from '@/ui/charts/flow';
import { nth } from '@/core/sure';
import type { Part } from '@/core/recipe/recipe';
import type { Protein } from '@/core/recipe/protein';
import { fillOfPart } from '@/ui/badges/part-fill';

interface SmallFlowProps {
  protein: Protein;
  went: readonly { readonly part: Part; readonly grams: number }[];
  /** g of the yield; undefined until it was weighed. */
  net: number | undefined;
  /** Where the yield is: solid where it is still there. */
  ends: readonly { readonly grams: number; readonly solid: boolean }[];
  planned: boolean;
}

/** A pot in small, drawn to scale: what went in, what it came to, where that is. What it says stands beside it in words. */
export function SmallFlow({ protein, went, net, ends, planned }: SmallFlowProps) {
  const at = SMALL_FLOW;
  const laid = layFlow(
    {
      lines: went.map(({ grams }) => ({ label: '', grams })),
      loads: [],
      pans: [],
      net,
      shares: ends.map(({ grams }) => ({ label: '', grams, pieces: [] })),
    },
    at,
  );
  const hatch = hatchFill(protein.hatch);
  const dashed = { strokeDasharray: '4 3' };
  return (
    <svg viewBox={`0 0 ${at.width} ${at.height}`} width={at.width} height={at.height} aria-hidden>
      {laid.lines.map((band, index) => (
        <path
          key={index}
          d={band.path}
          fill={fillOfPart(nth(went, index).part, protein)}
          stroke="var(--slate)"
          {...(planned ? dashed : {})}
        />
      ))}
      <rect
        x={at.pot}
        y={laid.pot.top}
        width={at.potEnd - at.pot}
        height={laid.pot.bottom - laid.pot.top}
        fill={planned ? 'none' : hatch}
        opacity="0.28"
      />
      {net !== undefined && (
        <rect
          x={at.pans}
          y={laid.pans.top}
          width={at.pansEnd - at.pans}
          height={laid.pans.bottom - laid.pans.top}
          fill={hatch}
          stroke="var(--slate)"
        />
      )}
      {laid.shares.map((band, index) => {
        const { solid } = nth(ends, index);
        return (
          <path
            key={index}
            d={band.path}
            fill={solid ? hatch : 'var(--enamel)'}
            stroke="var(--slate)"
            {...(solid ? {} : dashed)}
          />
        );
      })}
      <path
        d={`M${at.pot} ${laid.pot.top - 6}V${laid.pot.bottom + 4}H${at.potEnd}V${laid.pot.top - 6}`}
        fill="none"
        stroke="var(--slate)"
        strokeWidth="2.2"
      />
    </svg>
  );
}
