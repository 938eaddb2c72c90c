import 'server-only';
import { and, asc, eq, inArray, isNull } from 'drizzle-orm';
import { takeOf } from '@/core/batch/evidence';
import { plainBatch, plainPlan } from '@/core/plan/plan-entry';
import { readLines } from '@/core/recipe/entry';
import type { Mend, UnreadKind } from '@/core/unreadable';
import { readFoodsByKey } from '../repositories/foods';
import { readPlannedLines } from '../repositories/planned';
import { readUnreadVersions, type UnreadVersion } from '../repositories/recipes';
import { batch, plan, planDog } from '../schema/batches';
import { avoid, bowlLine, knownSchool, ration } from '../schema/dogs';
import { ifRead, isUnread } from '../schema/kept-json';
import { component, line, recipe, recipeVersion } from '../schema/recipes';
import { pack, packContent } from '../schema/stock';
import { refreshBatch } from './batch-at-hand';
import { refuse, type Context } from './run';

type Mending = (context: Context, id: number) => Promise<void>;

/** Makes anew what cannot be read, of what is known beside it. Refuses where too little is known, and says what else helps. */
export const mend = (context: Context, { kind, id }: Mend): Promise<void> => MENDING[kind](context, id);

const BACKUP = 'A backup from before has it still: see Household.';

/** Amounts are in the cook's words beside what they were read as: they are read again. */
async function mendRecipe(context: Context, id: number): Promise<void> {
  for (const version of await readUnreadVersions(context.tx, context.reference, id))
    await mendVersion(context, version);
}

async function mendVersion({ tx, reference, household }: Context, { id, entry }: UnreadVersion): Promise<void> {
  await tx
    .update(recipeVersion)
    .set({ preview: entry.preview ?? null })
    .where(eq(recipeVersion.id, id));
  const rows = await tx
    .select({ id: line.id, grams: line.grams, quantity: line.quantity, per: line.per, bone: line.bone })
    .from(line)
    .innerJoin(component, eq(component.id, line.componentId))
    .where(eq(component.versionId, id))
    .orderBy(asc(line.position), asc(line.id));
  const known = await readFoodsByKey(
    tx,
    reference,
    entry.lines.map(({ ndb }) => ndb),
  );
  const { each } = readLines(entry.lines, (key) => known.get(key), household.unitSet);
  for (const [index, row] of rows.entries()) {
    const where = `Line ${index + 1} of ${entry.name}`;
    if (row.grams !== null && entry.lines[index]?.ndb === '')
      refuse(`${where} takes something that cannot be read: mend that first, or open the recipe and choose another.`);
    if (![row.quantity, row.per, row.bone].some(isUnread)) continue;
    const read = each[index];
    if (!read?.ok) return refuse(`${where} cannot be read from its words either. Open the recipe and write it anew.`);
    const { quantity, line: of } = read.value;
    await tx
      .update(line)
      // What can be read stays as it was typed.
      .set({
        ...(isUnread(row.quantity) ? { quantity } : {}),
        ...(isUnread(row.per) ? { per: of.per ?? null } : {}),
        ...(isUnread(row.bone) ? { bone: of.bone ?? null } : {}),
      })
      .where(eq(line.id, row.id));
  }
}

/** A plan's dogs, days and recipes stand beside what was typed; how its recipes share the meals stands nowhere else. */
async function mendPlan({ tx, household }: Context, id: number): Promise<void> {
  const [own] = await tx.select().from(plan).where(eq(plan.id, id));
  if (!own) return refuse('This plan is not here any more.');
  if (!isUnread(own.entry)) return;
  const dogs = await tx.select({ id: planDog.dogId }).from(planDog).where(eq(planDog.planId, id));
  const batches = await tx
    .select({ recipeId: recipeVersion.recipeId, choices: batch.choices, swaps: batch.swaps })
    .from(batch)
    .innerJoin(recipeVersion, eq(recipeVersion.id, batch.versionId))
    .where(and(eq(batch.planId, id), isNull(batch.droppedAt), isNull(batch.parentId)))
    .orderBy(asc(batch.id));
  const entry = plainPlan(
    batches[0]?.recipeId ?? 0,
    dogs.map((each) => each.id),
    own.firstDay,
    {
      cookDay: own.cookDay,
      batches: batches.map(({ recipeId, choices, swaps }) => ({
        ...plainBatch(recipeId),
        ...(choices ? { choices } : {}),
        ...(swaps ? { swaps } : {}),
      })),
      binding: { by: 'days', days: String(own.days) },
    },
    household.unitSet,
  );
  await tx.update(plan).set({ entry }).where(eq(plan.id, id));
}

