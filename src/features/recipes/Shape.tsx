import type { Part } from '@/core/recipe/recipe';
import type { ProteinMark } from '@/core/recipe/protein';
import type { RecipeSheet } from '@/core/recipe/sheet';
import { stackedBar } from '@/ui/charts/stacked-bar';
import { hatchFill } from '@/ui/marks/hatch-defs';

const WIDTH = 470;
const ANIMAL = new Set<Part>(['muscle', 'muscular organ', 'secreting organ']);

const tint = (colour: string, percent: number) =>
  `color-mix(in srgb, var(--${colour}) ${percent}%, var(--enamel-raised))`;
const FILLS: Partial<Record<Part, string>> = {
  carbohydrate: tint('carrot', 18),
  vegetable: tint('kale', 30),
  fruit: tint('kale', 18),
  herb: tint('kale', 45),
  fat: tint('honey', 35),
  egg: tint('honey', 18),
};

/** The shape of a recipe: its parts by weight and by energy, one over the other. */
export function Shape({ sheet, mark }: { sheet: RecipeSheet; mark: ProteinMark }) {
  const rows = [
    { name: 'weight', bar: stackedBar(sheet.shares, (share) => share.weight, WIDTH) },
    { name: 'energy', bar: stackedBar(sheet.shares, (share) => share.energy, WIDTH) },
  ];
  const word = (part: Part) => (part === 'muscle' ? mark.word : part);
  return (
    <figure style={{ margin: 0 }} aria-label="Shape of the recipe">
      <ul className="away">
        {sheet.shares.map((share) => (
          <li key={share.part}>
            {word(share.part)}: {Math.round(share.weight * 100)} % of the weight, {Math.round(share.energy * 100)} % of
            the energy
          </li>
        ))}
      </ul>
      <svg viewBox={`0 0 ${WIDTH + 64} 84`} width="100%" aria-hidden>
        {rows.map((row, index) => (
          <g key={row.name} transform={`translate(62 ${index * 44})`}>
            <text x="-62" y="22" fontSize="14" fill="var(--slate)">
              {row.name}
            </text>
            {row.bar.map(({ of: share, x, width }) => {
              const label = word(share.part);
              const percent = Math.round((row.name === 'weight' ? share.weight : share.energy) * 100);
              const fits = width > label.length * 7.4 + 14;
              return (
                <g key={share.part}>
                  <rect
                    x={x}
                    y="2"
                    width={width}
                    height="32"
                    fill={
                      ANIMAL.has(share.part) ? hatchFill(mark.hatch) : (FILLS[share.part] ?? 'var(--enamel-raised)')
                    }
                    stroke="var(--slate)"
                    strokeWidth="1.5"
                  >
                    <title>{`${label}: ${percent} % of the ${row.name}`}</title>
                  </rect>
                  {fits && (
                    <>
                      {ANIMAL.has(share.part) && (
                        <rect x={x + 6} y="8" width={label.length * 7.4 + 44} height="20" fill="var(--enamel-raised)" />
                      )}
                      <text x={x + 10} y="23" fontSize="13" fill="var(--slate)">
                        {label}
                        {width > label.length * 7.4 + 54 && ` ${percent} %`}
                      </text>
                    </>
                  )}
                </g>
              );
            })}
          </g>
        ))}
      </svg>
    </figure>
  );
}
