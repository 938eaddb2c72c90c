import { cookDayOf, type CookDay } from '../cook/cook-day';
import { pansOf, type PanState } from '../heat/pans';
import { fatKcalOf, type EnergyFactors } from '../nutrition/energy';
import { solidsPerGram } from '../nutrition/totals';
import type { Plating } from '../portion/plated';
import { weighYield, type WeighedYield, type Weighing, type WentIn } from '../portion/yield';
import { fine, refused, type Outcome } from '../problem';
import { grams, type EnergyDensity, type Grams } from '../quantity/units';
import { batchLines, type WeighedLine } from '../recipe/recipe';
import { recipeSheet, type RecipeSheet } from '../recipe/sheet';
import { BROTH_SOURCE, type ByProduct } from './by-product';
import { staysOfTake, type CookedComponent, type Evidence } from './evidence';
import { firstWeighed, readLines, strainLines, weighingOf, type WeighedTake } from './observations';
import { apartOf, yieldAt, type Apart } from './apart';
import { heldOver, spreadOver } from './held-over';
import { observedIn, yieldOf, type Observed, type Reading } from './reading';
import { shareState, type PackedContent, type SetShare, type ShareState } from './share-state';
import { addUp } from '../add-up';

/** All that is known of a batch: what was planned and frozen, what was observed, set aside, packed and fed. */
export interface BatchHistory {
  readonly startedAt?: Date;
  readonly evidence?: Evidence;
  readonly readings: readonly Reading[];
  /** How what is kept apart goes into the bowls; absent: as much of each as there is. */
  readonly plating?: Plating;
  readonly shares: readonly SetShare[];
  readonly packed: readonly PackedContent[];
  /** g eaten warm of a share. */
  readonly fed: readonly { readonly shareId: number; readonly grams: number }[];
}

interface Cooked {
  readonly startedAt: Date;
  readonly takes: readonly WeighedTake[];
  readonly components: readonly CookedComponent[];
  readonly lines: readonly WeighedLine[];
  readonly sheet: RecipeSheet;
  /** Its cook day: tasks, timers, heat, and its pans. */
  readonly day: CookDay;
  readonly pans: readonly PanState[];
  /** What of another batch it is; it was not cooked itself. */
  readonly byProduct: ByProduct | undefined;
  /** What of it is kept apart; undefined: all comes together in one pot. */
  readonly apart: Apart | undefined;
}

/** One yield: the whole pot, a component that is kept apart, or a line that goes into boxes uncooked. */
export interface BatchYield extends WeighedYield {
  /** g that were strained out and weighed; 0: nobody weighed them. */
  readonly strained: number;
  readonly place: number;
  readonly name: string;
  readonly weighing: Weighing;
  /** What is in it. */
  readonly lines: readonly WeighedLine[];
  readonly solidsPerGram: number;
  /** g that no share takes yet; negative where the shares come to more than was weighed. */
  readonly undivided: number;
}

export type BatchState =
  | { readonly state: 'planned' }
  | ({ readonly state: 'cooking' } & Cooked)
  | ({
      readonly state: 'weighed';
      readonly weighedAt: Date;
      readonly yields: readonly BatchYield[];
      readonly plating?: Plating;
      readonly shares: readonly ShareState[];
    } & Cooked);
export type WeighedState = Extract<BatchState, { state: 'weighed' }>;

/** What went into a pot, as its weighing looks at it. */
export const wentInOf = (sheet: RecipeSheet, factors: EnergyFactors): WentIn => ({
  inPot: sheet.inPot,
  solids: sheet.solids,
  kcal: sheet.kcal,
  fatKcal: fatKcalOf(factors),
  ...(sheet.fat && sheet.fat.coverage > ALL_OF_IT ? { fatInPot: sheet.fat.amount } : {}),
});
const ALL_OF_IT = 0.999;

/** g of solids in each g of what is there, the fat that was skimmed off taken away. */
const solidsLeft = (lines: readonly WeighedLine[], { net, eatenBefore, skimmed }: WeighedYield): number =>
  solidsPerGram(lines, net + eatenBefore) - skimmed / (net + eatenBefore);

/** Food that is weighed as it is: nothing is cooked out of it. */
const asItIs = (name: string, net: Grams): Weighing | undefined =>
  net > 0 ? { by: 'scale', vessels: [{ name, gross: net, tare: grams(0) }] } : undefined;

const staysOf = (takes: readonly WeighedTake[]) =>
  addUp(takes, (take) => take.weighed * addUp(take.parts, (part) => part.share));

function sharesOf(
  history: BatchHistory,
  observed: Observed,
  yields: readonly BatchYield[],
  write?: (mass: number) => string,
): Outcome<ShareState[]> {
  const shares: ShareState[] = [];
  for (const share of history.shares) {
    const of = yields.find((each) => each.place === share.yield);
    if (!of) return refused('A share is a part of a yield that was not weighed.');
    const state = shareState(share, history, observed, of, write);
    if (!state.ok) return state;
    shares.push(state.value);
  }
  return fine(shares);
}

