'use client';

import { useRouter } from 'next/navigation';
import { z } from 'zod';
import type { LocalDate } from '@/core/calendar/local-date';
import { byMeasure } from '@/core/stock/by-measure';
import { bowlPart, bowlOf, drawMeal, fitFor, type Drawn } from '@/core/stock/draw';
import { useCommand } from '@/ui/form/use-command';
import { useDraftStorage } from '@/ui/form/use-draft-storage';
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

/** What the cook chose for one meal: the pack that is fed first, and which additions are ticked. */
const chosenSchema = z.object({ first: z.string().max(40).optional(), ticked: z.array(z.number()).max(50) });

const NOTHING: z.infer<typeof chosenSchema> = { ticked: [] };

/** One dog's next bowl: what goes into it, from which pack, what is ticked, and the press that feeds it. */
export function useBowl({ dog, day, sources, cubes, onFed }: Asked) {
  const router = useRouter();
  const { next } = dog;
  // Of one meal, wherever its bowl is shown: the list and the large view ask the same.
  const [typed, setTyped, stored] = useDraftStorage(`bowl-${dog.id}-${day}-${next?.slotId}`, chosenSchema, NOTHING);
  const { first, ticked } = typed;
  const change = (part: Partial<typeof NOTHING>) => setTyped({ ...typed, ...part });
  const all = [...sources, ...cubes];
  const chosen = all.find((source) => source.key === first);
  const rest = fitFor(sources, dog.id, next?.recipeId).filter((source) => source.key !== first);
  const { drawn, missing }: { drawn: readonly Drawn[]; missing: number } =
    next && chosen
      ? drawMeal(next.kcal, [chosen, ...rest], dog.id)
      : { drawn: next?.drawn ?? [], missing: next?.missing ?? 0 };
  const feed = useCommand(feedNext, `feed-${dog.id}-${next?.slotId}-${day}`, ({ bowlId }) => {
    stored(typed);
    onFed(bowlId, `${dog.name} has had ${next?.slotName}.`);
    router.refresh();
  });
  const parts = drawn.map((each) => {
    const part = bowlPart(each);
    return 'holdingId' in part && cubes.some(({ key }) => key === each.key) ? { ...part, frozen: true } : part;
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
