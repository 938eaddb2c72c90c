'use client';

import { useState } from 'react';
import type { Follows } from '@/core/batch/follows';
import { useCommand, type HouseAction } from '@/ui/form/use-command';

/** What a correction is asked with: where packs hold more than the pot was, their weights may be believed. */
interface Asked {
  readonly packsStand?: boolean;
}

/** A correction in two presses: what follows is shown, then it is taken, or left. */
export function useCorrection<Input extends Asked>(
  tryIt: HouseAction<Input, Follows>,
  takeIt: HouseAction<Input, Follows>,
  slot: string,
  onDone: (follows: Follows, input: Input) => void,
) {
  const [asked, setAsked] = useState<{ readonly input: Input; readonly follows?: Follows }>();
  const trial = useCommand(tryIt, `${slot}-try`, (follows, input) => setAsked({ input, follows }));
  const taking = useCommand(takeIt, slot, (follows, input) => {
    setAsked(undefined);
    onDone(follows, input);
  });
  const ask = (input: Input) => {
    taking.clear();
    setAsked({ input });
    trial.run(input);
  };
  return {
    ask,
    follows: asked?.follows,
    take: () => asked && taking.run(asked.input),
    leave: () => {
      trial.clear();
      taking.clear();
      setAsked(undefined);
    },
    /** The packs hold more than that: their weights may stand. */
    mayStand: trial.at('packsStand') !== undefined,
    letStand: () => asked && ask({ ...asked.input, packsStand: true }),
    pending: trial.pending || taking.pending,
    problems: [...trial.problems, ...taking.problems],
    at: (field: string) => trial.at(field) ?? taking.at(field),
  };
}
