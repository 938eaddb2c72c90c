import 'server-only';
import { eq, sql } from 'drizzle-orm';
import { addUp } from '@/core/add-up';
import { storedAs, type BatchYield } from '@/core/batch/fold';
import type { ShareState } from '@/core/batch/share-state';
import { isDamp } from '@/core/batch/steps/dry';
import { kindOfShare } from '@/core/batch/kind-of-share';
import type { LocalDate } from '@/core/calendar/local-date';
import { isFatty } from '@/core/preserve/fat';
import type { FromTray } from '@/core/preserve/bagging';
import type { FoodKind, Packaging } from '@/core/preserve/shelf-life';
import { packCode } from '@/core/stock/code';
import { foldHolding, tenths, type Leg } from '@/core/stock/ledger';
import { nth, sure } from '@/core/sure';
import type { WeighedBatch } from '../repositories/batches';
import { readAllPlaces } from '../repositories/household';
import { recipe } from '../schema/recipes';
import { holding, pack, packContent } from '../schema/stock';
import { rulesNow } from '../repositories/shelf-rules';
import { needsCold } from './cook-day';
import { appendMovements, datingIn, keptOf, type NewMovement } from './ledger';
import { need, refuse, type Context } from './run';

/** What of one share goes into a pack, in stored g. */
export interface ToContent {
  readonly batch: WeighedBatch;
  readonly share: ShareState;
  readonly grams: number;
}

/** A pack to be sealed: what is in it, of one share as a rule. */
export interface ToSeal {
  readonly code: string;
  readonly short: boolean;
  readonly dogId?: number;
  readonly split?: readonly { readonly dogId: number; readonly grams: number }[];
  readonly pieces?: number;
  readonly weighed: boolean;
  readonly contents: readonly ToContent[];
  /** Since when its food keeps, where that is not from today on. */
  readonly since?: LocalDate;
  readonly packaging?: Packaging;
  /** It waits in the fridge, to go into its freezer on a day. */
  readonly freeze?: { readonly on: LocalDate; readonly waitsAt: number };
  /** Tenths of a gram of each tray that is in it, where it was filled tray by tray. */
  readonly trays?: readonly FromTray[];
}

/** The next codes of a recipe's packs; they are never given out again. */
export async function takeCodes({ tx }: Context, recipeId: number, count: number): Promise<readonly string[]> {
  const [row] = await tx
    .update(recipe)
    .set({ nextPack: sql`${recipe.nextPack} + ${count}` })
    .where(eq(recipe.id, recipeId))
    .returning({ next: recipe.nextPack, letter: recipe.letter });
  const { next, letter } = sure(row);
  return Array.from({ length: count }, (_, index) => packCode(letter, next - count + index));
}

const yieldOf = ({ batch, share }: ToContent): BatchYield =>
  sure(batch.yields.find((own) => own.place === share.yield));

/**
 * Writes packs with their movements, all of them in a few statements. What is in one keeps as the strictest part of it does; `damp`: dried
 * food goes in though its weighings say that it is not dry.
 */
