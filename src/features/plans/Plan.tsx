'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { readLocalDate, writeDay } from '@/core/calendar/local-date';
import { scaledForKitchen } from '@/core/plan/drift';
import { bindPlan, daySums, explainScale, wholeDays } from '@/core/plan/bind';
import { readBinding } from '@/core/plan/binding-entry';
import { lastDay, needsOf, sum } from '@/core/plan/scale';
import { ALONE, choicesOf, everyLine, linesAt, takenLines, type At } from '@/core/recipe/bases';
import { writeGrams, writeNumber, writeSum } from '@/core/quantity/write';
import { whatStops } from '@/core/plan/stops';
import { pouredWater, recipeSheet } from '@/core/recipe/sheet';
import { sayWhatGoes } from '@/core/recipe/written';
import { Caution, STANDING_CAUTION } from '@/ui/Caution';
import { Choice } from '@/ui/form/Choice';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { DogMark, ProteinSwatch } from '@/ui/marks/marks';
import { EmptyRoom } from '@/ui/room';
import { useHydrated } from '@/ui/use-hydrated';
import { Why } from '@/ui/Why';
import { planBatch } from './actions';
import { NeedBars } from './NeedBars';
import styles from './plans.module.css';
import type { PlanView } from './queries';
import { SaidOtherwise } from './SaidOtherwise';
import { Sentence, type Typed } from './Sentence';

