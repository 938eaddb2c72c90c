import { Pointed } from '@/ui/charts/Pointed';
import { Fold } from '@/ui/Fold';
import type { FoodMeasure } from '@/core/food/food';
import { energyOf, type EnergyFactors } from '@/core/nutrition/energy';
import { writeNumber } from '@/core/quantity/write';
import type { Protein } from '@/core/recipe/protein';
import type { Part, WeighedLine } from '@/core/recipe/recipe';
import { shapeAgainst, shapeFigures, volumeShares, type NamedShape, type ShapeRow } from '@/core/recipe/shape';
import type { RecipeSheet } from '@/core/recipe/sheet';
import { stackedBar } from '@/ui/charts/stacked-bar';
import { Choice } from '@/ui/form/Choice';
import { fillOfPart, isOfAnimal } from '@/ui/badges/part-fill';

const WIDTH = 470;
interface ShapeProps {
  sheet: RecipeSheet;
  protein: Protein;
  lines: readonly WeighedLine[];
  factors: EnergyFactors;
  shapes: readonly NamedShape[];
  /** The id of the shape that the recipe follows. */
  follows: string | undefined;
  measures: (ndb: string) => readonly FoodMeasure[];
  onFollow: (shape: string) => void;
}

const percent = (share: number) => `${writeNumber(share * 100, share < 0.1 ? 1 : 0)} %`;

/** The shape of a recipe: its parts by weight, by volume and by energy, one over the other, and what it follows. */
export function Shape({ sheet, protein, lines, factors, shapes, follows, measures, onFollow }: ShapeProps) {
  const volumes = volumeShares(lines, measures);
  const rows = [
    { name: 'weight', of: (share: Share) => share.weight },
    { name: 'volume', of: (share: Share) => volumes.of.get(share.part) ?? 0 },
    { name: 'energy', of: (share: Share) => share.energy },
  ];
  const named = shapes.find((each) => each.id === follows);
  const figures = shapeFigures(lines, sheet);
  return (
    <figure aria-label="Shape of the recipe">
      <Bars sheet={sheet} protein={protein} rows={rows} />
      {volumes.coverage < 0.995 && (
        <p className="note">by volume: {percent(volumes.coverage)} of the weight has a cup in the table</p>
      )}
      <Fold title="More about its shape">
        <ul className="rows">
          <Figure name="animal protein in 1000 kcal" value={figures.animalProtein} unit="g" />
          <Figure name="fat in the dry matter" value={scaled(figures.fatInDryMatter)} unit="%" />
          <Figure name="water in the food" value={scaled(figures.water)} unit="%" />
          {figures.bone > 0 && <Figure name="bone" value={figures.bone * 100} unit="%" />}
          {figures.secreting > 0 && <Figure name="secreting organs" value={figures.secreting * 100} unit="%" />}
        </ul>
        <Choice
          label="Follows"
          value={follows ?? ''}
          options={[
            { value: '', label: 'no shape of a school' },
            ...shapes.map((each) => ({ value: each.id, label: each.name })),
          ]}
          onChange={onFollow}
        />
      </Fold>
      {named && (
        <Against shape={named} rows={shapeAgainst(named, lines, measures, (line) => energyOf([line], factors))} />
      )}
    </figure>
  );
}

type Share = RecipeSheet['shares'][number];
const scaled = (share: number | undefined) => (share === undefined ? undefined : share * 100);

function Figure({ name, value, unit }: { name: string; value: number | undefined; unit: string }) {
  return (
    <li className="spread">
      <span>{name}</span>
      <b>{value === undefined ? 'unknown' : `${writeNumber(value, 1)} ${unit}`}</b>
    </li>
  );
}

/** What differs from the shape that the recipe follows, in words. */
function Against({ shape, rows }: { shape: NamedShape; rows: readonly ShapeRow[] }) {
  return (
    <div role="status">
      <p className="note">
        follows: {shape.name} ({shape.source})
      </p>
      {rows.map((row) => (
        <p key={row.name} className={row.verdict === 'met' ? 'soft' : 'caution'}>
          {row.name} {percent(row.share)}
          {row.verdict === 'met'
            ? ', as it should be'
            : `, ${row.verdict} ${row.verdict === 'under' ? percent(row.least) : percent(row.most)}`}
        </p>
      ))}
    </div>
  );
}

interface BarsProps {
  sheet: RecipeSheet;
  protein: Protein;
  rows: readonly { readonly name: string; readonly of: (share: Share) => number }[];
}

function Bars({ sheet, protein, rows }: BarsProps) {
  const word = (part: Part) => (part === 'muscle' ? protein.word : part);
  return (
    <>
      <ul className="away">
        {sheet.shares.map((share) => (
          <li key={share.part}>
            {word(share.part)}:{' '}
            {rows.map((row) => `${Math.round(row.of(share) * 100)} % of the ${row.name}`).join(', ')}
          </li>
        ))}
      </ul>
      <Pointed>
        <svg viewBox={`0 0 ${WIDTH + 64} ${rows.length * 42}`} width="100%" aria-hidden>
          {rows.map((row, index) => (
            <g key={row.name} transform={`translate(62 ${index * 42})`}>
              <text x="-62" y="22" fontSize="14" fill="var(--slate)">
                {row.name}
              </text>
              {stackedBar(sheet.shares, row.of, WIDTH).map(({ of: share, x, width }) => {
                const label = word(share.part);
                const share100 = Math.round(row.of(share) * 100);
                const fits = width > label.length * 7.4 + 14;
                return (
                  <g key={share.part}>
                    <rect
                      x={x}
                      y="2"
                      width={width}
                      height="32"
                      fill={fillOfPart(share.part, protein)}
                      stroke="var(--slate)"
                      strokeWidth="1.5"
                      data-said={`${label}: ${share100} % of the ${row.name}`}
                    />
                    {fits && (
                      <>
                        {isOfAnimal(share.part) && (
                          <rect
                            x={x + 6}
                            y="8"
                            width={label.length * 7.4 + 44}
                            height="20"
                            fill="var(--enamel-raised)"
                          />
                        )}
                        <text x={x + 10} y="23" fontSize="13" fill="var(--slate)">
                          {label}
                          {width > label.length * 7.4 + 54 && ` ${share100} %`}
                        </text>
                      </>
                    )}
                  </g>
                );
              })}
            </g>
          ))}
        </svg>
      </Pointed>
    </>
  );
}
