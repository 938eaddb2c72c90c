import { withWater } from '../preserve/rehydrate';
import type { LocalDate } from '../calendar/local-date';
import type { OnceUsed } from '../preserve/food-life';
import type { PlaceKind } from '../preserve/shelf-life';
import { byCode } from './code';
import { addUp } from '../add-up';

/** A pack, or a share that is eaten warm today, as the bowl sees it. */
export interface Source {
  readonly key: string;
  readonly code: string;
  /** The dog it was made for; absent: anybody. */
  readonly dogId?: number;
  /** The dogs that it was made for, where they are several. */
  readonly dogIds?: readonly number[] | undefined;
  readonly recipeId?: number;
  /** Its protein, by its word; absent: nobody asks, or knows. */
  readonly protein?: { readonly word: string } | undefined;
  /** Dogs that do not get something that is in it. */
  readonly notFor?: readonly number[];
  readonly grams: number;
  /** kcal in each stored gram. */
  readonly density: number;
  /** mL of water to put back for each stored gram; 0 for food that is not dry. */
  readonly waterPerGram: number;
  readonly place: PlaceKind | 'warm';
  readonly safeUntil?: LocalDate;
  readonly bestBy?: LocalDate;
  /** Days that it keeps once it is taken out of the freezer, or opened. */
  readonly keeps: OnceUsed;
  readonly opened: boolean;
  /** It is not fed until somebody says that it may be. */
  readonly blocked?: boolean;
  readonly short: boolean;
  /** No meal: broth, or fat that was skimmed. It is never put into a bowl by itself. */
  readonly beside?: boolean;
  /** g of one of its cubes or pieces, where it is fed as it is, frozen: only whole ones. */
  readonly piece?: number | undefined;
  /** The cook keeps it for a dog's day: before, and on that day for others, nobody gets it. */
  readonly held?: { readonly dogId: number; readonly day: LocalDate } | undefined;
  /** It is put into a bowl with others of its batch that are kept apart. */
  readonly plate?: Plate | undefined;
}

/** Of which batch a source is one of several foods, which of them, and what part of a dog's kcal it gives, by the dog. */
interface Plate {
  readonly of: number;
  readonly place: number;
  readonly usual: number;
  readonly parts: Readonly<Record<number, number>>;
}

export interface Drawn {
  readonly key: string;
  readonly code: string;
  readonly grams: number;
  readonly water: number;
  readonly kcal: number;
}

const FAR = '9999-12-31' as LocalDate;

/**
 * Packs in order of use: the share eaten warm, then past best-by, then the oldest use-by date, then an opened one
 * before a closed one, then short ones, then the code. Past `safeUntil` a pack is not fit and is left out.
 * Source: handbook 11 (common practice). An opened pack comes before a short one, so that never two stand open.
 */
export function inOrderOfUse<T extends Source>(sources: readonly T[], day: LocalDate): T[] {
  const past = (source: Source) => (source.bestBy !== undefined && source.bestBy < day ? 0 : 1);
  const useBy = ({ safeUntil = FAR, bestBy = FAR }: Source): string => (safeUntil < bestBy ? safeUntil : bestBy);
  const sooner = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0);
  return sources
    .filter((source) => isFit(source, day) && source.grams > 0)
    .sort(
      (a, b) =>
        Number(b.place === 'warm') - Number(a.place === 'warm') ||
        past(a) - past(b) ||
        sooner(useBy(a), useBy(b)) ||
        Number(b.opened) - Number(a.opened) ||
        Number(b.short) - Number(a.short) ||
        byCode(a.code, b.code),
    );
}

/** Whether a pack may still be fed on a day: `safeUntil` blocks, and whoever blocked it. */
export const isFit = (source: Pick<Source, 'safeUntil' | 'blocked'>, day: LocalDate) =>
  source.blocked !== true && (source.safeUntil === undefined || source.safeUntil >= day);

/** Below this part of the meal a rest is not worth opening another pack, and a crumb in the pack goes along. */
export const CRUMB = 0.03;

/** A source with what is left of it. */
const without = (sources: readonly Source[], drawn: readonly Drawn[]): Source[] =>
  sources.map((source) => ({
    ...source,
    grams: source.grams - addUp(drawn, (part) => (part.key === source.key ? part.grams : 0)),
  }));

/** What was drawn twice of a source is one part of the bowl. */
export function joined(drawn: readonly Drawn[]): Drawn[] {
  const all = new Map<string, Drawn>();
  for (const part of drawn) {
    const own = all.get(part.key);
    all.set(
      part.key,
      own ? { ...own, grams: own.grams + part.grams, water: own.water + part.water, kcal: own.kcal + part.kcal } : part,
    );
  }
  return [...all.values()];
}

/**
 * Fills one meal. What is first in the order of use comes with what it is plated with: of each of them its part of the kcal, and
 * what one lacks comes from whatever is next. Everything else as by {@link drawInOrder}. `dogId` says whose plate it is.
 */
