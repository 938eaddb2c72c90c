import { kcalIn, perGramOf } from '@/core/nutrition/density';
import { estimatedOf, labelKcalPer100, readLabel } from '@/core/food/label';
import { LABEL_NUTRIENTS } from '@/core/nutrition/nutrients';
import { readSupply, type SupplyEntry } from '@/core/food/supply-entry';
import type { UnitSet } from '@/core/quantity/units';
import { writeNutrient } from '@/core/quantity/write';
import styles from './supplies.module.css';
import { nth, sure } from '@/core/sure';

/** What a label comes to: each nutrient in one measure and in 1 g, the element where a compound is printed. */
export function LabelFigures({ entry, set }: { entry: SupplyEntry; set: UnitSet }) {
  const read = readSupply({ ...entry, name: entry.name || 'it' });
  const per100 = read.ok ? readLabel(read.value.label) : undefined;
  const kcal = read.ok ? labelKcalPer100(read.value.label, set) : undefined;
  const estimated = read.ok ? estimatedOf(read.value.label) : [];
  const named = new Set(read.ok ? read.value.label.amounts.map(({ nutrient }) => nutrient) : []);
  return (
    <section className={styles.reading} aria-labelledby="reading" aria-live="polite">
      <h2 id="reading">What that comes to</h2>
      {!read.ok || !per100?.ok ? (
        <p className="soft">
          {entry.amounts?.length ? (read.ok ? '' : nth(read.problems, 0).message) : 'Copy the label, row by row.'}
        </p>
      ) : (
        <table className={styles.table}>
          <thead>
            <tr>
              <th scope="col">nutrient</th>
              <th scope="col">in one {entry.measure}</th>
              <th scope="col">in 1 g</th>
            </tr>
          </thead>
          <tbody>
            {kcal !== undefined && (
              <tr>
                <th scope="row">energy, by its label</th>
                <td>{writeNutrient(kcalIn(read.value.label.measureGrams, perGramOf(kcal)))} kcal</td>
                <td>{writeNutrient(perGramOf(kcal))} kcal</td>
              </tr>
            )}
            {Object.entries(LABEL_NUTRIENTS).map(([nutrient, { column, unit }]) => {
              if (!named.has(nutrient) && !estimated.includes(column)) return null;
              const inOne = perGramOf(sure(per100.value[column]));
              return (
                <tr key={nutrient}>
                  <th scope="row">
                    {nutrient}
                    {!named.has(nutrient) && <span className="note"> estimated</span>}
                  </th>
                  <td>
                    {writeNutrient(inOne * read.value.label.measureGrams)} {unit}
                  </td>
                  <td>
                    {writeNutrient(inOne)} {unit}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      <p className="note">
        What the label does not name stays unknown, it is not counted as none. Elements by stoichiometry; 1 IU of
        vitamin A is 0.3 µg of retinol, 40 IU of D are 1 µg, vitamin E counts in mg of the natural form.
      </p>
    </section>
  );
}
