'use client';

import { useCommand } from '@/ui/form/use-command';
import { Fold } from '@/ui/Fold';
import { Quality } from '@/ui/quality/Quality';
import { dropQuality, noteQuality } from './actions';
import type { BatchView } from './view';

/** How a batch turned out, noted by a press; the recipe and the choice among fates look at it. */
export function HowItWas({ view }: { view: BatchView }) {
  const note = useCommand(noteQuality, `quality-batch-${view.id}`);
  const drop = useCommand(dropQuality, `quality-drop-batch-${view.id}`);
  if (view.byProduct) return null;
  return (
    <Fold
      title={view.quality.length > 0 ? `How it turned out: ${view.quality.length} noted` : 'How did it turn out?'}
      lazy
    >
      <Quality
        batchId={view.id}
        isDry={view.weighed?.shares.some((share) => share.fate === 'dry') ?? false}
        dogs={view.dogs}
        notes={view.quality}
        pending={note.pending || drop.pending}
        problems={[...note.problems, ...drop.problems]}
        onNote={note.run}
        onDrop={(noteId) => drop.run({ noteId })}
      />
    </Fold>
  );
}
