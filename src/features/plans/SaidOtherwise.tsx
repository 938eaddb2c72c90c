import { containersOf, wholeDays, type Bound } from '@/core/plan/bind';
import type { TypedBinding } from '@/core/plan/binding-entry';
import { readScale } from '@/core/quantity/reading';
import { writeGrams, writeNumber, writeSum } from '@/core/quantity/write';
import { Why } from '@/ui/Why';
import styles from './plans.module.css';
import type { PlannableRecipe } from './queries';

interface SaidOtherwiseProps {
  bound: Bound;
  recipe: PlannableRecipe;
  binding: TypedBinding;
  onBind: (change: Partial<TypedBinding>) => void;
}

/** The same plan in all other ways: pressing one makes it what binds. */
export function SaidOtherwise({ bound, recipe, binding, onBind }: SaidOtherwiseProps) {
  const size = readScale(binding.size);
  const filled = size.ok && size.value > 0 ? containersOf(bound.finished, size.value) : undefined;
  const most = bound.bought.reduce((best, mass, index) => (mass > bound.bought[best]! ? index : best), 0);
  const line = binding.by === 'at hand' ? binding.line : most;
  const days = wholeDays(bound.days);
  const rest = bound.days - days;
  return (
    <section aria-labelledby="otherwise" className={styles.otherwise}>
      <h2 id="otherwise">Said otherwise</h2>
      <ul>
        <li>
          <button type="button" onClick={() => onBind({ by: 'days', days: String(days) })}>
            <b>
              {days} {days === 1 ? 'day' : 'days'}
            </b>
            {rest > 0.01 && <span className="note"> and {writeNumber(rest * 100, 0)} % of one more: a short pack</span>}
            {rest < -0.01 && <span className="note"> not quite: {writeNumber(bound.days * 100, 0)} % of it</span>}
          </button>
        </li>
        <li>
          <button type="button" onClick={() => onBind({ by: 'weight', weight: `${Math.round(bound.finished)} g` })}>
            <b>{writeSum(bound.finished)}</b> finished
          </button>{' '}
          <Why of={bound.explanation} about="the finished food" />
        </li>
        {filled && size.ok && (
          <li>
            <button type="button" onClick={() => onBind({ by: 'containers', count: String(Math.max(1, filled.all)) })}>
              <b>
                {filled.all} {filled.all === 1 ? 'container' : 'containers'}
              </b>{' '}
              of {writeGrams(size.value)}
              {filled.all > filled.full && <span className="note"> the last with {writeGrams(filled.left)}</span>}
            </button>
          </li>
        )}
        <li>
          <button
            type="button"
            onClick={() => onBind({ by: 'at hand', line, atHand: `${Math.round(bound.bought[line]!)} g` })}
          >
            <b>{writeSum(bound.bought[line]!)}</b> of{' '}
            {recipe.written[line]!.preparation ?? recipe.written[line]!.source.food.name}
          </button>
        </li>
      </ul>
      {!recipe.measuredPot && <p className="note">No pot of it was weighed yet: a tenth is taken to boil away.</p>}
    </section>
  );
}
