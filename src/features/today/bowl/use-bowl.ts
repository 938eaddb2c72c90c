'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { LocalDate } from '@/core/calendar/local-date';
import { byMeasure } from '@/core/stock/by-measure';
import { bowlOf, drawMeal, fitFor, type Drawn } from '@/core/stock/draw';
import { useCommand } from '@/ui/form/use-command';
import { feedNext } from '../actions';
import type { DogToday, ShownSource } from '../view';

interface Asked {
  dog: DogToday;
  day: LocalDate;
  sources: readonly ShownSource[];
  /** Frozen cubes, which are fed as they are. */
  cubes: readonly ShownSource[];
  onFed: (bowlId: number, said: string) => void;
}

interface Typed {
  readonly slotId: number | undefined;
  readonly first: string | undefined;
  readonly ticked: readonly number[];
}

const NOTHING: Typed = { slotId: undefined, first: undefined, ticked: [] };

/** One dog's next bowl: what goes into it, from which pack, what is ticked, and the press that feeds it. */
export function useBowl({ dog, day, sources, cubes, onFed }: Asked) {
  // What is chosen and ticked is of one meal: the next one begins anew, and a form that is open stays.
  const [typed, setTyped] = useState<Typed>(NOTHING);
  const router = useRouter();
  const { next } = dog;
  const { first, ticked } = typed.slotId === next?.slotId ? typed : NOTHING;
  const change = (part: Partial<Typed>) => setTyped({ first, ticked, ...part, slotId: next?.slotId });
  const all = [...sources, ...cubes];
  const chosen = all.find((source) => source.key === first);
  const rest = fitFor(sources, dog.id, next?.recipeId).filter((source) => source.key !== first);
  const { drawn, missing }: { drawn: readonly Drawn[]; missing: number } =
    next && chosen
      ? drawMeal(next.kcal, [chosen, ...rest], dog.id)
      : { drawn: next?.drawn ?? [], missing: next?.missing ?? 0 };
  const feed = useCommand(feedNext, `feed-${dog.id}-${next?.slotId}-${day}`, ({ bowlId }) => {
    onFed(bowlId, `${dog.name} has had ${next?.slotName}.`);
    router.refresh();
  });
  const parts = drawn.map(({ key, grams }) => {
    const id = Number(key.split('-')[1]);
    if (key.startsWith('share')) return { shareId: id, grams };
    return cubes.some((cube) => cube.key === key) ? { holdingId: id, grams, frozen: true } : { holdingId: id, grams };
  });
  return {
    drawn,
    missing,
    ...bowlOf(drawn),
    measure: byMeasure(drawn, all),
    sourceOf: (key: string | undefined) => all.find((source) => source.key === key),
    isFrozen: (key: string) => cubes.some((cube) => cube.key === key),
    choose: (key: string) => change({ first: key }),
    ticked,
    tick: (lineId: number) =>
      change({ ticked: ticked.includes(lineId) ? ticked.filter((each) => each !== lineId) : [...ticked, lineId] }),
    feed,
    press: (at?: string) =>
      next &&
      feed.run({
        dogId: dog.id,
        slotId: next.slotId,
        day,
        parts,
        ...(at === undefined ? {} : { at }),
        ...(ticked.length > 0 ? { ticked: [...ticked] } : {}),
      }),
  };
}

export type Bowl = ReturnType<typeof useBowl>;
