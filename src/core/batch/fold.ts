import { cookDayOf, type CookDay } from '../cook/cook-day';
import { pansOf, type PanState } from '../heat/pans';
import type { CoreReading } from '../heat/heat-check';
import type { LocalDate } from '../calendar/local-date';
import { fatKcalOf, type EnergyFactors } from '../nutrition/energy';
import { solidsPerGram } from '../nutrition/totals';
import type { PackPlan } from '../portion/pack-plan';
import type { Plating } from '../portion/plated';
import type { Fate } from '../portion/shares';
import { weighYield, type WeighedYield, type Weighing, type WentIn } from '../portion/yield';
import { dryTrays, type Dried } from '../preserve/dry';
import type { FromTray } from '../preserve/bagging';
import type { DriedForm, WaitsIn } from '../preserve/drying';
import type { DryMethod } from '../preserve/methods';
import { fine, refused, type Outcome } from '../problem';
import { grams, type EnergyDensity, type Grams } from '../quantity/units';
import { batchLines, type WeighedLine } from '../recipe/recipe';
import { recipeSheet, type RecipeSheet } from '../recipe/sheet';
import { BROTH_SOURCE, type ByProduct } from './by-product';
import { staysOfTake, type CookedComponent, type Evidence } from './evidence';
import {
  firstWeighed,
  readLines,
  strainLines,
  trayState,
  weighingOf,
  type TrayPlace,
  type TrayState,
  type WeighedTake,
} from './observations';
import { apartOf, yieldAt, type Apart } from './apart';
import { observedIn, yieldOf, type NodeKey, type Observed, type Reading } from './reading';
import { sure } from '../sure';
import { addUp } from '../add-up';

/** A part of a yield with a fate, as the cook set it aside. */
export interface SetShare {
  readonly id: number;
  /** The yield it is a part of, by its place. */
  readonly yield: number;
  readonly fate: Fate;
  readonly grams: number;
  readonly day: LocalDate;
  /** Where its packs go; absent for what is fed warm. */
  readonly placeId?: number;
  readonly method?: DryMethod;
  readonly machineId?: number;
  /** How it is filled into packs; absent: one for each dog and day. */
  readonly plan?: PackPlan;
  readonly trays: readonly TrayPlace[];
  /** A later load of a dryer: the day it is to go in, and where it waits. */
  readonly loadDay?: LocalDate;
  readonly waitsIn?: WaitsIn;
  /** How it is cut for a dehydrator. */
  readonly form?: DriedForm;
}

/** What a pack that was not taken back holds of a share: stored g, dry ones of a dry share. */
export interface PackedContent {
  readonly holdingId: number;
  readonly code: string;
  readonly shareId: number;
  readonly dogId?: number;
  /** It is for several dogs. */
  readonly split?: boolean;
  readonly grams: number;
  /** Tenths of a gram of each tray that is in it, where that was said. */
  readonly trays?: readonly FromTray[];
}

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

