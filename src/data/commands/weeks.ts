import 'server-only';
import { eq } from 'drizzle-orm';
import { addDays, type LocalDate } from '@/core/calendar/local-date';
import { plainPlan, type PlanEntry } from '@/core/plan/plan-entry';
import type { WeeksAsk, WeeksKept } from '@/core/weeks/ask';
import { dogOfEater, dogsAmong } from '@/core/weeks/meals-apart';
import { recipeKey } from '@/core/weeks/weeks';
import { weeks } from '../schema/household';
import { ifRead } from '../schema/kept-json';
import { plan } from '../schema/batches';
import { writeWeeks } from '../repositories/weeks';
import { readWeeksHouse, type WeeksHouse } from '../weeks/inputs';
import { putAway } from './away';
import { savePlan } from './plans';
import { Refusal, refuse, type Context } from './run';

/** What is asked of the weeks is written down; what was read wrongly is said at its field. */
export async function askWeeks(context: Context, { ask }: { ask: WeeksAsk }): Promise<WeeksHouse> {
  const house = await readWeeksHouse({ ...context, db: context.tx }, ask);
  if (house.read.problems.length > 0) throw new Refusal(...house.read.problems);
  await writeWeeks(context.tx, ask, {});
  return house;
}

/** What was solved is kept, with the answer before it. */
export async function keepWeeks(context: Context, { answer }: { answer: WeeksKept }): Promise<void> {
  const { tx, now } = context;
  const [row] = await tx.select().from(weeks);
  if (!row) return refuse('Nobody has asked for these weeks.');
  await tx
    .update(weeks)
    .set({ answer, before: ifRead(row.answer) ?? null, solvedAt: now })
    .where(eq(weeks.id, 1));
}

/** One pot of the weeks as a plan. */
interface Wanted {
  readonly day: LocalDate;
  readonly recipeId: number;
  readonly potfuls: number;
  readonly entry: PlanEntry;
}

/** The pots of the answer that no other plan cooks already, from today on. */
function wantedOf({ stored, read, inputs, free }: WeeksHouse, seen: readonly string[]): Wanted[] {
  const { plan: planInputs } = inputs;
  const answer = stored.answer;
  if (!answer) return [];
  const others = inputs.planned.filter(({ planId }) => !free.has(planId));
  return answer.cooks.flatMap(({ day, pots }): Wanted[] =>
    day < planInputs.today
      ? []
      : pots.flatMap(({ recipeId, potfuls }): Wanted[] => {
          const recipe = read.problem.recipes.find((each) => each.recipeId === recipeId);
          const planned = others
            .filter((each) => each.day === day)
            .flatMap(({ batches }) => batches.filter((each) => each.recipeId === recipeId))
            .reduce((sum, { kcal }) => sum + kcal / (recipe?.kcal ?? kcal), 0);
          const count = Math.round(potfuls - planned);
          if (!recipe || count < 1) return [];
          const eaters = eatersOf(answer, recipeId, day as LocalDate);
          const { dogIds, firstDay } = eaters ?? {
            dogIds: dogsAmong(read.problem.dogs.filter(({ eats }) => eats.includes(recipeId))),
            firstDay: addDays(day as LocalDate, 1),
          };
          return [
            {
              day: day as LocalDate,
              recipeId,
              potfuls: count,
              entry: plainPlan(
                recipeId,
                dogIds,
                firstDay,
                { cookDay: day, seen: [...seen], binding: { by: 'potfuls', count: String(count) } },
                planInputs.set,
              ),
            },
          ];
        }),
  );
}

/** Who eats of a recipe from a cook day until it is cooked again, and from which day on; undefined: nobody within these weeks. */
function eatersOf(answer: WeeksKept, recipeId: number, day: LocalDate) {
  const next =
    answer.cooks.find((each) => each.day > day && each.pots.some((pot) => pot.recipeId === recipeId))?.day ?? '9';
  const key = recipeKey(recipeId);
  const first = new Map<number, LocalDate>();
  for (const [dogId, keys] of Object.entries(answer.eats))
    keys.forEach((each, index) => {
      const on = addDays(answer.from as LocalDate, index);
      const own = dogOfEater(Number(dogId));
      if (each === key && on > day && on <= next && on < (first.get(own) ?? '9')) first.set(own, on);
    });
  const firstDay = [...first.values()].sort()[0];
  return firstDay === undefined ? undefined : { dogIds: [...first.keys()], firstDay };
}

/**
 * The cook days become plans: those that were made of earlier weeks and not touched since are changed, what is not cooked any more goes.
 * Plans of the cook's own stay as they are.
 */
export async function takeWeeks(
  context: Context,
  { seen, solvedAt }: { seen: readonly string[]; solvedAt: string },
): Promise<{ planIds: number[]; dropped: number }> {
  const house = await readWeeksHouse({ ...context, db: context.tx });
  const { stored, open, free } = house;
  if (!stored.answer) refuse('Nothing is solved yet: solve the weeks first.');
  if (stored.solvedAt?.toISOString() !== solvedAt)
    refuse('These weeks were solved anew meanwhile. Look at them, then take them.');
  const left = open.filter(({ id }) => free.has(id));
  const of = (each: (typeof left)[number]) => each.entry?.batches[0]?.recipeId;
  const taken: { planId: number; entry: string }[] = [];
  const wanted = wantedOf(house, seen);
  const claim = (fits: (each: (typeof left)[number]) => boolean) => {
    const at = left.findIndex(fits);
    return at === -1 ? undefined : left.splice(at, 1)[0]?.id;
  };
  const claimed = wanted.map((pot) => claim((each) => of(each) === pot.recipeId && each.cookDay === pot.day));
  for (const [at, pot] of wanted.entries()) {
    const planId = claimed[at] ?? claim((each) => of(each) === pot.recipeId);
    const kept = await savePlan(context, planId === undefined ? { entry: pot.entry } : { entry: pot.entry, planId });
    const [row] = await context.tx.select({ entry: plan.entry }).from(plan).where(eq(plan.id, kept.planId));
    taken.push({ planId: kept.planId, entry: JSON.stringify(row?.entry ?? pot.entry) });
  }
  for (const { id } of left) await putAway(context, { kind: 'plan', id, away: true });
  await writeWeeks(context.tx, house.ask, { taken });
  return { planIds: taken.map(({ planId }) => planId), dropped: left.length };
}
