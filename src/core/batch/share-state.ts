import type { LocalDate } from '../calendar/local-date';
import type { CoreReading } from '../heat/heat-check';
import type { PackPlan } from '../portion/pack-plan';
import type { Fate } from '../portion/shares';
import { dryTrays, type Dried } from '../preserve/dry';
import type { FromTray } from '../preserve/bagging';
import type { DriedForm, WaitsIn } from '../preserve/drying';
import type { DryMethod } from '../preserve/methods';
import { fine, type Outcome } from '../problem';
import { grams } from '../quantity/units';
import { sure } from '../sure';
import { addUp } from '../add-up';
import type { BatchHistory, BatchYield } from './fold';
import { trayState, type TrayPlace, type TrayState } from './observations';
import type { NodeKey, Observed } from './reading';

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

/** Less than this is no share: rounding (ours, no source). */
export const HALF_A_GRAM = 0.5;

const sum = (values: readonly number[]) => addUp(values, (value) => value);

/** What a share is by now: its trays, what of it was eaten or thrown, its packs, and what is left. */
export function shareState(
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
