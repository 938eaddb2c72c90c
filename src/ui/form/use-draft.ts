'use client';

import { useEffect, useState } from 'react';
import type { FieldValues, UseFormReturn } from 'react-hook-form';
import type { z } from 'zod';
import { draftIn, draftText, forgetDraft, keepDraft } from './drafts';

export interface Draft {
  /** What stands in the form was typed before and has not been stored. */
  readonly restored: boolean;
  readonly forget: () => void;
  readonly startOver: () => void;
}

/** Keeps what is typed into a form over a reload or an upgrade, until it is stored. */
export function useDraft<Values extends FieldValues>(
  form: UseFormReturn<Values, unknown, Values>,
  slot: string,
  shape: z.ZodType<Values>,
): Draft {
  const { reset, subscribe } = form;
  const [restored, setRestored] = useState(false);
  useEffect(() => {
    const kept = draftIn(draftText(slot), shape);
    // The server knows no draft: it can only be put in once the form stands in the browser.
    const putting = setTimeout(() => {
      if (!kept) return;
      reset(kept, { keepDefaultValues: true });
      setRestored(true);
    });
    const stop = subscribe({
      formState: { values: true, isDirty: true },
      callback: ({ values, isDirty }) => {
        if (isDirty) keepDraft(slot, values);
      },
    });
    return () => {
      clearTimeout(putting);
      stop();
    };
  }, [slot, shape, reset, subscribe]);
  return {
    restored,
    forget: () => forgetDraft(slot),
    startOver: () => {
      forgetDraft(slot);
      reset();
      setRestored(false);
    },
  };
}
