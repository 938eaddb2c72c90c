import 'server-only';
import { unlessUnread } from '@/core/unreadable';
import { addUp } from '@/core/add-up';
import { addDays, dayIn, writeDay } from '@/core/calendar/local-date';
import { countOf } from '@/core/quantity/count-words';
import { countHeld } from '@/core/stock/find';
import { writeSumIn } from '@/core/quantity/write';
import { traceOf, type TraceStart } from '@/core/stock/trace';
import { sure } from '@/core/sure';
import { pageQuery } from '@/data/page';
import { readDogs } from '@/data/repositories/dogs';
import { readPackByCode, readReadablePacks } from '@/data/repositories/stock';
import { readTraceGraph } from '@/data/repositories/trace';
import type { TraceLink, TraceNode } from '@/ui/charts/trace-drawing';

/** What is asked about, as it stands in the address. */
export interface TraceAsked {
  readonly pack?: string;
  readonly batch?: number;
  readonly lot?: string;
  readonly dog?: number;
  readonly days?: number;
}

export interface TraceView {
  readonly asked: TraceAsked;
  /** What it is in words; undefined: nothing was asked, or nobody knows it. */
  readonly said: string | undefined;
  readonly unknown: string | undefined;
  readonly lots: readonly string[];
  readonly dogs: readonly { readonly id: number; readonly name: string }[];
  readonly nodes: readonly TraceNode[];
  readonly links: readonly TraceLink[];
  /** What of it is still there to be fed. */
  readonly left: readonly {
    readonly holdingId: number;
    readonly code: string;
    readonly said: string;
    readonly blocked: boolean;
  }[];
  readonly leftSaid: string;
  /** Every bowl of it, the latest first. */
  readonly bowls: readonly { readonly id: number; readonly said: string }[];
}

/** So many lots are offered; an older one is asked about from its pot or its place in the Store (ours, no source). */
const MOST_OFFERED = 200;

/** A dog that is ill is asked about for so many days back, where nobody says otherwise (ours, no source). */
const DAYS_BACK = 3;

