'use client';

import { nanoid } from 'nanoid';
import { useCallback, useRef, useState, useTransition } from 'react';
import type { CommandResult, Problem } from '@/core/problem';
import { forget, keep, readKept } from '../storage';
import { useFocusAfter } from '../next-act';

/** A server action of the house as a form sees it. */
export type HouseAction<Input, Value> = (asked: {
  commandId: string;
  input: Input;
}) => Promise<{ data?: CommandResult<Value>; serverError?: string; validationErrors?: unknown }>;

const SILENT = 'Hodman did not answer. Nothing that you typed is lost: press again.';
const UPGRADED = 'This page is from before an upgrade. Reload it: what you typed is kept.';
const MISSHAPEN = 'Something here cannot be read. Check the fields and press again.';

/**
 * The id of an attempt: the same for the same input until an answer has come, even over a reload in mid-submit, so
 * that pressing again cannot do it twice.
 */
function attemptId(slot: string, input: unknown): string {
  const key = `hodman-attempt-${slot}`;
  const asked = JSON.stringify(input);
  const [id, before] = JSON.parse(readKept('session', key) ?? '[]') as string[];
  if (id !== undefined && before === asked) return id;
  const fresh = nanoid();
  keep('session', key, JSON.stringify([fresh, asked]));
  return fresh;
}

/**
 * Sends a command and keeps its problems; `slot` names the form, so that its attempt survives a reload. What `atOnce`
 * says to a `useOptimistic` stands until the page with the answer does, and not a moment less.
 */
export function useCommand<Input, Value>(
  action: HouseAction<Input, Value>,
  slot: string,
  onDone?: (value: Value, input: Input) => void,
) {
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [pending, start] = useTransition();
  useFocusAfter(pending);

  const last = useRef<Input>(undefined);

  const run = useCallback(
    (input: Input, atOnce?: () => void) => {
      last.current = input;
      start(async () => {
        atOnce?.();
        const commandId = attemptId(slot, input);
        try {
          const result = await action({ commandId, input });
          if (!result.data) {
            setProblems([{ message: result.serverError ?? MISSHAPEN }]);
            return;
          }
          forget('session', `hodman-attempt-${slot}`);
          setProblems(result.data.ok ? [] : result.data.problems);
          if (result.data.ok) onDone?.(result.data.value, input);
        } catch (error) {
          const upgraded = /server action/i.test(String(error));
          setProblems([{ message: upgraded ? UPGRADED : SILENT }]);
        }
      });
    },
    [action, slot, onDone],
  );

  const at = (field: string) => problems.find((problem) => problem.field === field)?.message;
  /** Problems of fields that the form does not show go to its head. */
  const atHead = (...shown: string[]) =>
    problems.filter((problem) => problem.field === undefined || !shown.includes(problem.field));
  /** What was asked last, once more, with an answer to what was asked back. */
  const again = (answer: Partial<Input>) => {
    if (last.current !== undefined) run({ ...last.current, ...answer });
  };
  return { run, again, pending, problems, at, atHead, clear: () => setProblems([]) };
}
