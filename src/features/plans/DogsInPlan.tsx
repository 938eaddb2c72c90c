import type { PlanAnswer } from '@/core/plan/answer';
import type { SwapEffect } from '@/core/plan/dog-checks';
import { sum } from '@/core/plan/scale';
import { writeNumber } from '@/core/quantity/write';
import type { Hatch } from '@/core/recipe/protein';
import { DogMark } from '@/ui/marks/marks';
import { NeedBars } from './NeedBars';
import styles from './plans.module.css';
import type { ThePlan } from './use-plan';

/** So many nutrients are named before the rest is a number. */
const NAMED = 3;

const named = (nutrients: readonly string[]) =>
  nutrients.length > NAMED
    ? `${nutrients.slice(0, NAMED).join(', ')} and ${nutrients.length - NAMED} more`
    : nutrients.join(', ');

/** What each dog gets of the plan, and whether it is enough of everything. */
export function DogsInPlan({
  plan,
  answer,
  hatch,
  effect,
}: {
  plan: ThePlan;
  answer: PlanAnswer;
  hatch: Hatch;
  effect: SwapEffect | undefined;
}) {
  return (
    <section aria-labelledby="dogs-in-plan" className={styles.dogs}>
      <h2 id="dogs-in-plan">For each dog</h2>
      <ul className="rows">
        {answer.needs.map((need) => {
          const dog = answer.read.dogs.find((each) => each.id === need.dogId)!;
          const check = plan.checks.find((each) => each.dogId === need.dogId);
          return (
            <li key={need.dogId} className={styles.need}>
              <DogMark name={dog.name} mark={dog.mark} size={32} />
              <div>
                {dog.name}
                {dog.cut && <span className="note"> {dog.cut}</span>}
                {check && (
                  <p className="note">
                    {check.over.length > 0 && <span className="danger">too much {named(check.over)} · </span>}
                    {check.short.length > 0 ? (
                      <span className="caution">short of {named(check.short)}</span>
                    ) : (
                      <span className="inOrder">nothing known to be short</span>
                    )}
                    {check.low.length > 0 && <span className="caution"> · on its ration low: {named(check.low)}</span>}
                    {check.unknown.length > 0 && ` · unknown: ${named(check.unknown)}`} · {check.profile}
                  </p>
                )}
              </div>
              <b>{writeNumber(sum(need.byDay), 0)} kcal</b>
            </li>
          );
        })}
      </ul>
      {effect && (
        <p className="note" role="status">
          The swap changes the weight by {writeNumber(effect.weight * 100, 1)} %.{' '}
          {effect.dogs
            .filter((dog) => dog.worse.length + dog.better.length > 0)
            .map((dog) =>
              [
                ...(dog.worse.length > 0 ? [`${dog.name} is now ${named(dog.worse)}`] : []),
                ...(dog.better.length > 0 ? [`${dog.name} is no longer ${named(dog.better)}`] : []),
              ].join('; '),
            )
            .join('. ')}
        </p>
      )}
      <details>
        <summary>Day by day</summary>
        <NeedBars needs={answer.needs} hatch={hatch} />
        <p className="note">a bar a day, a layer a dog, {answer.needs[0]?.name} at the bottom</p>
      </details>
    </section>
  );
}
