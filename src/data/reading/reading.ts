import 'server-only';
import { refused, type Outcome } from '@/core/problem';
import type { FileApart } from '@/core/recipe/files/apart';
import type { FoundLine } from '@/core/recipe/found-line';
import type { Kitchen } from '@/core/recipe/kitchen-lines';
import { LONGEST_LINE } from '@/core/recipe/free-line';

/** What a thread that reads is told: a file; or the kitchen that it reads lines for, then line by line. */
export type ReadingQuestion = { readonly file: string } | { readonly kitchen: Kitchen } | { readonly line: string };
/** It says once that it has its tables, then answers each file and each line. */
export type ReadingAnswer =
  { readonly ready: true } | { readonly file: Outcome<FileApart> } | { readonly found: FoundLine };

/** A thread that reads; a test may put something else in its place. */
export interface ReadingThread {
  readonly postMessage: (question: ReadingQuestion) => void;
  readonly on: (event: 'message' | 'error', told: (said: unknown) => void) => unknown;
  readonly terminate: () => unknown;
}

/** Milliseconds that reading may take: the thread's start, a file, one line, all lines of one request. */
export interface ReadingBudget {
  readonly start: number;
  readonly file: number;
  readonly line: number;
  readonly request: number;
}

/** A line takes some milliseconds at worst; these are for a machine that does much else (no source). */
export const BUDGET: ReadingBudget = { start: 120_000, file: 20_000, line: 2_000, request: 60_000 };

export interface HowItIsRead {
  /** Ends the reading: nobody waits for it any more. */
  readonly signal?: AbortSignal;
  /** Called after each line with how many are read. */
  readonly onRead?: (read: number) => void;
}

export interface Reading {
  /** Reads lines for a kitchen, as many as the budget allows: fewer answers than lines where time ran out. */
  readonly lines: (kitchen: Kitchen, lines: readonly string[], how?: HowItIsRead) => Promise<readonly FoundLine[]>;
  /** Takes a file of recipes apart; says so where that takes too long. */
  readonly file: (text: string, how?: HowItIsRead) => Promise<Outcome<FileApart>>;
}

/** Nobody waits for the answer any more. */
export class NobodyWaits extends Error {
  constructor() {
    super('Nobody waits for what is read.');
  }
}

const asWords = (line: string): FoundLine => {
  const text = line.trim().slice(0, LONGEST_LINE);
  const aside = 'reading it took too long';
  return {
    text,
    entry: { amount: '', ndb: '', preparation: text, part: 'herb', moment: 'cook', words: true, aside },
    known: undefined,
    asks: null,
    grams: null,
    choices: [],
  };
};

/**
 * Reads in a thread of its own, so that nothing that is read takes the house down: one thing at a time whoever asks, each
 * within its time, else the thread is ended, another takes over, and the line stays words. Errors: NobodyWaits; what
 * the thread itself could not do.
 */
export function reading(start: () => ReadingThread, budget: ReadingBudget = BUDGET): Reading {
  let thread: Promise<ReadingThread> | undefined;
  let readsFor: Kitchen | undefined;
  let answered: (answer: ReadingAnswer) => void = () => undefined;
  let failed: (error: unknown) => void = () => undefined;
  let turn: Promise<unknown> = Promise.resolve();

  /** The next thing that the thread says, or undefined where it says nothing in time. */
  const answerWithin = (milliseconds: number) =>
    new Promise<ReadingAnswer | undefined>((resolve, reject) => {
      // What came while this thread was busy otherwise, and waits to be heard, came in time.
      const late = setTimeout(() => setImmediate(() => resolve(undefined)), milliseconds);
      answered = (answer) => {
        clearTimeout(late);
        resolve(answer);
      };
      failed = (error) => {
        clearTimeout(late);
        reject(error instanceof Error ? error : new Error(String(error)));
      };
    });

  const begin = async (): Promise<ReadingThread> => {
    readsFor = undefined;
    const begun = start();
    begun.on('message', (said) => answered(said as ReadingAnswer));
    begun.on('error', (error) => {
      thread = undefined;
      failed(error);
    });
    if ((await answerWithin(budget.start)) !== undefined) return begun;
    begun.terminate();
    throw new Error('The thread that reads did not start.');
  };

  /** Asks the thread; one that does not answer in time is ended. */
  const ask = async (milliseconds: number, question: ReadingQuestion, kitchen?: Kitchen) => {
    const beginning = (thread ??= begin());
    beginning.catch(() => (thread = undefined));
    const reader = await beginning;
    if (kitchen !== undefined && readsFor !== kitchen) {
      reader.postMessage({ kitchen });
      readsFor = kitchen;
    }
    const coming = answerWithin(milliseconds);
    reader.postMessage(question);
    const answer = await coming;
    if (answer !== undefined) return answer;
    thread = undefined;
    await reader.terminate();
    return undefined;
  };

  /** Whoever else asks has something of theirs read in between. */
  const inTurn = <T>(signal: AbortSignal | undefined, work: () => Promise<T>): Promise<T> => {
    const mine = turn.then(() => {
      if (signal?.aborted === true) throw new NobodyWaits();
      return work();
    });
    turn = mine.catch(() => undefined);
    return mine;
  };

  return {
    lines: async (kitchen, lines, { signal, onRead } = {}) => {
      const until = performance.now() + budget.request;
      const found: FoundLine[] = [];
      for (const line of lines) {
        if (performance.now() > until) break;
        const answer = await inTurn(signal, () => ask(budget.line, { line }, kitchen));
        found.push(answer !== undefined && 'found' in answer ? answer.found : asWords(line));
        onRead?.(found.length);
      }
      return found;
    },
    file: async (text, { signal } = {}) => {
      const answer = await inTurn(signal, () => ask(budget.file, { file: text }));
      return answer !== undefined && 'file' in answer
        ? answer.file
        : refused('Reading this file took too long, and was ended. Nothing was taken: take it in parts.', 'text');
    },
  };
}
