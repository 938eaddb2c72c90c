'use client';

import { figure } from '@/ui/figure';
import type { EnergyFactors } from '@/core/nutrition/energy';
import { Link } from '@/ui/Link';
import { countOf, plural } from '@/core/quantity/count-words';
import { writeKcal, writeNumber } from '@/core/quantity/write';
import type { KnownFood } from '@/core/food/food';
import { BONE } from '@/core/recipe/bone';
import { proteinOf } from '@/core/recipe/protein';
import type { NamedShape } from '@/core/recipe/shape';
import type { WeighedLine } from '@/core/recipe/recipe';
import { leastOf, pouredWater, type Known, type RecipeSheet as Sums } from '@/core/recipe/sheet';
import { Why } from '@/ui/Why';
import { Caution } from '@/ui/Caution';
import { Shape } from './Shape';
import styles from './recipes.module.css';
import { useUnits } from '@/ui/units';

/** What the lines come to, in one line that stays in sight while they scroll. */
export function SumLine({ sheet, recipeId }: { sheet: Sums; recipeId: number | undefined }) {
  const { inMass } = useUnits();
  if (sheet.inPot === 0)
    return <p className="soft">Type an amount and a food: what the recipe comes to appears here.</p>;
  const poured = pouredWater(sheet);
  const least = leastOf(sheet);
  return (
    <section className={styles.sumLine} aria-label="What it comes to" aria-live="polite">
      <span>
        {least}
        <b className={styles.kcal}>{writeKcal(sheet.kcal)}</b> kcal{' '}
        <Why of={sheet.explanation} about="the energy of this recipe" />
      </span>
      <span className="soft" {...(recipeId === undefined ? {} : figure('recipe kcal', recipeId, sheet.kcalPer100))}>
        {sheet.kcalPer100 === undefined
          ? 'no food yet'
          : `${least}${writeKcal(sheet.kcalPer100)} kcal per 100 g of what goes in`}
        {poured > 0 && `, without the ${inMass(poured)} of water poured on`}
      </span>
    </section>
  );
}

/** The shape of a recipe, and its sums with their coverage. */
export function Totals({
  sheet,
  lines,
  factors,
  unread,
  shapes,
  shape,
  known,
  onShape,
}: {
  sheet: Sums;
  lines: readonly WeighedLine[];
  factors: EnergyFactors;
  unread: number;
  shapes: readonly NamedShape[];
  shape: string | undefined;
  known: ReadonlyMap<string, KnownFood>;
  onShape: (shape: string) => void;
}) {
  const { inMass } = useUnits();
  const poured = pouredWater(sheet);
  return (
    <section className="stack" aria-labelledby="totals">
      <h2 id="totals">Its shape and sums</h2>
      {unread > 0 && (
        <Caution>
          {countOf(unread, 'line')} {plural(unread, 'is')} not counted yet.
        </Caution>
      )}
      {sheet.energyUnknown.length > 0 && (
        <Caution>
          The energy of {sheet.energyUnknown.join(', ')} is unknown, so there is at least this much.
          {sheet.energyUnknown.some((name) => name !== BONE.name) && (
            <>
              {' '}
              Enter the label under <Link href="/recipes/supplies">supplies</Link>.
            </>
          )}
        </Caution>
      )}
      {sheet.energyEstimated.length > 0 && (
        <p className="note">
          Estimated: the energy of {sheet.energyEstimated.join(', ')} follows from crude figures, a least or a most. Its
          own kcal, where the bag prints them, are better.
        </p>
      )}
      <Shape
        sheet={sheet}
        protein={proteinOf(lines)}
        lines={lines}
        factors={factors}
        shapes={shapes}
        follows={shape}
        measures={(ndb) => known.get(ndb)?.measures ?? []}
        onFollow={onShape}
      />
      <table className={styles.sums}>
        <caption className="away">Sums of the recipe</caption>
        <tbody>
          <Sum
            name="goes in"
            value={inMass(sheet.food)}
            note={poured > 0 ? `${inMass(sheet.inPot)} in the pot with the water` : ''}
          />
          <KnownSum name="protein" known={sheet.protein} />
          <KnownSum name="fat" known={sheet.fat} />
          <KnownSum name="carbohydrate" known={sheet.carbohydrate} />
          <KnownSum name="fibre" known={sheet.fibre} />
          <KnownSum name="water" known={sheet.water} />
        </tbody>
      </table>
    </section>
  );
}

function KnownSum({ name, known }: { name: string; known: Known | undefined }) {
  const { inMass } = useUnits();
  if (!known) return <Sum name={name} value="unknown" note="no line has a value" />;
  const whole = known.coverage > 0.9999;
  return (
    <Sum
      name={name}
      value={inMass(known.amount)}
      note={
        whole
          ? ''
          : `at least; ${known.coverage > 0.99 ? 'over 99' : writeNumber(known.coverage * 100, 0)} % of the weight has a value`
      }
    />
  );
}

function Sum({ name, value, note }: { name: string; value: string; note: string }) {
  return (
    <tr>
      <th scope="row">{name}</th>
      <td>{value}</td>
      <td className="note">{note}</td>
    </tr>
  );
}
