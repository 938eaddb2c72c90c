'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useRef, useState } from 'react';
import { sayFits } from '@/core/dog/stomach';
import { isVessel } from '@/core/plan/equipment';
import type { PlanEntry } from '@/core/plan/plan-entry';
import { writeDay } from '@/core/calendar/local-date';
import { mustBeSeen, seriousIn, swapEffect } from '@/core/plan/dog-checks';
import { writeMinutes } from '@/core/plan/stove';
import { writeDensity } from '@/core/quantity/write';
import type { Hazard } from '@/core/recipe/hazards';
import { Caution, STANDING_CAUTION } from '@/ui/Caution';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { LinkButton } from '@/ui/LinkButton';
import { EmptyRoom } from '@/ui/room';
import { UnreadList } from '@/ui/Unread';
import { Why } from '@/ui/Why';
import { putAway, savePlan } from './actions';
import { BatchLines } from './BatchLines';
import { DogsInPlan } from './DogsInPlan';
import { OtherPlans } from './OtherPlans';
import { PlanAnswer } from './PlanAnswer';
import styles from './plans.module.css';
import type { PlanView } from './queries';
import { Rounding } from './Rounding';
import { Sentence } from './Sentence';
import { ShoppingList } from './ShoppingList';
import { usePlan } from './use-plan';
import { AllBindings } from './AllBindings';
import { nth, sure } from '@/core/sure';