/** What a batch froze is frozen again from its recipe, as that version is and by the foods' figures of today. */
async function mendBatch(context: Context, id: number): Promise<void> {
  const { tx, reference } = context;
  const [own] = await tx.select().from(batch).where(eq(batch.id, id));
  if (!own) return refuse('This batch is not here any more.');
  if (isUnread(own.evidence)) {
    if (own.byProduct) return refuse(`What was kept of a pot stands nowhere else. ${BACKUP}`);
    const { takes, components } = await readPlannedLines(tx, reference, {
      ...own,
      loads: own.loads ?? [],
      swaps: own.swaps ?? undefined,
    });
    await tx
      .update(batch)
      .set({ evidence: { takes: takes.map(({ written, bought }) => takeOf(written, bought)), components } })
      .where(eq(batch.id, id));
  }
  const contents = await tx
    .select({ id: packContent.id, trays: packContent.trays })
    .from(packContent)
    .where(eq(packContent.batchId, id));
  const wrong = contents.filter(({ trays }) => isUnread(trays)).map((each) => each.id);
  if (wrong.length > 0) await tx.update(packContent).set({ trays: null }).where(inArray(packContent.id, wrong));
  await refreshBatch(context, id);
}

/** Whom a pack was for is let go of: it is for anybody then. What was found in it is said by its code. */
async function mendPack({ tx }: Context, id: number): Promise<void> {
  const [own] = await tx.select().from(pack).where(eq(pack.holdingId, id));
  if (!own) return refuse('This pack is not known.');
  if (isUnread(own.split)) await tx.update(pack).set({ split: null }).where(eq(pack.holdingId, id));
  if (!isUnread(own.found)) return;
  const [of] = await tx
    .select({ id: recipe.id, name: recipe.name })
    .from(recipe)
    .where(eq(recipe.letter, own.code.replace(/\d+$/, '')));
  if (!of) return refuse(`The code ${own.code} says of no recipe what is in it. ${BACKUP}`);
  await tx
    .update(pack)
    .set({ found: { recipeId: of.id, name: of.name, isDated: false } })
    .where(eq(pack.holdingId, id));
}

/** What cannot be read of a dog goes: its need is by the table then, and what was on its lists is to be said again. */
async function mendDog({ tx, today }: Context, id: number): Promise<void> {
  for (const own of await tx.select().from(ration).where(eq(ration.dogId, id)))
    if ([own.method, own.extras, own.transition].some(isUnread))
      await tx
        .update(ration)
        .set({
          method: ifRead(own.method) ?? { kind: 'table' },
          extras: ifRead(own.extras) ?? [],
          transition: ifRead(own.transition) ?? null,
        })
        .where(eq(ration.id, own.id));
  const ended = { endedOn: today };
  for (const own of await tx
    .select()
    .from(avoid)
    .where(and(eq(avoid.dogId, id), isNull(avoid.endedOn))))
    if (isUnread(own.what)) await tx.update(avoid).set(ended).where(eq(avoid.id, own.id));
  for (const own of await tx
    .select()
    .from(bowlLine)
    .where(and(eq(bowlLine.dogId, id), isNull(bowlLine.endedOn))))
    if (isUnread(own.rule)) await tx.update(bowlLine).set(ended).where(eq(bowlLine.id, own.id));
  for (const own of await tx.select().from(knownSchool).where(eq(knownSchool.dogId, id)))
    if (isUnread(own.school)) await tx.delete(knownSchool).where(eq(knownSchool.id, own.id));
}

const MENDING: Readonly<Record<UnreadKind, Mending>> = {
  supply: () => refuse('A label stands nowhere else: type it again from the bag.'),
  recipe: mendRecipe,
  plan: mendPlan,
  batch: mendBatch,
  pack: mendPack,
  dog: mendDog,
};
