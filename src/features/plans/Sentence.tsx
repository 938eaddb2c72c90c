'use client';

import { readLocalDate, writeDay } from '@/core/calendar/local-date';
import type { TypedBinding } from '@/core/plan/binding-entry';
import styles from './plans.module.css';
import type { PlanView } from './queries';

/** The sentence as it stands: which recipe, which dogs, from when, and what binds it. */
export interface Typed {
  readonly recipeId: number;
  readonly dogIds: readonly number[];
  readonly firstDay: string;
  readonly binding: TypedBinding;
}

interface SentenceProps {
  view: PlanView;
  typed: Typed;
  /** The hole that cannot be. */
  wrong: string | undefined;
  onChange: (typed: Typed) => void;
}

const WAYS: readonly { readonly by: TypedBinding['by']; readonly label: string }[] = [
  { by: 'days', label: 'for' },
  { by: 'weight', label: 'as much as comes to' },
  { by: 'containers', label: 'to fill' },
  { by: 'at hand', label: 'from what is here:' },
];

/** The hole that an amount stands in, by what binds. */
const AMOUNTS = { days: 'days', weight: 'weight', containers: 'size', 'at hand': 'atHand' } as const;

/** One sentence with holes: the form of a plan. */
export function Sentence({ view, typed, wrong, onChange }: SentenceProps) {
  const recipe = view.recipes.find((each) => each.id === typed.recipeId)!;
  const { binding } = typed;
  const day = readLocalDate(typed.firstDay);
  const bind = (change: Partial<TypedBinding>) => onChange({ ...typed, binding: { ...binding, ...change } });
  const hole = (field: keyof TypedBinding, label: string, className = '', numeric = false) => (
    <input
      className={`${styles.hole} ${className}`}
      aria-label={label}
      inputMode={numeric ? 'numeric' : 'text'}
      autoComplete="off"
      value={String(binding[field])}
      aria-invalid={wrong === field || (wrong === 'amount' && field === AMOUNTS[binding.by])}
      onChange={(event) => bind({ [field]: event.target.value })}
    />
  );
  return (
    <div className={styles.sentence}>
      Cook{' '}
      <select
        className={styles.hole}
        aria-label="Recipe"
        value={typed.recipeId}
        onChange={(event) =>
          onChange({ ...typed, recipeId: Number(event.target.value), binding: { ...binding, line: 0 } })
        }
      >
        {view.recipes.map((each) => (
          <option key={each.id} value={each.id}>
            {each.name}
          </option>
        ))}
      </select>{' '}
      for{' '}
      <span role="group" aria-label="Dogs" className={styles.dogs}>
        {view.dogs.map((dog) => (
          <button
            key={dog.id}
            type="button"
            className={styles.dog}
            aria-pressed={typed.dogIds.includes(dog.id)}
            onClick={() =>
              onChange({
                ...typed,
                dogIds: typed.dogIds.includes(dog.id)
                  ? typed.dogIds.filter((id) => id !== dog.id)
                  : [...typed.dogIds, dog.id],
              })
            }
          >
            {dog.name}
          </button>
        ))}
      </span>{' '}
      <span className={styles.together}>
        <select
          className={`${styles.hole} ${styles.way}`}
          aria-label="What binds the plan"
          value={binding.by}
          onChange={(event) => bind({ by: event.target.value as TypedBinding['by'] })}
        >
          {WAYS.map((way) => (
            <option key={way.by} value={way.by}>
              {way.label}
            </option>
          ))}
        </select>{' '}
        {binding.by === 'days' && (
          <>
            {hole('days', 'Days', styles.days, true)} {binding.days.trim() === '1' ? 'day' : 'days'}
          </>
        )}
        {binding.by === 'weight' && hole('weight', 'Finished food', styles.amount)}
        {binding.by === 'containers' && (
          <>
            {hole('count', 'Containers', styles.days, true)} of {hole('size', 'One container holds', styles.amount)}
          </>
        )}
        {binding.by === 'at hand' && (
          <>
            {hole('atHand', 'How much is here', styles.amount)} of{' '}
            <select
              className={styles.hole}
              aria-label="What is here"
              value={binding.line}
              onChange={(event) => bind({ line: Number(event.target.value) })}
            >
              {recipe.written.map((line, place) => (
                <option key={place} value={place}>
                  {line.preparation ?? line.source.food.name}
                </option>
              ))}
            </select>
          </>
        )}
      </span>{' '}
      <span className={styles.together}>
        from{' '}
        <input
          type="date"
          className={styles.hole}
          aria-label="First feeding day"
          value={typed.firstDay}
          min={view.today}
          aria-invalid={wrong === 'firstDay'}
          onChange={(event) => onChange({ ...typed, firstDay: event.target.value })}
        />
        {day && <span className={styles.spoken}>{writeDay(day)}</span>}.
      </span>
    </div>
  );
}
