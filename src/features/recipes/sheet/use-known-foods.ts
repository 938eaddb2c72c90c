'use client';

import { useCallback, useState } from 'react';
import { z } from 'zod';
import type { KnownFood } from '@/core/food/food';
import { draftIn, draftText, keepDraft } from '@/ui/form/drafts';

const foodsShape = z.array(
  z.custom<KnownFood>((each) => z.object({ food: z.object({ ndb: z.string() }) }).safeParse(each).success),
);

/** The foods that the form has met, kept over a reload with the draft that names them. */
export function useKnownFoods(first: readonly KnownFood[], slot: string) {
  const own = `foods-${slot}`;
  const [known, setKnown] = useState<ReadonlyMap<string, KnownFood>>(() => {
    const before = draftIn(draftText(own), foodsShape) ?? [];
    return new Map([...before, ...first].map((each) => [each.food.ndb, each]));
  });
  const learn = useCallback(
    (...foods: readonly KnownFood[]) =>
      setKnown((before) => {
        const next = new Map(before);
        for (const food of foods) next.set(food.food.ndb, food);
        keepDraft(own, [...next.values()]);
        return next;
      }),
    [own],
  );
  return { known, learn };
}
