import { standing } from '../standing';
import type { Take } from './evidence';
import { nth } from '../sure';

export const READING_KINDS = [
  'gross',
  'tare',
  'volume',
  'count',
  'temperature',
  'task done',
  'skipped',
  'timer',
  'depth',
  'note',
  'food',
  'frozen',
  'struck',
] as const;
/**
 * What is observed; *timer* is for how long something cooks from its time on, *skipped* that a task is left out and why,
 * *food* what a line really was, *frozen* whether it went in frozen (1) or not (0), *struck* that another reading is wrong.
 */
export type ReadingKind = (typeof READING_KINDS)[number];

/**
 * Of what something is observed: a line by its place, a vessel or the counted cups of a yield, what was taken out of
 * the pot before it was weighed (eaten, liquid that was poured off and kept, fat that was skimmed off, or bones and spent vegetables that were strained out), a tray by its id; a share by its id, and what
 * of it was eaten or thrown before it was packed; a load on the stove and
 * its pans, by component and load; a task by its key; what the cook added to the tasks.
 */
export type NodeKey =
  | 'batch'
  | `line:${number}`
  | `vessel:${number}.${number}`
  | `cups:${number}`
  | `taken:${number}`
  | `kept:${number}`
  | `skimmed:${number}`
  | `strained:${number}`
  | `tray:${number}`
  | `share:${number}`
  | `eaten:${number}`
  | `thrown:${number}`
  | `load:${number}.${number}`
  | `pan:${number}.${number}`
  | `task:${string}`
  | `own:${number}`;

/** Something observed. Nothing is edited: a wrong reading is struck out with its reason, and stays to be seen. */
export interface Reading {
  /** Rises in the order of writing. */
  readonly id: number;
  readonly node: NodeKey;
  readonly kind: ReadingKind;
  /** g for gross and tare, mL, a number, °C, minutes of a timer, cm of depth. */
  readonly value?: number;
  /** The vessel's name, a note, or the reason of a striking out. */
  readonly text?: string;
  /** What a line really was. */
  readonly take?: Take;
  readonly at: Date;
  readonly writtenAt: Date;
  /** From which instrument; absent: typed. */
  readonly instrument?: string;
  /** The reading that this one strikes out. */
  readonly takesBack?: number;
}

/** A reading that is still to be written. */
export type NewReading = Pick<Reading, 'node' | 'kind' | 'value' | 'text' | 'take' | 'takesBack' | 'instrument'> & {
  /** When it was observed, where that is not now. */
  readonly at?: Date;
};

/** The readings that count, by what they are of. */
export interface Observed {
  readonly of: (node: NodeKey, kind: ReadingKind) => Reading | undefined;
  /** All of a kind, oldest first: a tray is weighed again and again. */
  readonly all: (node: NodeKey, kind: ReadingKind) => readonly Reading[];
  /** The nodes of a kind that something is known of, in order: `vessel`, `cups`, `taken`, `kept`, `pan`. */
  readonly nodes: (kind: string) => readonly NodeKey[];
}

const place = (node: NodeKey) => (node.split(':')[1] ?? '').split('.').map(Number);

/** The yield that a vessel or counted cups belong to, by its place. */
export const yieldOf = (node: NodeKey): number => place(node)[0] ?? 0;

/** What stands of a batch's readings. The last of its node and kind holds. */
export function observedIn(readings: readonly Reading[]): Observed {
  const found = new Map<string, Reading[]>();
  const nodes = new Set<NodeKey>();
  const inOrder = [...standing(readings)].sort((a, b) => a.at.getTime() - b.at.getTime() || a.id - b.id);
  for (const reading of inOrder) {
    const key = `${reading.node} ${reading.kind}`;
    found.set(key, [...(found.get(key) ?? []), reading]);
    nodes.add(reading.node);
  }
  const all = (node: NodeKey, kind: ReadingKind) => found.get(`${node} ${kind}`) ?? [];
  return {
    all,
    of: (node, kind) => all(node, kind).reduce<Reading | undefined>((a, b) => (a && a.id > b.id ? a : b), undefined),
    nodes: (kind) =>
      [...nodes]
        .filter((node) => node.startsWith(`${kind}:`))
        .sort((a, b) => nth(place(a), 0) - nth(place(b), 0) || (place(a)[1] ?? 0) - (place(b)[1] ?? 0)),
  };
}
