'use client';

import { useState } from 'react';
import { useCommand } from '@/ui/form/use-command';
import { UndoBar } from '@/ui/UndoBar';
import { takeBackBowl } from '../actions';

/** Says which bowl was fed a moment ago, and takes it or any other one back. `slot` names the screen that says so. */
export function useFed(slot: string) {
  const [fed, setFed] = useState<{ readonly bowlId: number; readonly said: string; readonly bowl: string }>();
  const back = useCommand(takeBackBowl, slot, () => setFed(undefined));
  const takeBack = (bowlId: number) => back.run({ bowlId });
  return {
    /** Which bowl it was, as the screen calls it. */
    bowl: fed?.bowl,
    tell: (bowlId: number, said: string, bowl: string) => setFed({ bowlId, said, bowl }),
    takeBack,
    pending: back.pending,
    problems: back.problems,
    bar: fed && (
      <UndoBar
        said={fed.said}
        undo={() => takeBack(fed.bowlId)}
        pending={back.pending}
        onClose={() => setFed(undefined)}
      />
    ),
  };
}
