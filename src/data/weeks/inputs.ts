import 'server-only';
import { addUp } from '@/core/add-up';
import { clockIn } from '@/core/calendar/local-date';
import { workOutPlan } from '@/core/plan/result';
import { nth } from '@/core/sure';
import { readWeeks, type ReadWeeks, type WeeksInputs } from '@/core/weeks/from-house';
import { usualAsk, type WeeksAsk } from '@/core/weeks/ask';
import { alwaysOf } from '@/core/weeks/meals-apart';
import { weeksDryers } from './dryers';
import { readAhead, type Ahead } from '../ahead';
import { now } from '../clock';
import { readProteins, type Page } from '../page';
import { readInPots } from '../repositories/in-pots';
import { readPlanInputs } from '../repositories/plan-inputs';
import { readPlans, type StoredPlan } from '../repositories/plans';
import { readPrices } from '../repositories/prices';
import { OPEN_PLANS } from '../repositories/promised';
import { readStoredWeeks, type StoredWeeks } from '../repositories/weeks';

type Here = Pick<Page, 'db' | 'reference' | 'household' | 'today'>;

/** The most days that weeks can have. */
const MOST_DAYS = 84;

export interface WeeksHouse {
  readonly inputs: WeeksInputs;
  readonly ahead: Ahead;
  readonly stored: StoredWeeks;
  readonly ask: WeeksAsk;
  readonly read: ReadWeeks;
  /** Plans that may still be cooked, and those of them that the weeks may change: made of them, and not touched since. */
  readonly open: readonly StoredPlan[];
  readonly free: ReadonlySet<number>;
}

/** Everything that the weeks stand on, as it is now. `ask` is what is typed; else what was asked last. */
export async function readWeeksHouse(here: Here, typed?: WeeksAsk): Promise<WeeksHouse> {
  const { db, reference, household, today } = here;
  const plan = await readPlanInputs({ tx: db, reference, household, today });
  const ahead = await readAhead({ ...here, clock: clockIn(now(), household.timeZone) });
  const proteins = await readProteins(here);
  const prices = await readPrices(db, reference);
  const stored = await readStoredWeeks(db);
  const open = (await readPlans(db, OPEN_PLANS)).filter((each) => each.open && each.entry);
  const inputs: WeeksInputs = {
    plan,
    prices,
    needs: new Map(
      ahead.meals.map(({ dogId, mealsOn }) => [
        dogId,
        Array.from({ length: MOST_DAYS }, (_, day) => addUp(mealsOn(day), ({ kcal }) => kcal)),
      ]),
    ),
    always: new Map(ahead.meals.map(({ dogId, mealsOn }) => [dogId, alwaysOf(mealsOn, MOST_DAYS)])),
    sources: ahead.sources.map((source) => ({
      ...source,
      word: proteins.get(source.recipeId ?? NaN)?.word ?? 'plants',
    })),
    dryers: await weeksDryers(here, now()),
    planned: [
      // What is in the pot now is cooked today, whoever planned it.
      ...(await readInPots(db, household.energyFactors, now())).map(({ batchId, recipeId, kcal }) => ({
        planId: -batchId,
        day: today,
        batches: [{ recipeId, kcal }],
        isInPot: true as const,
      })),
      ...open.flatMap(({ id, entry, cookDay }) => {
        if (!entry) return [];
        // A plan of an earlier day cooks nothing any more: it is named, and moved or put away by the cook.
        if (cookDay < today)
          return [{ planId: id, day: cookDay, batches: entry.batches.map(({ recipeId }) => ({ recipeId, kcal: 0 })) }];
        const result = workOutPlan(plan, entry);
        if (!result.ok) return [];
        return [
          {
            planId: id,
            day: cookDay,
            batches: result.value.batches.map(({ read }, at) => ({
              recipeId: read.recipeId,
              kcal: nth(result.value.batches, at).bound.figures.kcal,
            })),
          },
        ];
      }),
    ],
  };
  const taken = new Map(stored.taken.map((each) => [each.planId, each.entry]));
  const free = new Set(open.filter(({ id, entry }) => taken.get(id) === JSON.stringify(entry)).map(({ id }) => id));
  const usual = usualAsk(
    plan.dogs.map(({ id }) => id),
    plan.recipes.map(({ id }) => id),
    household.proteinDays ?? undefined,
  );
  const ask = typed ?? (stored.ask ? stillHere(stored.ask, usual) : usual);
  const fixed = new Set(inputs.planned.map(({ planId }) => planId).filter((id) => !free.has(id)));
  return { inputs, ahead, stored, ask, read: readWeeks(inputs, ask, fixed), open, free };
}

/** What was asked, without dogs and recipes that are not here any more. */
function stillHere(ask: WeeksAsk, usual: WeeksAsk): WeeksAsk {
  return {
    ...ask,
    dogIds: ask.dogIds.filter((id) => usual.dogIds.includes(id)),
    recipeIds: ask.recipeIds.filter((id) => usual.recipeIds.includes(id)),
  };
}
