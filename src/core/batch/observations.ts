import { grams } from '../quantity/units';
import type { Weighing } from '../portion/yield';
import { fine, type Outcome } from '../problem';
import { sure } from '../sure';
import type { Evidence, Take } from './evidence';
import { yieldOf, type NodeKey, type Observed } from './reading';
import { afterStraining } from './strained';

/** A line as it went in. */
export interface WeighedTake extends Take {
  readonly weighed: number;
  /** Its lot or label date, where the cook has said it. */
  readonly lot?: string;
  /** It went into the pot frozen. */
  readonly frozen?: true;
}

/** A tray as it was weighed, in g. */
export interface TrayState {
  readonly id: number;
  readonly tare: number;
  readonly wetGross: number;
  readonly dryGross: number | undefined;
  /** All its weighings after the dryer, oldest first, in g with the tray. */
  readonly dryings: readonly number[];
  /** Hours from its wet weighing to each of them. */
  readonly hours: readonly number[];
  /** Warm or cold to the touch, as the cook found it last. */
  readonly touch: TrayTouch | undefined;
  /** Why it was thrown away. */
  readonly thrown: string | undefined;
  /** The cycle that it lies or lay in, and on which tray of the machine. */
  readonly cycleId: number | undefined;
  readonly slot: number | undefined;
  /** The dog that it is for; undefined: any of them. */
  readonly dogId: number | undefined;
}

export const TRAY_TOUCHES = ['warm', 'cold'] as const;
/** What is dry has come to the warmth of its shelf; what is cold holds ice. */
export type TrayTouch = (typeof TRAY_TOUCHES)[number];

/** Where a tray lies, as it is kept. */
export interface TrayPlace {
  readonly id: number;
  readonly cycleId?: number;
  readonly slot?: number;
  readonly dogId?: number;
}

/** What a line is, without what was observed of it: that is read anew. */
export const takeAlone = ({
  key,
  name,
  words,
  planned,
  component,
  parts,
  strained,
  perFinished,
}: WeighedTake): Take => ({
  ...(key === undefined ? {} : { key }),
  name,
  words,
  planned,
  component,
  parts,
  ...(strained ? { strained } : {}),
  ...(perFinished === undefined ? {} : { perFinished }),
});

/** The lines as they were weighed, those that were forgotten at the end. */
export const readLines = (evidence: Evidence, observed: Observed): WeighedTake[] => {
  const added = observed
    .nodes('line')
    .map((node) => Number(node.split(':')[1]))
    .filter((place) => place >= evidence.takes.length);
  return [...evidence.takes.keys(), ...added].flatMap((place): WeighedTake[] => {
    const take = observed.of(`line:${place}`, 'food')?.take ?? evidence.takes[place];
    if (!take) return [];
    const lot = observed.of(`line:${place}`, 'note')?.text;
    const weighed = observed.of(`line:${place}`, 'gross')?.value ?? 0;
    const frozen = observed.of(`line:${place}`, 'frozen')?.value === 1;
    return [{ ...take, weighed, ...(lot === undefined ? {} : { lot }), ...(frozen ? { frozen: true as const } : {}) }];
  });
};

/** What stays of the lines that are strained, by what was weighed out of the whole pot or of each vessel that is kept apart. */
export function strainLines(
  takes: readonly WeighedTake[],
  observed: Observed,
  apart: boolean,
  write?: (mass: number) => string,
): Outcome<readonly WeighedTake[]> {
  let read = takes;
  for (const node of observed.nodes('strained')) {
    const place = yieldOf(node);
    const isOf = (take: WeighedTake) => !apart || take.component === place;
    const after = afterStraining(read.filter(isOf), observed.of(node, 'gross')?.value, write);
    if (!after.ok) return after;
    const own = [...after.value];
    read = read.map((take) => (isOf(take) ? sure(own.shift()) : take));
  }
  return fine(read);
}

/** How the yield of a place was measured; undefined: not yet. */
export function weighingOf(observed: Observed, place: number): Weighing | undefined {
  const cups: NodeKey = `cups:${place}`;
  const count = observed.of(cups, 'count')?.value;
  const one = observed.of(cups, 'gross')?.value;
  if (count !== undefined && one !== undefined) return { by: 'cups', cups: count, cupGrams: grams(one) };
  const vessels = observed
    .nodes('vessel')
    .filter((node) => yieldOf(node) === place)
    .flatMap((node) => {
      const gross = observed.of(node, 'gross');
      if (gross?.value === undefined) return [];
      return [
        {
          name: gross.text ?? 'vessel',
          gross: grams(gross.value),
          tare: grams(observed.of(node, 'tare')?.value ?? 0),
        },
      ];
    });
  return vessels.length === 0 ? undefined : { by: 'scale', vessels };
}

/** When what stands at a place was first weighed or counted; undefined: not yet. */
export function firstWeighed(observed: Observed, place: number): Date | undefined {
  const nodes = [...observed.nodes('vessel'), ...observed.nodes('cups')].filter((node) => yieldOf(node) === place);
  const times = nodes.flatMap((node) => observed.all(node, 'gross').map(({ at }) => at.getTime()));
  return times.length === 0 ? undefined : new Date(Math.min(...times));
}

const HOUR = 3_600_000;
const hoursBetween = (from: Date, to: Date) => (to.getTime() - from.getTime()) / HOUR;

/** What was weighed of a tray: nothing, wet, or wet and dry. */
export const trayState = (observed: Observed, { id, cycleId, slot, dogId }: TrayPlace): TrayState[] => {
  const weighings = observed.all(`tray:${id}`, 'gross');
  const [wet] = weighings;
  if (wet?.value === undefined) return [];
  return [
    {
      id,
      tare: observed.of(`tray:${id}`, 'tare')?.value ?? 0,
      wetGross: wet.value,
      dryGross: weighings.length > 1 ? sure(weighings.at(-1)).value : undefined,
      dryings: weighings.slice(1).flatMap(({ value }) => value ?? []),
      hours: weighings.slice(1).flatMap(({ value, at }) => (value === undefined ? [] : hoursBetween(wet.at, at))),
      touch: TRAY_TOUCHES.find((touch) => touch === observed.of(`tray:${id}`, 'note')?.text),
      thrown: observed.of(`tray:${id}`, 'skipped')?.text,
      cycleId,
      slot,
      dogId,
    },
  ];
};