/** One sentence with holes; everything under it follows while it is filled in. */
export function PlanRoom({ view, first }: { view: PlanView; first?: number }) {
  const router = useRouter();
  const plan = usePlan(view, first);
  const { inputs, entry, result, shown, standing, change } = plan;
  const [kept, setKept] = useState(false);
  const keep = useCommand(savePlan, 'plan', ({ planId }, { entry: stored }) => {
    plan.forget(stored);
    setKept(true);
    if (planId !== view.keptId) router.push(`/plan/${planId}`);
  });
  const [started, setStarted] = useState<PlanEntry>();
  const start = useCommand(savePlan, 'start-plan', ({ batchIds }, { entry: stored }) => {
    setStarted(stored);
    router.push(`/batches/${batchIds[0]}`);
  });
  // The plan stays on the screen until the sheet is there, and is let go then.
  const letGo = useRef(plan.forget);
  useEffect(() => {
    letGo.current = plan.forget;
  });
  useEffect(() => () => (started ? letGo.current(started) : undefined), [started]);
  const drop = useCommand(putAway, `drop-plan-${view.keptId ?? 0}`, () => router.push('/plan'));
  const checks = plan.checks.filter((check) => entry.dogIds.includes(check.dogId));
  const cautions = [
    ...(result.ok ? mustBeSeen(inputs, entry.lessStock, result.value, checks) : seriousIn(checks)),
    ...(standing?.cautions ?? []),
  ];
  const seen = cautions.every((caution) => entry.seen.includes(caution.id));
  const effect = useMemo(
    () => (result.ok ? swapEffect(inputs, entry, result.value) : undefined),
    [inputs, entry, result],
  );
  if (inputs.dogs.length === 0 || inputs.recipes.length === 0)
    return (
      <>
        <UnreadList things={view.unread} />
        <NotYet needsDog={inputs.dogs.length === 0} />
      </>
    );

  const problems = [
    ...(result.ok ? [] : [result.problem]),
    ...(standing?.stops ?? []),
    ...keep.problems,
    ...start.problems,
    ...drop.problems,
  ];
  const tooMuch = sayFits(checks.flatMap(({ fit }) => (fit?.isTooMuch ? [fit] : [])));
  const input = { entry, ...(view.keptId ? { planId: view.keptId } : {}) };
  const blocked =
    keep.pending || start.pending || started !== undefined || !result.ok || (standing?.stops.length ?? 0) > 0 || !seen;
  const cause = !result.ok
    ? 'The sentence at the top cannot be read yet.'
    : (standing?.stops.length ?? 0) > 0
      ? 'What stands in its way is said at the top.'
      : !seen
        ? 'First look at what is said above, and tick it.'
        : undefined;
  return (
    <div className="page">
      <h1 className="away">{view.keptId ? 'A kept plan' : 'Plan a batch'}</h1>
      <Sentence plan={plan} wrong={result.ok ? undefined : result.problem.field} />
      <Problems problems={problems} />
      <UnreadList things={view.unread} />
      {checks.map(({ dogId, name, serious: far, growth }) => {
        const said = far ?? growth;
        return (
          said !== undefined && (
            <Caution key={dogId} danger={far !== undefined} className={far ? styles.serious : undefined} role="status">
              <b>{name}</b> {said} A vet or a nutritionist first.
            </Caution>
          )
        );
      })}
      {tooMuch && (
        <Caution danger role="status">
          {tooMuch.said} <Why of={tooMuch.why} about="the fullest meal of it" />
        </Caution>
      )}
      {standing?.warns.map((warning) => (
        <Caution key={warning}>{warning}</Caution>
      ))}
      {result.ok && result.value.finished.energyUnknown.length > 0 && (
        <Caution>
          The energy of {result.value.finished.energyUnknown.join(', ')} is unknown: every amount here is at most what
          is needed. Enter its label.
        </Caution>
      )}
      {result.ok && result.value.unfilled.length > 0 && (
        <Caution>Not filled by this plan: {result.value.unfilled.join(', ')}.</Caution>
      )}
      {shown && (
        <div className={`twoColumns ${styles.below} ${result.ok ? '' : styles.stale}`} inert={!result.ok}>
          <div className={`stack ${styles.top}`}>
            <PlanAnswer result={shown} today={inputs.today} />
            <AllBindings
              hasVessel={inputs.equipment.some(isVessel)}
              rows={plan.bindings}
              hatch={nth(shown.batches, 0).read.of.protein.hatch}
              onBind={plan.bind}
            />
            <Rounding result={shown} taken={entry.rounded} onTake={(rounded) => change({ rounded })} />
            <p className={styles.asides}>
              <span>
                {shown.finished.energyUnknown.length > 0 && 'at least '}
                <b>{writeDensity(shown.finished.density.perGram)} kcal/g</b> expected{' '}
                <Why of={shown.finished.density.explanation} about="the expected energy" />
              </span>
              <span>
                at the stove <b>{shown.stove.minutes === undefined ? 'unknown' : writeMinutes(shown.stove.minutes)}</b>
                {shown.stove.unknown.length > 0 && (
                  <span className="note"> no minutes at {shown.stove.unknown.join(', ')}</span>
                )}{' '}
                <Why of={shown.stove.explanation} about="the time at the stove" />
              </span>
              {shown.keeping.bestUntil && (
                <span className="caution">
                  past its best in the freezer after {writeDay(shown.keeping.bestUntil, inputs.today)}
                </span>
              )}
            </p>
          </div>
          <div className={`stack ${styles.more}`}>
            <section aria-labelledby="goes-in">
              <h2 id="goes-in">What goes in</h2>
              {shown.batches.map((batch, place) => (
                <BatchLines key={batch.read.recipeId} plan={plan} batch={batch} place={place} days={shown.bound.days} />
              ))}
            </section>
            <DogsInPlan
              plan={plan}
              result={shown}
              hatch={nth(shown.batches, 0).read.of.protein.hatch}
              effect={effect}
            />
          </div>
          <div className={`stack ${styles.side}`}>
            <ShoppingList
              items={shown.shopping}
              cookDay={shown.read.cookDay}
              today={inputs.today}
              planId={view.keptId}
              said={view.items}
              house={view.house}
              uncounted={shown.batches.flatMap(({ read }) => read.of.uncounted.map(({ text }) => text))}
            />
            <Cautions cautions={cautions} seen={seen} onSeen={(ids) => change({ seen: ids })} />
            <Button
              variant="contained"
              size="large"
              fullWidth
              data-next-act
              disabled={blocked}
              onClick={() => start.run(input)}
            >
              Start cook day
            </Button>
            <Button variant="outlined" size="large" fullWidth disabled={blocked} onClick={() => keep.run(input)}>
              {view.keptId ? 'Keep it as it is now' : 'Keep the plan'}
            </Button>
            {cause && <p className="note">{cause}</p>}
            <p role="status">{kept && !plan.typed && <span className="inOrder">Kept.</span>}</p>
            {view.keptId && (
              <div className={styles.acts}>
                <LinkButton variant="text" href={`/plan/${view.keptId}/list`}>
                  List for the phone
                </LinkButton>
                <LinkButton variant="text" href={`/plan/${view.keptId}/print`}>
                  On paper
                </LinkButton>
                <LinkButton variant="text" href={`/plan?copy=${view.keptId}`}>
                  Copy it
                </LinkButton>
                <Button
                  variant="text"
                  disabled={drop.pending}
                  onClick={() => drop.run({ kind: 'plan', id: sure(view.keptId), away: true })}
                >
                  Put it away
                </Button>
              </div>
            )}
          </div>
        </div>
      )}
      <OtherPlans others={view.others} away={view.away} />
      <div className={styles.caution}>
        <Caution>{STANDING_CAUTION}</Caution>
      </div>
    </div>
  );
}

/** What must have been looked at before the plan goes on. */
function Cautions({
  cautions,
  seen,
  onSeen,
}: {
  cautions: readonly Pick<Hazard, 'id' | 'name' | 'why'>[];
  seen: boolean;
  onSeen: (ids: string[]) => void;
}) {
  if (cautions.length === 0) return null;
  return (
    <div className={styles.cautions}>
      <ul>
        {cautions.map((hazard) => (
          <li key={hazard.id}>
            <b>{hazard.name}</b>: {hazard.why}
          </li>
        ))}
      </ul>
      <label>
        <Checkbox checked={seen} onChange={(_, on) => onSeen(on ? cautions.map((hazard) => hazard.id) : [])} /> Seen,
        and we go on
      </label>
    </div>
  );
}

function NotYet({ needsDog }: { needsDog: boolean }) {
  const act = needsDog ? { href: '/dogs/new', label: 'Add a dog' } : { href: '/recipes/new', label: 'Write a recipe' };
  return (
    <EmptyRoom title="Nothing to plan yet" act={act}>
      A plan takes {needsDog ? 'a dog to cook for' : 'a recipe to cook'}: its lines are scaled to exactly what your dogs
      need.
    </EmptyRoom>
  );
}
