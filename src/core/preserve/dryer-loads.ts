import { addUp } from '../add-up';
import { fine, refused, type Outcome } from '../problem';
import { forecastCycle, type PastCycle } from './cycle-time';
import type { DryMethod } from './methods';
import type { KeepsDays } from './shelf-life';
import { DEEPEST, depthOnTray, gramsOnTray, type WaitsIn } from './drying';

/** What a dryer takes: how many trays, g on each, and cm² of one where the household has said them. */
export interface DryerRoom {
  readonly trays: number;
  readonly perTray: number;
  readonly areaCm2?: number;
  /** cm that food may lie deep. */
  readonly deepest?: number;
}

/** Part of a usual pot that is water (common practice, no source). */
export const USUAL_WATER = 0.7;

/** A full load of a dryer: g of wet food, hours from it to the next one, kWh, and hours until the machine is free. */
export interface FullLoad {
  readonly grams: number;
  readonly hours: number;
  readonly energy: number | undefined;
  readonly freeIn: number;
}

/**
 * What a full load comes to. Takes the machine's room, its cycles so far and its W, the method, and hours that it has run by now where
 * it runs. Source: its own cycles, or common practice (`forecastCycle`).
 */
export function fullLoad(
  {
    room,
    past,
    watts,
  }: { readonly room: DryerRoom; readonly past: readonly PastCycle[]; readonly watts: number | undefined },
  method: DryMethod,
  running?: number,
): FullLoad {
  const grams = Math.max(0, room.trays * perTray(room));
  const { hours, energy } = forecastCycle(grams * USUAL_WATER, past, method, watts === undefined ? {} : { watts });
  return {
    grams,
    hours: hours + BETWEEN,
    energy,
    freeIn: running === undefined ? 0 : Math.max(0, hours - running),
  };
}

/** One cycle of a plan: g on each of its trays, when it begins, and how the food waits for it. */
export interface PlannedLoad {
  readonly trays: readonly number[];
  readonly grams: number;
  /** cm deep on a tray; undefined: nobody has said how large one is. */
  readonly deep: number | undefined;
  /** Hours from now until it goes in. */
  readonly fromHours: number;
  /** Days that it waits, begun ones counted. */
  readonly waits: number;
  /** It would outlast the fridge: frozen first. */
  readonly waitsIn: WaitsIn | undefined;
}

/** Two loads are further apart than the cycle by so many hours: emptying, thawing the ice off, cleaning (ours, no source). */
const BETWEEN = 3;
/** A later load would need so many cycles that somebody has mistyped (ours, no source). */
const MOST_CYCLES = 30;

/** g that go onto one tray: what the machine takes, and what its depth allows. Source: arithmetic. */
export const perTray = ({ perTray: limit, areaCm2, deepest = DEEPEST }: DryerRoom): number =>
  Math.floor(areaCm2 === undefined ? limit : Math.min(limit, gramsOnTray(areaCm2, deepest)));

/**
 * How food is loaded into a dryer: in as few cycles as its trays allow, each filled evenly, the whole evenly over the cycles.
 *
 * Takes g of wet food, the machine's room, hours of a cycle, hours until the machine is free and the fridge days that the food
 * still has. A load that would wait longer than those is frozen first. Refuses a tray that takes nothing, and more cycles than
 * anybody runs. Source: arithmetic; the least number of cycles is what the mass over a full machine asks for.
 */
export function planLoads(
  mass: number,
  room: DryerRoom,
  { cycle, freeIn, fridgeDays }: { readonly cycle: number; readonly freeIn: number; readonly fridgeDays: KeepsDays },
): Outcome<readonly PlannedLoad[]> {
  const each = perTray(room);
  if (each < 1 || room.trays < 1)
    return refused('This machine takes nothing: say in the Household what goes on a tray.');
  const cycles = Math.ceil(mass / (each * room.trays) - 1e-9);
  if (cycles > MOST_CYCLES) return refused(`That would be ${cycles} cycles: is the size of its trays right?`);
  let left = Math.round(mass);
  return fine(
    Array.from({ length: cycles }, (_, index): PlannedLoad => {
      const grams = Math.ceil(left / (cycles - index));
      left -= grams;
      const count = Math.min(room.trays, Math.max(1, Math.ceil(grams / each - 1e-9)));
      const fromHours = Math.max(0, freeIn) + index * (cycle + BETWEEN);
      const waits = Math.max(0, Math.ceil(fromHours / 24 - 1e-9));
      return {
        trays: spread(grams, count),
        grams,
        deep: room.areaCm2 === undefined ? undefined : depthOnTray(room.areaCm2, grams / count),
        fromHours,
        waits,
        waitsIn: waits === 0 ? undefined : waits > fridgeDays ? 'freezer' : 'fridge',
      };
    }),
  );
}

/** Whole g over so many trays, as even as they go. */
function spread(mass: number, trays: number): readonly number[] {
  const least = Math.floor(mass / trays);
  return Array.from({ length: trays }, (_, index) => least + (index < mass - least * trays ? 1 : 0));
}

/** A part that lies on a tray of the machine: two recipes or two dogs share one where it is divided. */
export interface OnSlot {
  readonly slot: number;
  readonly wet: number;
  /** What it is, so that the same part is not put in twice. */
  readonly trayId: number;
}

/** A tray with so much more than it takes is no tray of that machine; up to there the cook knows (ours, no source). */
const OVERLOADED = 1.75;
/** A scale's last grams are no overload. */
const A_LITTLE = 1.02;

/** Whether so many g are more than a tray takes: said, and left to the cook. */
export const isOverloaded = (mass: number, room: Pick<DryerRoom, 'perTray'>): boolean => mass > room.perTray * A_LITTLE;

/**
 * Whether parts may lie in a machine as they are set: every slot is one of its trays, none is far over its limit, none holds more
 * parts than its dividers make, and no part lies there twice. The first that does not fit is refused at `slots.N`.
 */
export function checkSlots(
  parts: readonly OnSlot[],
  room: DryerRoom & { readonly dividers?: number },
  write: (mass: number) => string,
): Outcome<readonly OnSlot[]> {
  if (parts.length === 0) return refused('Weigh at least one tray with its food.', 'slots');
  const seen = new Set<number>();
  for (const [index, part] of parts.entries()) {
    const at = `slots.${index}`;
    if (!Number.isInteger(part.slot) || part.slot < 1 || part.slot > room.trays)
      return refused(`This machine has ${room.trays} ${room.trays === 1 ? 'tray' : 'trays'}.`, at);
    if (seen.has(part.trayId)) return refused('This part lies in the machine already.', at);
    seen.add(part.trayId);
    const beside = parts.slice(0, index + 1).filter(({ slot }) => slot === part.slot);
    if (beside.length > 1 + (room.dividers ?? 0))
      return refused(
        (room.dividers ?? 0) > 0
          ? `Its ${room.dividers} dividers make ${1 + (room.dividers ?? 0)} parts of a tray.`
          : `Tray ${part.slot} has no divider: something else lies on it.`,
        at,
      );
    const mass = addUp(beside, ({ wet }) => wet);
    if (mass > room.perTray * OVERLOADED)
      return refused(
        `${write(mass)} on tray ${part.slot}: it takes ${write(room.perTray)}. Was its own weight left in?`,
        at,
      );
  }
  return fine(parts);
}
