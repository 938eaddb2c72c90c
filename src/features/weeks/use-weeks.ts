'use client';

import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useState, useTransition } from 'react';
import type { WeeksAsk } from '@/core/weeks/ask';
import { useCommand } from '@/ui/form/use-command';
import { enough, solveWeeks, takeWeeks } from './actions';
import type { WeeksNow } from './now/queries';
import type { WeeksView } from './queries';

/** Asked so often while it solves, ms. */
const OFTEN = 700;

const IDLE: WeeksNow = { is: 'idle', said: '', inTheWay: [], ways: [], stopped: false, soFar: [] };

/** Solving, and what it says of itself while it runs. */
export function useWeeks(view: WeeksView) {
  const router = useRouter();
  const [polled, setNow] = useState<WeeksNow>();
  // What another page began is heard of with the page itself.
  const now = polled?.is === 'running' || view.now.is !== 'running' ? (polled ?? view.now) : view.now;
  const running = now.is === 'running';
  const [ending, end] = useTransition();
  const look = useCallback(async () => {
    try {
      const response = await fetch('/api/weeks');
      if (!response.ok) return;
      const said = (await response.json()) as WeeksNow;
      if (said.is === 'running') setNow(said);
      // It runs until the page with what was found is here.
      else
        end(() => {
          setNow(said);
          router.refresh();
        });
    } catch {
      // The next look asks again.
    }
  }, [router]);
  const isAsking = running && !ending;
  useEffect(() => {
    if (!isAsking) return;
    const timer = setInterval(() => void look(), OFTEN);
    return () => clearInterval(timer);
  }, [isAsking, look]);
  const solve = useCommand(solveWeeks, 'solve-weeks', () => setNow({ ...IDLE, is: 'running', said: 'Solving …' }));
  const stop = useCommand(enough, 'enough-weeks', () => void look());
  const [taken, setTaken] = useState<{ readonly plans: number; readonly dropped: number }>();
  const take = useCommand(takeWeeks, 'take-weeks', ({ planIds, dropped }) =>
    setTaken({ plans: planIds.length, dropped }),
  );
  return {
    now,
    running: running || ending,
    taken,
    solve: (ask: WeeksAsk) => {
      setTaken(undefined);
      solve.run({ ask });
    },
    solving: solve,
    stop: () => stop.run({}),
    take,
  };
}
