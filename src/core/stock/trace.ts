import type { LocalDate } from '../calendar/local-date';

/** Who is from whom: lots went into batches, batches into packs and by-products, packs and pots into bowls. */
export interface TraceGraph {
  readonly batches: readonly {
    readonly id: number;
    /** The pot that it was kept beside of. */
    readonly parentId?: number;
    /** The lots that were written down when it was weighed out. */
    readonly lots: readonly string[];
  }[];
  readonly packs: readonly { readonly holdingId: number; readonly batchIds: readonly number[] }[];
  readonly bowls: readonly {
    readonly id: number;
    readonly dogId: number;
    readonly day: LocalDate;
    readonly holdingIds: readonly number[];
    /** Pots that it was fed from warm. */
    readonly batchIds: readonly number[];
  }[];
}

/** What something is known of: a lot, a pot, a pack, or what a dog ate in some days. */
export type TraceStart =
  | { readonly lot: string }
  | { readonly batchId: number }
  | { readonly holdingId: number }
  | { readonly dogId: number; readonly from: LocalDate; readonly to: LocalDate };

export interface Trace {
  readonly lots: ReadonlySet<string>;
  readonly batches: ReadonlySet<number>;
  readonly packs: ReadonlySet<number>;
  readonly bowls: ReadonlySet<number>;
}

/** The pots that what is asked about comes from, before those they were kept beside of are looked for. */
function potsOf(graph: TraceGraph, start: TraceStart): Set<number> {
  if ('batchId' in start) return new Set([start.batchId]);
  if ('lot' in start) return new Set(graph.batches.filter(({ lots }) => lots.includes(start.lot)).map(({ id }) => id));
  const batchesOf = new Map(graph.packs.map((pack) => [pack.holdingId, pack.batchIds]));
  if ('holdingId' in start) return new Set(batchesOf.get(start.holdingId));
  const eaten = graph.bowls.filter(
    (bowl) => bowl.dogId === start.dogId && bowl.day >= start.from && bowl.day <= start.to,
  );
  return new Set(
    eaten.flatMap((bowl) => [...bowl.batchIds, ...bowl.holdingIds.flatMap((id) => batchesOf.get(id) ?? [])]),
  );
}

/** A pot with everything that was kept beside it, and what it was itself kept beside of: all of it is one food. */
function familyOf(graph: TraceGraph, ids: ReadonlySet<number>): Set<number> {
  const parent = new Map(graph.batches.map((batch) => [batch.id, batch.parentId]));
  const rootOf = (id: number): number => {
    const up = parent.get(id);
    return up === undefined ? id : rootOf(up);
  };
  const roots = new Set([...ids].map(rootOf));
  return new Set(graph.batches.flatMap(({ id }) => (roots.has(rootOf(id)) ? [id] : [])));
}

/**
 * All food that is from the same pots as what is asked about, back to the lots and forward to every pack and bowl.
 *
 * Takes who is from whom, and what is asked about. What was split or mixed carries its pots with it, so that no pack between is
 * asked. Source: one step back, one step forward (Codex Alimentarius CXG 60-2006, from memory); here every step.
 */
export function traceOf(graph: TraceGraph, start: TraceStart): Trace {
  const batches = familyOf(graph, potsOf(graph, start));
  const packs = new Set(
    graph.packs.flatMap(({ holdingId, batchIds }) => (batchIds.some((id) => batches.has(id)) ? [holdingId] : [])),
  );
  return {
    lots: new Set(graph.batches.flatMap(({ id, lots }) => (batches.has(id) ? lots : []))),
    batches,
    packs,
    bowls: new Set(
      graph.bowls.flatMap(({ id, holdingIds, batchIds }) =>
        holdingIds.some((each) => packs.has(each)) || batchIds.some((each) => batches.has(each)) ? [id] : [],
      ),
    ),
  };
}
