import { keysOf } from '@/core/sure';
import type { Hatch } from '@/core/recipe/protein';
import { HATCH_PATHS } from './paths';

/** The hatch patterns, once a page: every drawing fills with them. */
export function HatchDefs() {
  return (
    <svg width="0" height="0" aria-hidden style={{ position: 'absolute' }}>
      <defs>
        {keysOf(HATCH_PATHS).map((name) => {
          const { size, turn, path, stroke } = HATCH_PATHS[name];
          return (
            <pattern
              key={name}
              id={`hatch-${name}`}
              width={size}
              height={size}
              patternUnits="userSpaceOnUse"
              patternTransform={turn ? `rotate(${turn})` : undefined}
            >
              <rect width={size} height={size} fill="var(--carrot-pale)" />
              <path
                d={path}
                fill={stroke === undefined ? 'var(--slate)' : 'none'}
                stroke={stroke === undefined ? 'none' : 'var(--slate)'}
                strokeWidth={stroke}
              />
            </pattern>
          );
        })}
      </defs>
    </svg>
  );
}

export const hatchFill = (hatch: Hatch) => `url(#hatch-${hatch})`;
