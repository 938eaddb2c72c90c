'use client';

import { useEffect, useRef, useState } from 'react';
import type { FieldValues, UseFormReturn } from 'react-hook-form';
import { useHotkeys } from 'react-hotkeys-hook';

/** A pause as long as this ends a step: what is typed in one go is taken back in one go. */
const PAUSE_MS = 600;

export interface Undo {
  readonly undo: (() => void) | undefined;
  readonly redo: (() => void) | undefined;
  /** Ends the step before: what comes next is taken back by itself. */
  readonly mark: () => void;
}

/** Takes back and does again what changed in a form, step by step. */
export function useUndo<Values extends FieldValues>(form: UseFormReturn<Values>): Undo {
  const { subscribe, reset, getValues } = form;
  const past = useRef<string[]>([]);
  const future = useRef<string[]>([]);
  const now = useRef<string>(undefined);
  const [depth, setDepth] = useState({ past: 0, future: 0 });

  const settle = () => {
    const values = JSON.stringify(getValues());
    if (now.current !== undefined && values !== now.current) {
      past.current = [...past.current.slice(-99), now.current];
      future.current = [];
    }
    now.current = values;
    setDepth({ past: past.current.length, future: future.current.length });
  };
  const settling = useRef(settle);
  useEffect(() => {
    settling.current = settle;
  });
  useEffect(() => {
    let pause: ReturnType<typeof setTimeout> | undefined;
    const first = setTimeout(() => settling.current(), 0);
    const stop = subscribe({
      formState: { values: true },
      callback: () => {
        clearTimeout(pause);
        pause = setTimeout(() => settling.current(), PAUSE_MS);
      },
    });
    return () => {
      clearTimeout(first);
      clearTimeout(pause);
      stop();
    };
  }, [subscribe]);

  const step = (from: typeof past, to: typeof past) => {
    settle();
    const values = from.current.at(-1);
    if (values === undefined || now.current === undefined) return;
    from.current = from.current.slice(0, -1);
    to.current = [...to.current, now.current];
    now.current = values;
    reset(JSON.parse(values) as Values, { keepDefaultValues: true });
    setDepth({ past: past.current.length, future: future.current.length });
  };
  const undo = () => step(past, future);
  const redo = () => step(future, past);
  useHotkeys('mod+z', undo, { preventDefault: true });
  useHotkeys('mod+shift+z, mod+y', redo, { preventDefault: true });
  return { undo: depth.past > 0 ? undo : undefined, redo: depth.future > 0 ? redo : undefined, mark: settle };
}
