import { Fold } from '@/ui/Fold';
import { Why } from '@/ui/Why';
import type { PlanResult } from '@/core/plan/result';
import { alike, type DogCheck, type SwapEffect } from '@/core/plan/dog-checks';
import { sum } from '@/core/plan/scale';
import { writeNumber } from '@/core/quantity/write';
import type { Hatch } from '@/core/recipe/protein';
import { DogBadge } from '@/ui/badges/badges';
import { NeedBars } from './NeedBars';
import styles from './plans.module.css';
import type { ThePlan } from './use-plan';
import { nth, sure } from '@/core/sure';

/** So many nutrients are named before the rest is a number. */
const NAMED = 3;

const named = (nutrients: readonly string[]) =>
  nutrients.length > NAMED
    ? `${nutrients.slice(0, NAMED).join(', ')} and ${nutrients.length - NAMED} more`
    : nutrients.join(', ');

/** What each dog gets of the plan, and whether it is enough of everything. */
export function DogsInPlan({
  plan,
  result,
  hatch,
  effect,
}: {
  plan: ThePlan;
  result: PlanResult;
  hatch: Hatch;
  effect: SwapEffect | undefined;
}) {
  // The checks come a moment later than the figures, and may still be of other dogs.
  const has = (dogId: number) => result.needs.some((need) => need.dogId === dogId);
  const checks = plan.checks.filter((check) => has(check.dogId));
  const groups = [
    ...alike(checks).map((own) => ({
      needs: result.needs.filter((need) => own.some((check) => check.dogId === need.dogId)),
      check: own[0],
    })),
    ...result.needs
      .filter((need) => !checks.some((check) => check.dogId === need.dogId))
      .map((need) => ({ needs: [need], check: undefined })),
  ];
  return (
    <section aria-labelledby="dogs-in-plan" className={styles.dogs}>
      <h2 id="dogs-in-plan">For each dog</h2>
      <ul className="rows">
        {groups.map((group) => (
          <li key={nth(group.needs, 0).dogId} className={styles.need}>
            {group.needs.map((need) => {
              const dog = sure(result.read.dogs.find((each) => each.id === need.dogId));
              return (
                <div key={dog.id} className={styles.needOf}>
                  <DogBadge letters={dog.letters} badge={dog.badge} size={32} />
                  <span>
                    {dog.name}
                    {dog.biteSize && <span className="note"> {dog.biteSize}</span>}
                  </span>
                  <b>{writeNumber(sum(need.byDay), 0)} kcal</b>
                </div>
              );
            })}
            {group.check && <Check check={group.check} />}
          </li>
        ))}
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
      <Fold title="Day by day">
        <NeedBars needs={result.needs} hatch={hatch} />
        <p className="note">a bar a day, a layer a dog, {result.needs[0]?.name} at the bottom</p>
      </Fold>
    </section>
  );
}

/** What the food is short of or has too much of, for dogs that it is the same for. */
function Check({ check }: { check: DogCheck }) {
  return (
    <p className="note">
      {check.fit && (
        <span className={check.fit.isTooMuch ? 'danger' : 'caution'}>
          {check.fit.said} <Why of={check.fit.why} about={`${check.name}’s fullest meal`} /> ·{' '}
        </span>
      )}
      {check.over.length > 0 && <span className="danger">too much {named(check.over)} · </span>}
      {check.perhapsOver.length > 0 && <span className="danger">perhaps too much {named(check.perhapsOver)} · </span>}
      {check.short.length > 0 && <span className="caution">short of {named(check.short)}</span>}
      {check.short.length > 0 && check.perhaps.length > 0 && ' · '}
      {check.perhaps.length > 0 && <span className="caution">perhaps short of {named(check.perhaps)}</span>}
      {check.short.length + check.perhaps.length === 0 && <span className="inOrder">nothing known to be short</span>}
      {check.low.length > 0 && <span className="caution"> · on this ration low: {named(check.low)}</span>}
      {check.energyUnknown.length > 0 && (
        <span className="caution"> · at the most, for the energy of {named(check.energyUnknown)} is unknown</span>
      )}
      {check.unknown.length > 0 && ` · unknown: ${named(check.unknown)}`} · {check.profile}
    </p>
  );
}
