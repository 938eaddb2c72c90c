'use client';

import { Controller, useWatch, type UseFormReturn } from 'react-hook-form';
import { writeGrams } from '@/core/quantity/write';
import { readLineAmount } from '@/core/recipe/entry';
import { guessPart } from '@/core/recipe/part-of-food';
import { hazardsIn, sayHazard, type Hazard } from '@/core/recipe/hazards';
import { MOMENTS, PARTS, type Moment } from '@/core/recipe/recipe';
import type { UnitSet } from '@/core/quantity/units';
import { Field } from '@/ui/form/Field';
import { FoodField } from '@/ui/food/FoodField';
import type { KnownFood } from '@/core/food/food';
import styles from './recipes.module.css';
import type { RecipeEntry } from './schema';

const MOMENT_WORDS: Readonly<Record<Moment, string>> = {
  cook: 'cooked along',
  'off heat': 'off the heat',
  'stir-in': 'stirred in below 40 °C',
  bowl: 'in the bowl',
};

interface LineRowProps {
  form: UseFormReturn<RecipeEntry>;
  index: number;
  known: ReadonlyMap<string, KnownFood>;
  learn: (food: KnownFood) => void;
  set: UnitSet;
  /** What the server said about this line. */
  problemAt: (field: string) => string | undefined;
  onRemove: () => void;
  tried: boolean;
  hazards: readonly Hazard[];
}

/** One line of a recipe: the cook's words on the left, the grams on the right. */
export function LineRow({ form, index, known, learn, set, problemAt, onRemove, tried, hazards }: LineRowProps) {
  const line = useWatch({ control: form.control, name: `lines.${index}` });
  const food = known.get(line.ndb);
  const read = food ? readLineAmount(line.amount, food.food, food.measures, set) : undefined;
  const touched = form.formState.touchedFields.lines?.[index]?.amount === true || tried;
  // The server reads an amount with the same core: what it said is old as soon as the line is typed anew.
  const liveProblem = read && !read.ok && (touched || line.amount !== '') ? read.problem.message : undefined;
  const amountProblem = food ? liveProblem : problemAt(`lines.${index}.amount`);
  const foodProblem = problemAt(`lines.${index}.ndb`) ?? (tried && !food ? 'Choose a food from the table.' : undefined);
  const number = index + 1;
  const hurts = hazardsIn(
    [{ ndb: line.ndb, words: line.preparation ?? '', part: line.part, moment: line.moment }],
    hazards,
  );

  return (
    <li className={styles.line}>
      <Field
        label={`Amount of line ${number}`}
        hideLabel
        placeholder="2 lb, 1 1/2 cups"
        autoComplete="off"
        {...form.register(`lines.${index}.amount`)}
        problem={foodProblem ? undefined : amountProblem}
      />
      <div className={styles.what}>
        <FoodField
          label={`Food of line ${number}`}
          value={food ?? null}
          problem={foodProblem}
          onChange={(chosen) => {
            if (chosen) {
              learn(chosen);
              form.setValue(`lines.${index}.part`, guessPart(chosen.food));
            }
            form.setValue(`lines.${index}.ndb`, chosen?.food.ndb ?? '', { shouldDirty: true });
          }}
        />
        <div className={styles.small}>
          <input
            className={styles.quiet}
            aria-label={`Your words for line ${number}`}
            placeholder="in your words"
            autoComplete="off"
            {...form.register(`lines.${index}.preparation`)}
          />
          <Controller
            control={form.control}
            name={`lines.${index}.part`}
            render={({ field }) => (
              <select
                className={styles.quiet}
                aria-label={`Part of line ${number}`}
                value={field.value}
                onChange={field.onChange}
              >
                {PARTS.map((part) => (
                  <option key={part}>{part}</option>
                ))}
              </select>
            )}
          />
          <Controller
            control={form.control}
            name={`lines.${index}.moment`}
            render={({ field }) => (
              <select
                className={styles.quiet}
                aria-label={`Moment of line ${number}`}
                value={field.value}
                onChange={field.onChange}
              >
                {MOMENTS.map((moment) => (
                  <option key={moment} value={moment}>
                    {MOMENT_WORDS[moment]}
                  </option>
                ))}
              </select>
            )}
          />
          {hurts.map(({ hazard }) => (
            <p key={hazard.id} className={hazard.level === 'never' ? styles.never : 'caution'} role="status">
              {sayHazard(hazard)}
            </p>
          ))}
          {read?.ok && read.value.how !== 'weighed' && <span className="note">{read.value.how}</span>}
        </div>
      </div>
      <p className={styles.grams}>{read?.ok ? writeGrams(read.value.grams) : '?'}</p>
      <button type="button" className={styles.remove} aria-label={`Remove line ${number}`} onClick={onRemove}>
        ×
      </button>
    </li>
  );
}