export async function sealPacks(context: Context, sealed: readonly ToSeal[], damp = false): Promise<void> {
  const { tx, today } = context;
  // What was dried cooled long ago; all else is packed when somebody can say how warm it is.
  for (const { batch, share } of sealed.flatMap(({ contents }) => contents))
    if (share.fate !== 'dry') needsCold(batch, context.now);
    // Said once: what is bagged of it after that is the same food.
    else if (!damp && share.packs.length === 0 && isDamp(share))
      refuse(
        'By its weighings it is not dry yet, and damp food spoils in its bag. Dry on, and weigh it once more.',
        'damp',
      );
  const places = new Map((await readAllPlaces(tx)).map((each) => [each.id, each.kind]));
  const states = new Map<string, ReturnType<typeof stateFor>>();
  const rulesId = rulesNow(context.rules).id;
  function stateFor(kind: FoodKind, fatty: boolean, placeId: number, day: LocalDate, packaging?: Packaging) {
    const packed = { id: 1, kind: 'packed' as const, day, rulesId, legs: [{ holdingId: 0, placeId, amount: 1 }] };
    const rules = { holdingId: 0, kind, fatty, places, dating: datingIn(context), ...(packaging ? { packaging } : {}) };
    return sure(need(foldHolding([packed], rules)));
  }
  const made = sealed.map((each) => {
    const first = nth(each.contents, 0);
    // What waits for its day in the freezer lies in the fridge until then: those days count.
    const placeId = each.freeze ? each.freeze.waitsAt : sure(first.share.placeId);
    const kinds = each.contents.map(({ batch, share }) => kindOfShare(batch, share));
    const kind = kinds.includes('raw') ? 'raw' : nth(kinds, 0);
    const fatty = each.contents.some(({ batch }) => isFatty(batch.sheet));
    const day = each.since ?? today;
    // They are alike but for their weight: one fold says the dates of all.
    const key = `${kind} ${fatty} ${placeId} ${day} ${each.packaging ?? ''}`;
    const state = states.get(key) ?? stateFor(kind, fatty, placeId, day, each.packaging);
    states.set(key, state);
    const parts = each.contents.map((content) => ({
      ...content,
      ...sure(storedAs(content.share, content.batch.yields)),
    }));
    const grams = addUp(parts, (part) => part.grams);
    // The label of what waits for the freezer says how long it keeps there.
    const label = each.freeze
      ? stateFor(kind, fatty, sure(first.share.placeId), each.freeze.on, each.packaging)
      : state;
    const mean = (of: (part: (typeof parts)[number]) => number) =>
      addUp(parts, (part) => of(part) * part.grams) / grams;
    return {
      ...each,
      placeId,
      kind,
      fatty,
      day,
      state,
      label,
      parts,
      grams,
      density: mean((part) => part.density),
      waterPerGram: mean((part) => part.waterPerGram),
    };
  });
  const holdings = await tx
    .insert(holding)
    .values(
      made.map(({ grams, kind, fatty, placeId, state, packaging, density, waterPerGram }) => ({
        kind: 'pack' as const,
        foodKind: kind,
        fatty,
        ...keptOf(state),
        placeId,
        amount: tenths(grams),
        packaging: packaging ?? null,
        density,
        waterPerGram,
      })),
    )
    .returning({ id: holding.id });
  await appendMovements(
    context,
    made.map(({ grams, placeId, day }, index): NewMovement => {
      const amount = tenths(grams);
      const legs: Leg[] = [
        { account: 'cooked', amount: -amount },
        { holdingId: nth(holdings, index).id, placeId, amount },
      ];
      return { kind: 'packed', legs, day };
    }),
  );
  await tx.insert(pack).values(
    made.map((each, index) => ({
      holdingId: nth(holdings, index).id,
      code: each.code,
      dogId: each.dogId ?? null,
      split: each.split ?? null,
      pieces: each.pieces ?? null,
      weighed: each.weighed,
      packedOn: today,
      labelAmount: tenths(each.grams),
      labelDensity: each.density,
      labelWaterPerGram: each.waterPerGram,
      labelSafeUntil: each.label.safeUntil ?? null,
      labelBestBy: each.label.bestBy ?? null,
      labelRule: each.label.rule,
      short: each.short,
      estimated: each.contents.some((content) => yieldOf(content).estimated),
      freezeOn: each.freeze?.on ?? null,
      freezeIn: each.freeze ? sure(nth(each.contents, 0).share.placeId) : null,
      // What was dried says how much of it was still water; without dried food in it nobody asks.
      moisture: nth(each.contents, 0).share.dried?.moisture ?? null,
    })),
  );
  await tx.insert(packContent).values(
    made.flatMap(({ parts, trays }, index) =>
      parts.map(({ batch, share, grams, density, waterPerGram }) => ({
        holdingId: nth(holdings, index).id,
        batchId: batch.id,
        shareId: share.id,
        amount: tenths(grams),
        sealedAmount: tenths(grams),
        trays: trays ?? (share.trays.length === 1 ? [{ trayId: nth(share.trays, 0).id, amount: tenths(grams) }] : null),
        density,
        waterPerGram,
      })),
    ),
  );
}