export function drawMeal(
  kcal: number,
  sources: readonly Source[],
  dogId?: number,
): { readonly drawn: Drawn[]; readonly missing: number } {
  const plate = sources.find((source) => source.grams > 0)?.plate;
  if (!plate) return drawInOrder(kcal, sources);
  const together = sources.filter((source) => source.plate?.of === plate.of);
  const drawn: Drawn[] = [];
  for (const place of new Set(together.map((source) => source.plate?.place))) {
    const own = together.filter((source) => source.plate?.place === place);
    const part = own[0]?.plate;
    if (part) drawn.push(...drawInOrder(kcal * (part.parts[dogId ?? NaN] ?? part.usual), own).drawn);
  }
  const open = kcal - addUp(drawn, (part) => part.kcal);
  if (open <= kcal * CRUMB) return { drawn, missing: 0 };
  const rest = drawInOrder(
    open,
    without(sources, drawn).filter((source) => source.grams > 0),
  );
  const all = joined([...drawn, ...rest.drawn]);
  return { drawn: all, missing: missingFrom(kcal, all) };
}

/** The pack, or the share that is eaten today, that a drawn part is of, as a bowl takes it; keys are `pack-7` and `share-7`. */
export function bowlPart({
  key,
  grams,
}: Pick<Drawn, 'key' | 'grams'>): { holdingId: number; grams: number } | { shareId: number; grams: number } {
  const [kind, id] = key.split('-');
  return kind === 'share' ? { shareId: Number(id), grams } : { holdingId: Number(id), grams };
}

/**
 * Fills one meal from packs in the order given.
 *
 * Takes the kcal wanted and sources in order of use; returns whole g of each (all of a pack that is finished)
 * with the water to put back, and the kcal that no source could give (0 where the meal is full to 3 %).
 * Source: arithmetic; the 3 % is within the usual tolerance of a pack (common practice, no source).
 */
export function drawInOrder(
  kcal: number,
  sources: readonly Source[],
): { readonly drawn: Drawn[]; readonly missing: number } {
  const drawn: Drawn[] = [];
  let open = kcal;
  for (const source of sources) {
    if (open <= kcal * CRUMB) break;
    const wanted = open / source.density;
    const takesAll = source.grams - wanted < Math.max(1, wanted * CRUMB);
    const grams = source.piece
      ? Math.min(Math.round(wanted / source.piece), Math.floor(source.grams / source.piece + 1e-6)) * source.piece
      : takesAll
        ? source.grams
        : Math.round(wanted);
    if (grams <= 0) continue;
    drawn.push({
      key: source.key,
      code: source.code,
      grams,
      water: withWater(grams, source.waterPerGram).water,
      kcal: grams * source.density,
    });
    open -= grams * source.density;
  }
  return { drawn, missing: missingFrom(kcal, drawn) };
}

/** kcal of a meal that what was drawn for it does not bring; 0 where it is full to 3 %. */
export function missingFrom(kcal: number, drawn: readonly Pick<Drawn, 'kcal'>[]): number {
  const open = kcal - addUp(drawn, (part) => part.kcal);
  return open <= kcal * CRUMB ? 0 : open;
}

/**
 * Sources that this dog may be fed from: its own and those for anybody, without what it does not get. A meal that is
 * always made of one recipe takes that recipe first.
 */
export function fitFor<T extends Source>(sources: readonly T[], dogId: number, recipeId?: number): T[] {
  const fit = sources.filter(
    (source) =>
      source.beside !== true &&
      (source.dogId === undefined || source.dogId === dogId) &&
      (source.dogIds?.includes(dogId) ?? true) &&
      !source.notFor?.includes(dogId),
  );
  if (recipeId === undefined) return fit;
  return [
    ...fit.filter((source) => source.recipeId === recipeId),
    ...fit.filter((source) => source.recipeId !== recipeId),
  ];
}

/**
 * Those that could go in the place of a pack: one of the dogs that it was made for may have them, and nobody blocked them. For a
 * pack for anybody, whatever somebody may have.
 */
export function insteadOf<T extends Source>(pack: Pick<Source, 'dogId' | 'dogIds'>, others: readonly T[]): T[] {
  const dogs = pack.dogId === undefined ? pack.dogIds : [pack.dogId];
  const some = others.filter(({ blocked, beside }) => blocked !== true && beside !== true);
  return dogs ? some.filter((other) => dogs.some((id) => fitFor([other], id).length > 0)) : some;
}

/**
 * Sources as a dog's day sees them: what the cook keeps for another day, or on this day for another dog, is not there; what is
 * kept for it comes first. Takes sources in order of use.
 */
export function withHeld<T extends Source>(sources: readonly T[], dogId: number, day: LocalDate): T[] {
  const its = ({ held }: Source) => held?.day === day && held.dogId === dogId;
  const waits = ({ held }: Source) =>
    held !== undefined && (held.day > day || (held.day === day && held.dogId !== dogId));
  return [...sources.filter(its), ...sources.filter((source) => !its(source) && !waits(source))];
}

/** What a bowl holds in all: g of food as stored and mL of water to put back. */
export const bowlOf = (drawn: readonly Drawn[]): { readonly grams: number; readonly water: number } => ({
  grams: addUp(drawn, (part) => part.grams),
  water: addUp(drawn, (part) => part.water),
});
