import type { weeksStrip } from './weeks-strip';

interface FreezerStepsProps {
  strip: ReturnType<typeof weeksStrip>;
  /** Under its name: what lies in it, or what it holds. */
  said: string;
  y: number;
  left: number;
  width: number;
  high: number;
}

/** The freezer day by day under a strip of days, against what it holds. */
export function FreezerSteps({ strip, said, y, left, width, high }: FreezerStepsProps) {
  return (
    <g transform={`translate(0 ${y})`}>
      <text x="0" y="14" fontSize="14" fontWeight="600" fill="var(--fjord)">
        freezer
      </text>
      <text x="0" y="32" fontSize="12" fill="var(--slate-soft)">
        {said}
      </text>
      <path d={strip.fill} fill="var(--fjord-pale)" />
      <path d={strip.edge} fill="none" stroke="var(--fjord)" strokeWidth="2.5" />
      {strip.limit !== undefined && (
        <path d={`M${left} ${strip.limit}H${width}`} stroke="var(--fjord)" strokeDasharray="5 4" />
      )}
      <path d={`M${left} ${high}H${width}`} stroke="var(--slate)" />
    </g>
  );
}