/** One sentence with holes; everything under it follows while it is filled in. */
export function Plan({ view, first }: { view: PlanView; first: number | undefined }) {
  const router = useRouter();
  const [typed, setTyped] = useState<Typed>({
    recipeId: view.recipes.find((recipe) => recipe.id === first)?.id ?? view.recipes[0]?.id ?? 0,
    dogIds: view.dogs.map((dog) => dog.id),
    firstDay: view.tomorrow,
    binding: { by: 'days', days: '7', weight: '5 kg', count: '10', size: '450 g', line: 0, atHand: '1 kg' },
  });
  const { recipeId, dogIds, firstDay } = typed;
  const [seenFor, setSeenFor] = useState<number>();
  const seen = seenFor === recipeId;
  const [chosenLines, setChosenLines] = useState<Readonly<Record<number, Readonly<Record<string, number>>>>>({});
  const hydrated = useHydrated();
  const plan = useCommand(planBatch, 'plan', ({ batchId }) => router.push(`/batches/${batchId}`));
  if (view.dogs.length === 0 || view.recipes.length === 0) return <NotYet needsDog={view.dogs.length === 0} />;

  const recipe = view.recipes.find((each) => each.id === recipeId)!;
  const day = readLocalDate(firstDay);
  const chosen = view.dogs.filter((dog) => dogIds.includes(dog.id));
  const choices = [...choicesOf(recipe.written)];
  const binding = readBinding(typed.binding);
  const dayProblem = firstDayProblem(day, view.today);
  const bound =
    binding.ok && day && !dayProblem
      ? bindPlan(
          {
            written: recipe.written,
            dogs: chosen.length,
            sums: daySums(chosen, day, recipeId),
            factors: view.factors,
            choices: chosenLines[recipeId] ?? {},
            kept: recipe.kept,
          },
          binding.value,
        )
      : undefined;
  const days = bound?.ok ? wholeDays(bound.value.days) : 0;
  const needs = bound?.ok && day ? needsOf(chosen, day, days, recipeId) : [];
  const at: At = bound?.ok ? bound.value.at : ALONE;
  const takes = takenLines(recipe.written, at);
  const sheet = recipeSheet(linesAt(recipe.written, at), view.factors);
  const said = !binding.ok ? binding.problem : (dayProblem ?? (bound && !bound.ok ? bound.problem : undefined));
  const { stops, warns, cautions } = whatStops(
    everyLine(recipe.written, chosenLines[recipe.id] ?? {}),
    chosen,
    view.hazards,
    (ndb) => view.names[ndb],
  );
  const problems = said ? [said, ...plan.problems] : plan.problems;
  const scaled = bound?.ok
    ? scaledForKitchen(
        takes.map((take) => take.written),
        takes.map((take) => take.bought),
        view.set,
        view.factors,
      )
    : undefined;

  return (
    <div className="page">
      <h1 className="away">Plan a batch</h1>
      <Sentence view={view} typed={typed} wrong={said?.field} onChange={setTyped} />
      <Problems problems={[...problems, ...stops]} />
      {warns.map((warning) => (
        <Caution key={warning}>{warning}</Caution>
      ))}
      {bound?.ok && scaled && day && (
        <SaidOtherwise
          bound={bound.value}
          recipe={recipe}
          binding={typed.binding}
          onBind={(change) => setTyped({ ...typed, binding: { ...typed.binding, ...change } })}
        />
      )}
      {bound?.ok && scaled && day && (
        <div className={`twoColumns ${styles.below}`}>
          <section aria-labelledby="goes-in" className="stack">
            <div className="spread">
              <h2 id="goes-in">What goes in</h2>
              <p>
                the recipe × <b>{at.scale.toFixed(4)}</b>{' '}
                <Why of={explainScale(needs, bound.value)} about="the scale" />
              </p>
            </div>
            {choices.map(([choice, places]) => (
              <Choice
                key={choice}
                label={choice}
                value={String(chosenLines[recipe.id]?.[choice] ?? places[0])}
                options={places.map((place) => ({
                  value: String(place),
                  label: recipe.written[place]!.preparation ?? recipe.written[place]!.source.food.name,
                }))}
                onChange={(place) =>
                  setChosenLines({
                    ...chosenLines,
                    [recipe.id]: { ...chosenLines[recipe.id], [choice]: Number(place) },
                  })
                }
              />
            ))}
            <ul className={styles.lines}>
              {takes.map(({ written }, index) => (
                <li key={index}>
                  <span>
                    {written.source.food.name}
                    {sayWhatGoes(written) && <span className="note"> · {sayWhatGoes(written)}</span>}
                  </span>
                  <span className="soft">{scaled.lines[index]!.measure}</span>
                  <b>{writeGrams(scaled.lines[index]!.grams)}</b>
                </li>
              ))}
            </ul>
            {scaled.drift !== undefined && (
              <Caution>
                Measured in cups and spoons the batch would hold {Math.abs(scaled.drift * 100).toFixed(1)} %{' '}
                {scaled.drift > 0 ? 'more' : 'less'} energy: weigh what you can.
              </Caution>
            )}
            {cautions.length > 0 && (
              <div className={styles.cautions}>
                <ul>
                  {cautions.map((hazard) => (
                    <li key={hazard.id}>
                      <b>{hazard.name}</b>: {hazard.why}
                    </li>
                  ))}
                </ul>
                <label>
                  <Checkbox checked={seen} onChange={(_, on) => setSeenFor(on ? recipeId : undefined)} /> Seen, and we
                  go on
                </label>
              </div>
            )}
          </section>
          <section aria-labelledby="comes-to" className="stack">
            <h2 id="comes-to">What that comes to</h2>
            <p>
              <span className="figure">{writeNumber(sum(needs.map((need) => sum(need.byDay))), 0)}</span> kcal to{' '}
              {writeDay(lastDay(day, days))}
            </p>
            <NeedBars needs={needs} hatch={recipe.mark.hatch} />
            <p className="note">a bar a day, a layer a dog, {needs[0]!.name} at the bottom</p>
            <ul className="rows">
              {needs.map((need) => {
                const dog = chosen.find((each) => each.id === need.dogId)!;
                return (
                  <li key={need.dogId} className={styles.need}>
                    <DogMark name={dog.name} mark={dog.mark} size={32} />
                    <span>
                      {dog.name}
                      {dog.cut && <span className="note"> {dog.cut}</span>}
                    </span>
                    <b>{writeNumber(sum(need.byDay), 0)} kcal</b>
                  </li>
                );
              })}
            </ul>
            <p className="soft">
              <ProteinSwatch mark={recipe.mark} /> · {writeSum(sheet.food)} of food and {writeSum(pouredWater(sheet))}{' '}
              of water in the pot
            </p>
            <Button
              variant="contained"
              size="large"
              fullWidth
              disabled={!hydrated || plan.pending || stops.length > 0 || (cautions.length > 0 && !seen)}
              onClick={() =>
                plan.run({
                  recipeId,
                  dogIds: [...dogIds],
                  binding: binding.ok ? binding.value : { by: 'days', days },
                  firstDay,
                  seen: cautions.map((hazard) => hazard.id),
                  choices: chosenLines[recipe.id],
                })
              }
            >
              Start cook day
            </Button>
          </section>
        </div>
      )}
      <div className={styles.caution}>
        {[...new Set(chosen.flatMap((dog) => dog.caution ?? []))].map((caution) => (
          <Caution key={caution}>
            <b>
              {chosen
                .filter((dog) => dog.caution === caution)
                .map((dog) => dog.name)
                .join(', ')}
              :
            </b>{' '}
            {caution}
          </Caution>
        ))}
        <Caution>{STANDING_CAUTION}</Caution>
      </div>
    </div>
  );
}

function firstDayProblem(day: string | undefined, today: string) {
  if (!day) return { field: 'firstDay', message: 'From which day will they eat it?' };
  return day < today ? { field: 'firstDay', message: 'The first feeding day has passed.' } : undefined;
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
