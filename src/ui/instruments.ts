'use client';

import { useSyncExternalStore } from 'react';
import {
  INSTRUMENTS,
  isPlausible,
  settledOn,
  SILENT_AFTER,
  type InstrumentKind as Kind,
  type Sample,
} from '@/core/cook/settled';

interface Sent {
  readonly kind: Kind;
  readonly value: number;
  readonly battery: 'good' | 'low';
}

/** What an instrument says just now. */
export interface Heard {
  /** What it shows, still moving or not. */
  readonly shows: number;
  /** What it has come to rest on. */
  readonly settled: number | undefined;
  /** It was heard before, and says nothing any more. */
  readonly silent: boolean;
  readonly batteryLow: boolean;
}

const KEPT = 40;
const samples: Record<Kind, Sample[]> = { scale: [], probe: [], oven: [] };
let heard: Partial<Record<Kind, Heard>> = {};
const listeners = new Set<() => void>();
let source: EventSource | undefined;
let watch: ReturnType<typeof setInterval> | undefined;

function work(sent: readonly Sent[]): void {
  const now = performance.now();
  const next: Partial<Record<Kind, Heard>> = {};
  for (const kind of INSTRUMENTS) {
    const own = sent.find((each) => each.kind === kind);
    if (own && isPlausible(own.value, kind))
      samples[kind] = [...samples[kind], { value: own.value, at: now }].slice(-KEPT);
    const last = samples[kind].at(-1);
    if (!last) continue;
    next[kind] = {
      shows: last.value,
      settled: settledOn(samples[kind], kind, now),
      silent: now - last.at > SILENT_AFTER,
      batteryLow: own ? own.battery === 'low' : (heard[kind]?.batteryLow ?? false),
    };
  }
  heard = next;
  listeners.forEach((listener) => listener());
  for (const { kind, hear } of [...hearers]) {
    const settled = next[kind]?.settled;
    if (settled !== undefined) hear(settled);
  }
}

const hearers = new Set<{ readonly kind: Kind; readonly hear: (value: number) => void }>();

/** Calls with every figure on which an instrument rests, again and again while it does; gives what lets it be. */
export function onSettled(kind: Kind, hear: (value: number) => void): () => void {
  const hearer = { kind, hear };
  hearers.add(hearer);
  return () => void hearers.delete(hearer);
}

/** After the page has settled, in ms: nobody reaches for an instrument sooner. */
const SETTLED = 1500;

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  const begin = setTimeout(() => {
    if (source || listeners.size === 0) return;
    source = new EventSource('/api/instruments');
    source.onmessage = ({ data }) => work(JSON.parse(String(data)) as Sent[]);
    // A line that breaks says nothing by itself: its silence is seen by the clock.
    watch = setInterval(() => work([]), 1000);
  }, SETTLED);
  return () => {
    clearTimeout(begin);
    listeners.delete(listener);
    if (listeners.size > 0) return;
    source?.close();
    source = undefined;
    clearInterval(watch);
    for (const kind of INSTRUMENTS) samples[kind] = [];
    heard = {};
  };
}

/** What an instrument says; undefined where none is there. */
export const useInstrument = (kind: Kind): Heard | undefined =>
  useSyncExternalStore(
    subscribe,
    () => heard[kind],
    () => undefined,
  );