export interface ShareState extends Omit<SetShare, 'trays'> {
  readonly trays: readonly TrayState[];
  /** g of it that were eaten or thrown away before they were packed, those on trays that were thrown with them. */
  readonly gone: { readonly eaten: number; readonly thrown: number };
  /** The trays of it that were thrown away, and why: they can come back. */
  readonly thrown: readonly { readonly id: number; readonly grams: number; readonly why: string }[];
  /** Its core as it was read for the heat step of drying, and why it goes on without one. */
  readonly heat: { readonly readings: readonly CoreReading[]; readonly reason: string | undefined };
  /** What its trays came to, once every one was weighed dry. */
  readonly dried: Dried | undefined;
  readonly packs: readonly PackedContent[];
  /** Stored g that packs may still take; undefined while the dryer runs. Negative where packs hold more than it. */
  readonly left: number | undefined;
  /** The least that it can be set to, in wet g: what its packs, trays and bowls took of it. */
  readonly used: number;
  /** Nothing of it is left to be packed. */
  readonly sealed: boolean;
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

/** Less than this is no share: rounding (ours, no source). */
export const HALF_A_GRAM = 0.5;

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

const sum = (values: readonly number[]) => addUp(values, (value) => value);

function shareState(
  { trays: places, ...share }: SetShare,
  history: BatchHistory,
  observed: Observed,
  of: Pick<BatchYield, 'density' | 'solidsPerGram'>,
  write?: (mass: number) => string,
): Outcome<ShareState> {
  const all = places.flatMap((place) => trayState(observed, place));
  const trays = all.filter((tray) => tray.thrown === undefined);
  const wetOf = (of: readonly TrayState[]) => sum(of.map((tray) => tray.wetGross - tray.tare));
  const amounts = (node: NodeKey) => sum(observed.all(node, 'gross').map(({ value }) => value ?? 0));
  const gone = {
    eaten: amounts(`eaten:${share.id}`),
    thrown: amounts(`thrown:${share.id}`) + wetOf(all) - wetOf(trays),
  };
  const packs = history.packed.filter((pack) => pack.shareId === share.id);
  const packed = sum(packs.map((pack) => pack.grams));
  const done = trays.filter((tray) => tray.dryGross !== undefined);
  let dried: Dried | undefined;
  if (done.length > 0 && done.length === trays.length) {
    const outcome = dryTrays(
      done.map(({ tare, wetGross, dryGross }) => ({
        tare: grams(tare),
        wetGross: grams(wetGross),
        dryGross: grams(sure(dryGross)),
      })),
      of.solidsPerGram,
      of.density,
      write,
    );
    if (!outcome.ok) return outcome;
    dried = outcome.value;
  }
  const fed = sum(history.fed.filter((each) => each.shareId === share.id).map((each) => each.grams));
  const off = gone.eaten + gone.thrown;
  const isGone = off > 0 && off >= share.grams - HALF_A_GRAM;
  const left = isGone
    ? 0
    : share.fate === 'today'
      ? share.grams - fed
      : share.fate === 'dry'
        ? dried && Math.round(dried.dry) - packed
        : share.grams - packed - off;
  return fine({
    ...share,
    trays,
    gone,
    thrown: all.flatMap((tray) =>
      tray.thrown === undefined ? [] : [{ id: tray.id, grams: tray.wetGross - tray.tare, why: tray.thrown }],
    ),
    heat: {
      readings: observed
        .all(`share:${share.id}`, 'temperature')
        .flatMap(({ id, value, at }) => (value === undefined ? [] : { id, celsius: value, at })),
      reason: observed.of(`share:${share.id}`, 'skipped')?.text,
    },
    dried,
    packs,
    left,
    used:
      share.fate === 'today' ? fed : share.fate === 'dry' ? Math.min(share.grams, wetOf(trays) + off) : packed + off,
    sealed: share.fate !== 'today' && (packs.length > 0 || isGone) && left !== undefined && left < HALF_A_GRAM,
  });
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
      undivided: Math.round(weighed.value.net) - sum(shares.map((share) => share.grams)),
    });
  }
  if (yields.length === 0) return fine({ ...cooked, state: 'cooking' });
  const shares: ShareState[] = [];
  for (const share of history.shares) {
    const of = yields.find((each) => each.place === share.yield);
    if (!of) return refused('A share is a part of a yield that was not weighed.');
    const state = shareState(share, history, observed, of, write);
    if (!state.ok) return state;
    shares.push(state.value);
  }
  const weighedAt = new Date(
    Math.max(
      startedAt.getTime(),
      ...[...observed.nodes('vessel'), ...observed.nodes('cups')].flatMap((node) =>
        observed.all(node, 'gross').map((reading) => reading.at.getTime()),
      ),
    ),
  );
  const { plating } = history;
  return fine({ ...cooked, state: 'weighed', weighedAt, yields, shares, ...(plating ? { plating } : {}) });
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
