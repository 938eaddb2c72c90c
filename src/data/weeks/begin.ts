import 'server-only';
import { nanoid } from 'nanoid';
import type { LocalDate } from '@/core/calendar/local-date';
import { keptOf } from '@/core/weeks/kept';
import { secondsFor } from '@/core/weeks/solve';
import { tellOfChange } from '../changes';
import { now } from '../clock';
import { runCommand } from '../commands/run';
import { keepWeeks } from '../commands/weeks';
import { house } from '../house';
import type { WeeksHouse } from './inputs';
import { weeksJob } from './solver';

/** Begins to solve what was asked, in the background; what is found is kept. */
export function beginWeeks({ read: { problem } }: WeeksHouse, today: LocalDate): { seconds: number } {
  const seconds = secondsFor(problem);
  weeksJob().solve(problem, seconds, async ({ answer }) => {
    if (!answer) return;
    const kept = keptOf(answer, today, problem.days);
    const done = await runCommand(
      { ...(await house()), now: now() },
      { id: nanoid(), kind: 'weeks solved' },
      (context) => keepWeeks(context, { answer: kept }),
    );
    if (!done.ok) throw new Error(done.problems.map(({ message }) => message).join(' '));
    tellOfChange();
  });
  return { seconds };
}

/** What is found so far is enough. */
export const enoughWeeks = (): void => weeksJob().enough();
