'use client';

import { useEffect, useState } from 'react';
import type { FieldValues, UseFormReturn } from 'react-hook-form';

export interface Draft {
  /** What stands in the form was typed before and has not been stored. */
  readonly restored: boolean;
  readonly forget: () => void;
  readonly startOver: () => void;
}

/** Keeps what is typed into a form over a reload or an upgrade, until it is stored. */
export function useDraft<Values extends FieldValues>(form: UseFormReturn<Values>, slot: string): Draft {
  const key = `hodman-draft-${slot}`;
  const { reset, subscribe } = form;
  const [restored, setRestored] = useState(false);
  useEffect(() => {
    const kept = sessionStorage.getItem(key);
    // The server knows no draft: it can only be put in once the form stands in the browser.
    const putting = setTimeout(() => {
      if (!kept) return;
      reset(JSON.parse(kept) as Values, { keepDefaultValues: true });
      setRestored(true);
    });
    const stop = subscribe({
      formState: { values: true, isDirty: true },
      callback: ({ values, isDirty }) => {
        if (isDirty) sessionStorage.setItem(key, JSON.stringify(values));
      },
    });
    return () => {
      clearTimeout(putting);
      stop();
    };
  }, [key, reset, subscribe]);
  const forget = () => sessionStorage.removeItem(key);
  return {
    restored,
    forget,
    startOver: () => {
      forget();
      reset();
      setRestored(false);
    },
  };
}