export const traceView = pageQuery(async (read, asked: TraceAsked): Promise<TraceView> => {
  const { db, today, household } = read;
  const set = household.unitSet;
  const dogs = await readDogs(db);
  const { graph, batches, bowls, lots: here } = await readTraceGraph(db);
  // The newest first: whoever asks about a lot has it before them.
  const known = new Set([
    ...[...here].reverse().flatMap(({ keys }) => keys),
    ...[...graph.batches].reverse().flatMap((batch) => batch.lots),
  ]);
  const lots = [...known].slice(0, MOST_OFFERED);
  const empty = {
    asked,
    lots,
    dogs: dogs.map(({ id, name }) => ({ id, name })),
    said: undefined,
    unknown: undefined,
    nodes: [],
    links: [],
    left: [],
    leftSaid: '',
    bowls: [],
  };
  const begin = async (): Promise<{ start: TraceStart; said: string } | { unknown: string } | undefined> => {
    if (asked.pack !== undefined) {
      const pack = await unlessUnread(readPackByCode(db, asked.pack));
      return pack
        ? { start: { holdingId: pack.holdingId }, said: `pack ${pack.code}` }
        : { unknown: `There is no pack ${asked.pack}.` };
    }
    if (asked.batch !== undefined) {
      const own = batches.get(asked.batch);
      return own
        ? {
            start: { batchId: own.id },
            said: `${own.name}, ${writeDay(dayIn(own.startedAt, household.timeZone), today)}`,
          }
        : { unknown: 'This pot is not known.' };
    }
    if (asked.lot !== undefined)
      return known.has(asked.lot)
        ? { start: { lot: asked.lot }, said: `lot ${asked.lot}` }
        : { unknown: `No ingredient and no pot has the lot ${asked.lot} written down.` };
    if (asked.dog !== undefined) {
      const dog = dogs.find(({ id }) => id === asked.dog);
      const days = asked.days ?? DAYS_BACK;
      return dog
        ? {
            start: { dogId: dog.id, from: addDays(today, -days), to: today },
            said: `what ${dog.name} ate since ${writeDay(addDays(today, -days), today)}`,
          }
        : { unknown: 'This dog is not here any more.' };
    }
    return undefined;
  };
  const begun = await begin();
  if (!begun) return empty;
  if ('unknown' in begun) return { ...empty, unknown: begun.unknown };
  const trace = traceOf(graph, begun.start);
  const packs = await readReadablePacks(db, [...trace.packs]);
  // Of a lot also what was not cooked yet; of a pot or a dog its ingredients are drawn, and nobody knows which of them it was.
  const askedLot = asked.lot;
  const raw = askedLot === undefined ? [] : here.filter((lot) => lot.grams > 0 && lot.keys.includes(askedLot));
  const left = packs.filter((pack) => pack.grams > 0);
  const gone = packs.filter((pack) => pack.grams <= 0);
  const ownBowls = [...trace.bowls].map((id) => sure(bowls.get(id)));
  const ofPack = new Map(graph.packs.map((pack) => [pack.holdingId, pack.batchIds]));
  // Packs of one place and the same pots are one box of the drawing.
  const groups = new Map<string, { name: string; note: string; ids: number[]; pots: readonly number[] }>();
  const put = (key: string, name: string, id: number, pots: readonly number[], note: string) => {
    const own = groups.get(key);
    groups.set(key, { name, note: own ? `${own.note}, ${note}` : note, ids: [...(own?.ids ?? []), id], pots });
  };
  for (const pack of [...left, ...gone]) {
    const pots = (ofPack.get(pack.holdingId) ?? []).filter((id) => trace.batches.has(id));
    const where = pack.grams > 0 ? `in the ${pack.placeKind}` : 'nothing left';
    put(`${where} ${pots.join()}`, where, pack.holdingId, pots, pack.code);
  }
  const eaters = dogs.flatMap((dog) => {
    const own = ownBowls.filter((bowl) => bowl.dogId === dog.id);
    const grams = addUp(
      own.flatMap((bowl) => bowl.parts),
      (part) =>
        (part.holdingId !== undefined && trace.packs.has(part.holdingId)) ||
        (part.batchId !== undefined && trace.batches.has(part.batchId))
          ? part.grams
          : 0,
    );
    return own.length === 0 ? [] : [{ dog, own, grams }];
  });
  const nodes: TraceNode[] = [
    ...[...trace.lots].map((lot) => ({ key: `lot ${lot}`, column: 0, name: lot, note: 'lot' })),
    ...[...trace.batches].map((id) => {
      const own = sure(batches.get(id));
      const day = writeDay(dayIn(own.startedAt, household.timeZone), today);
      return { key: `pot ${id}`, column: 1, name: own.name, note: day };
    }),
    ...[...groups].map(([key, { name, note, ids }]) => ({
      key: `packs ${key}`,
      column: 2,
      name: `${countOf(ids.length, 'pack')} ${name}`,
      note,
    })),
    ...eaters.map(({ dog, own, grams }) => ({
      key: `dog ${dog.id}`,
      column: 3,
      name: dog.name,
      note: `${countOf(own.length, 'bowl')}, ${writeSumIn(grams, set)}`,
    })),
  ];
  const links: TraceLink[] = [
    ...graph.batches.flatMap(({ id, lots: own }) =>
      trace.batches.has(id) ? own.map((lot) => ({ from: `lot ${lot}`, to: `pot ${id}` })) : [],
    ),
    ...[...groups].flatMap(([key, { pots }]) => pots.map((id) => ({ from: `pot ${id}`, to: `packs ${key}` }))),
    ...[...groups].flatMap(([key, { ids }]) =>
      eaters.flatMap(({ dog, own }) =>
        own.some((bowl) => bowl.parts.some((part) => part.holdingId !== undefined && ids.includes(part.holdingId)))
          ? [{ from: `packs ${key}`, to: `dog ${dog.id}` }]
          : [],
      ),
    ),
  ];
  const nameOf = (dogId: number) => dogs.find(({ id }) => id === dogId)?.name ?? 'a dog that is gone';
  const codeOf = new Map(packs.map((pack) => [pack.holdingId, pack.code]));
  return {
    ...empty,
    said: begun.said,
    nodes,
    links,
    left: [...raw.map((lot) => ({ ...lot, code: lot.name })), ...left].map((held) => ({
      holdingId: held.holdingId,
      code: held.code,
      said: `${writeSumIn(held.grams, set)}, ${held.placeKind}${held.blocked ? ', blocked' : ''}`,
      blocked: held.blocked,
    })),
    leftSaid:
      left.length + raw.length === 0
        ? 'Nothing of it is left.'
        : `${countHeld(left.length, raw.length)} left, ${writeSumIn(
            addUp([...raw, ...left], (held) => held.grams),
            set,
          )}`,
    bowls: [...ownBowls].reverse().map(({ id, dogId, day, parts }) => ({
      id,
      said: `${writeDay(day, today)}: ${nameOf(dogId)}, ${parts
        .map((part) =>
          part.holdingId === undefined ? 'warm from the pot' : (codeOf.get(part.holdingId) ?? 'another pack'),
        )
        .join(' and ')}`,
    })),
  };
});

/** What an address asks about; anything odd asks nothing. */
export function traceAsked(params: Readonly<Record<string, string | string[] | undefined>>): TraceAsked {
  const text = (name: string) => {
    const value = params[name];
    return typeof value === 'string' && value.trim() !== '' ? value.trim().slice(0, 120) : undefined;
  };
  const number = (name: string, most: number) => {
    const value = Number(text(name));
    return Number.isInteger(value) && value > 0 && value <= most ? value : undefined;
  };
  const [pack, lot] = [text('pack'), text('lot')];
  const [batch, dog, days] = [number('batch', 2_147_483_647), number('dog', 2_147_483_647), number('days', 60)];
  return {
    ...(pack === undefined ? {} : { pack }),
    ...(batch === undefined ? {} : { batch }),
    ...(lot === undefined ? {} : { lot }),
    ...(dog === undefined ? {} : { dog }),
    ...(days === undefined ? {} : { days }),
  };
}
