'use client';

import { useState } from 'react';
import { useCommand } from '@/ui/form/use-command';
import { UndoBar } from '@/ui/UndoBar';
import { reverseAll } from './actions';

/** Says what was done a moment ago, and takes all of it back with one press. `slot` names the place that says so. */
export function useDone(slot: string) {
  const [done, setDone] = useState<{ readonly said: string; readonly movementIds: readonly number[] }>();
  const back = useCommand(reverseAll, slot, () => setDone(undefined));
  return {
    tell: (said: string, movementIds: readonly number[]) => setDone({ said, movementIds }),
    problems: back.problems,
    bar: done && (
      <UndoBar
        said={done.said}
        undo={done.movementIds.length > 0 ? () => back.run({ movementIds: [...done.movementIds] }) : undefined}
        pending={back.pending}
        onClose={() => setDone(undefined)}
      />
    ),
  };
}
