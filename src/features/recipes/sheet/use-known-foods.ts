'use client';

import { useCallback, useState } from 'react';
import type { KnownFood } from '@/core/food/food';

/** A full store costs a reload its foods, never the page itself. */
function keep(key: string, foods: readonly KnownFood[]) {
  try {
    sessionStorage.setItem(key, JSON.stringify(foods));
  } catch {
    sessionStorage.removeItem(key);
  }
}

/** The foods that the form has met, kept over a reload with the draft that names them. */
export function useKnownFoods(first: readonly KnownFood[], slot: string) {
  const key = `hodman-foods-${slot}`;
  const [known, setKnown] = useState<ReadonlyMap<string, KnownFood>>(() => {
    const kept = typeof sessionStorage === 'undefined' ? null : sessionStorage.getItem(key);
    const before = kept ? (JSON.parse(kept) as KnownFood[]) : [];
    return new Map([...before, ...first].map((each) => [each.food.ndb, each]));
  });
  const learn = useCallback(
    (...foods: readonly KnownFood[]) =>
      setKnown((before) => {
        const next = new Map(before);
        for (const food of foods) next.set(food.food.ndb, food);
        keep(key, [...next.values()]);
        return next;
      }),
    [key],
  );
  return { known, learn };
}