/**
 * What a batch is after all that was observed: what went in, its yields with their energy, its shares with what is
 * left of each.
 *
 * Takes its whole history and the household's energy factors; `write` says a weight in a refusal. Refuses what cannot
 * have happened: a yield over all that went in or under its solids, trays that dried to less than their solids. Every
 * new reading, striking or share is possible only if this fold of the history that follows is.
 */
export function foldBatch(
  history: BatchHistory,
  factors: EnergyFactors,
  write?: (mass: number) => string,
): Outcome<BatchState> {
  const { evidence, startedAt } = history;
  if (!evidence || !startedAt) return fine({ state: 'planned' });
  const observed = observedIn(history.readings);
  const weighedPlaces = [...new Set([...observed.nodes('vessel'), ...observed.nodes('cups')].map(yieldOf))];
  const apart = apartOf(observed, weighedPlaces);
  const read = strainLines(readLines(evidence, observed), observed, apart !== undefined, write);
  if (!read.ok) return read;
  const takes = read.value;
  const linesIn = (of: readonly WeighedTake[]) => of.flatMap((take) => staysOfTake(take, take.weighed));
  const lines = linesIn(takes).filter((line) => line.grams > 0);
  const sheet = recipeSheet(lines, factors);
  const components = evidence.components ?? [{ name: 'the pot', loads: 1 }];
  const { byProduct } = evidence;
  // What is poured off was cooked with its pot, and what goes raw into boxes is not cooked: no tasks, no core, no pans.
  const day =
    byProduct || apart === 'lines'
      ? cookDayOf([], [], observed)
      : cookDayOf(takes, components, observed, evidence.takes.length, evidence.order);
  const pans = pansOf(day, observed, (component) => firstWeighed(observed, apart === undefined ? 0 : component));
  const cooked = { startedAt, takes, components, lines, sheet, day, pans, byProduct, apart };
  const places =
    apart === 'lines'
      ? takes.flatMap((take, line) => (staysOf([take]) > 0 ? [line] : []))
      : [...weighedPlaces].sort((a, b) => a - b);
  const yields: BatchYield[] = [];
  for (const place of places) {
    const held = takes.filter((take, line) => apart === undefined || yieldAt(apart, take, line) === place);
    const own = apart === undefined ? lines : linesIn(held).filter((line) => line.grams > 0);
    const ownSheet = apart === undefined ? sheet : recipeSheet(own, factors);
    const weighing = apart === 'lines' ? asItIs(held[0]?.words ?? '', ownSheet.inPot) : weighingOf(observed, place);
    if (!weighing) continue;
    const out = {
      eatenBefore: grams(observed.of(`taken:${place}`, 'gross')?.value ?? 0),
      kept: grams(observed.of(`kept:${place}`, 'gross')?.value ?? 0),
      skimmed: grams(observed.of(`skimmed:${place}`, 'gross')?.value ?? 0),
    };
    const weighed = weighYield(weighing, out, wentInOf(ownSheet, factors), write);
    if (!weighed.ok) return weighed;
    const shares = history.shares.filter((share) => share.yield === place);
    yields.push({
      ...weighed.value,
      // What a broth holds is an estimate, however well it is weighed.
      estimated: weighed.value.estimated || byProduct === 'broth',
      ...(byProduct === 'broth' ? { explanation: { ...weighed.value.explanation, source: BROTH_SOURCE } } : {}),
      place,
      name: (apart === 'lines' ? held[0]?.words : components[place]?.name) ?? 'the pot',
      lines: own,
      strained: observed.of(`strained:${place}`, 'gross')?.value ?? 0,
      weighing,
      solidsPerGram: solidsLeft(batchLines(own), weighed.value),
      undivided: Math.round(weighed.value.net) - addUp(shares, (share) => share.grams),
    });
  }
  if (yields.length === 0) return fine({ ...cooked, state: 'cooking' });
  const parts = sharesOf(history, observed, yields, write);
  if (!parts.ok) return parts;
  // What stands heavier than its pot takes the pot's energy along, and no more than that.
  const spread = yields.map((each) => spreadOver(each, heldOver(each, parts.value), write));
  const shares = spread.some((each, index) => each !== yields[index])
    ? sharesOf(history, observed, spread, write)
    : parts;
  if (!shares.ok) return shares;
  const weighedAt = new Date(
    Math.max(
      startedAt.getTime(),
      ...[...observed.nodes('vessel'), ...observed.nodes('cups')].flatMap((node) =>
        observed.all(node, 'gross').map((reading) => reading.at.getTime()),
      ),
    ),
  );
  const { plating } = history;
  return fine({
    ...cooked,
    state: 'weighed',
    weighedAt,
    yields: spread,
    shares: shares.value,
    ...(plating ? { plating } : {}),
  });
}

/** kcal and mL of water to put back in each stored g of a share. */
export function storedAs(
  share: Pick<ShareState, 'fate' | 'dried' | 'yield'>,
  yields: readonly BatchYield[],
): { readonly density: EnergyDensity; readonly waterPerGram: number } | undefined {
  if (share.fate === 'dry') return share.dried;
  const of = yields.find((each) => each.place === share.yield);
  return of && { density: of.density, waterPerGram: 0 };
}
