import type { Hatch, Protein } from '@/core/recipe/protein';
import { hatchFill } from './hatch-defs';
import { BADGE_PATHS } from './paths';

const OUTLINE = { fill: 'var(--enamel-raised)', stroke: 'var(--slate)', strokeWidth: 1.8 } as const;

/** A dog's tag: a shape of its own with its letter, the same everywhere. */
export function DogBadge({ letters, badge, size = 48 }: { letters: string; badge: number; size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 48 48" aria-hidden>
      <path d={BADGE_PATHS[badge % BADGE_PATHS.length]} {...OUTLINE} />
      <text
        x="24"
        y="31"
        textAnchor="middle"
        fontFamily="var(--face-head)"
        fontWeight="700"
        fontSize={letters.length > 1 ? 16 : 19}
        fill="var(--slate)"
      >
        {letters}
      </text>
    </svg>
  );
}

/** A swatch of a recipe's hatch with its word, for a legend. */
export function ProteinSwatch({ protein }: { protein: Protein }) {
  return (
    <span style={{ display: 'inline-flex', alignItems: 'center', gap: 6 }}>
      <HatchTile hatch={protein.hatch} width={24} height={16} />
      {protein.word}
    </span>
  );
}

export function HatchTile({ hatch, width, height }: { hatch: Hatch; width: number; height: number }) {
  return (
    <svg width={width} height={height} aria-hidden>
      <rect
        x="0.75"
        y="0.75"
        width={width - 1.5}
        height={height - 1.5}
        fill={hatchFill(hatch)}
        stroke="var(--slate)"
        strokeWidth="1.5"
      />
    </svg>
  );
}

/** A tub with its lid, filled with the hatch of what is in it as far as it is full (0 to 1). */
export function Tub({ hatch, full = 1, size = 44 }: { hatch: Hatch; full?: number; size?: number }) {
  const level = 6 + 40 * (1 - Math.max(0.06, Math.min(1, full)));
  return (
    <svg width={size} height={size} viewBox="0 0 48 50" aria-hidden>
      <path d="M6 6H42V42a5 5 0 0 1 -5 5H11a5 5 0 0 1 -5 -5Z" fill="var(--enamel-raised)" />
      <path d={`M6 ${level}H42V42a5 5 0 0 1 -5 5H11a5 5 0 0 1 -5 -5Z`} fill={hatchFill(hatch)} />
      <path d="M6 6H42V42a5 5 0 0 1 -5 5H11a5 5 0 0 1 -5 -5Z" fill="none" stroke="var(--slate)" strokeWidth="2" />
      <path d="M3 5H45" stroke="var(--slate)" strokeWidth="4" />
    </svg>
  );
}

/** A bowl, filled with the hatch of what goes in as far as it is full (0 to 1). */
export function Bowl({ hatch, full, width = 104 }: { hatch: Hatch | undefined; full: number; width?: number }) {
  const top = 8 + 40 * (1 - Math.max(0, Math.min(1, full)));
  const inset = ((top - 6) / 48) * 12;
  return (
    <svg width={width} height={width * 0.6} viewBox="0 0 104 62" aria-hidden>
      <path d="M6 6H98L86 54H18Z" fill="var(--enamel-raised)" />
      {hatch && full > 0 && <path d={`M${6 + inset} ${top}H${98 - inset}L86 54H18Z`} fill={hatchFill(hatch)} />}
      <path d="M2 6H102M6 6L18 54H86L98 6" fill="none" stroke="var(--slate)" strokeWidth="2.4" />
    </svg>
  );
}
