import { keysOf } from '@/core/sure';
import type { Hatch } from '@/core/recipe/protein';

const STROKE = { stroke: 'var(--slate)', fill: 'none' } as const;

const DRAWN: Readonly<Record<Hatch, { size: number; turn?: number; shapes: React.ReactNode }>> = {
  diagonal: { size: 9, turn: 45, shapes: <path d="M0 0V9" {...STROKE} strokeWidth="5" /> },
  waves: { size: 16, shapes: <path d="M0 5q4 -5 8 0t8 0M0 13q4 -5 8 0t8 0" {...STROKE} strokeWidth="1.8" /> },
  dots: { size: 9, shapes: <circle cx="4.5" cy="4.5" r="2" fill="var(--slate)" /> },
  upright: { size: 8, shapes: <path d="M2 0V8" {...STROKE} strokeWidth="2.5" /> },
  crossed: { size: 9, turn: 45, shapes: <path d="M0 0H9M0 0V9" {...STROKE} strokeWidth="2.5" /> },
  chevrons: { size: 12, shapes: <path d="M0 9L6 3L12 9" {...STROKE} strokeWidth="2.2" /> },
  level: { size: 8, shapes: <path d="M0 2H8" {...STROKE} strokeWidth="2.5" /> },
  bricks: { size: 12, shapes: <path d="M0 0H12M0 6H12M3 0V6M9 6V12" {...STROKE} strokeWidth="1.6" /> },
};

/** The hatch patterns, once a page: every drawing fills with them. */
export function HatchDefs() {
  return (
    <svg width="0" height="0" aria-hidden style={{ position: 'absolute' }}>
      <defs>
        {keysOf(DRAWN).map((name) => (
          <pattern
            key={name}
            id={`hatch-${name}`}
            width={DRAWN[name].size}
            height={DRAWN[name].size}
            patternUnits="userSpaceOnUse"
            patternTransform={DRAWN[name].turn ? `rotate(${DRAWN[name].turn})` : undefined}
          >
            <rect width={DRAWN[name].size} height={DRAWN[name].size} fill="var(--carrot-pale)" />
            {DRAWN[name].shapes}
          </pattern>
        ))}
      </defs>
    </svg>
  );
}

export const hatchFill = (hatch: Hatch) => `url(#hatch-${hatch})`;
