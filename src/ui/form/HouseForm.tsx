'use client';

import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { FormProvider, type FieldValues } from 'react-hook-form';
import { DraftNote } from './DraftNote';
import { Problems } from './Problems';
import type { useHouseForm } from './use-house-form';

interface HouseFormProps<Entry extends FieldValues> {
  of: Pick<ReturnType<typeof useHouseForm<Entry, never, never>>, 'form' | 'draft' | 'onSubmit'> & {
    readonly save: Pick<ReturnType<typeof useHouseForm<never, never, never>>['save'], 'atHead' | 'pending'>;
  };
  /** The fields that say their own problems; all others are said at the head. */
  shown: readonly string[];
  act: string;
  children: ReactNode;
}

/** The frame of a form of the house: what was kept of it, its problems at the head, its fields, its one act. */
export function HouseForm<Entry extends FieldValues>({
  of: { form, draft, save, onSubmit },
  shown,
  act,
  children,
}: HouseFormProps<Entry>) {
  return (
    <FormProvider {...form}>
      <form className="stack" noValidate onSubmit={(event) => void onSubmit(event)}>
        <DraftNote draft={draft} />
        <Problems problems={save.atHead(...shown)} />
        {children}
        <div>
          <Button type="submit" variant="contained" size="large" disabled={save.pending}>
            {act}
          </Button>
        </div>
      </form>
    </FormProvider>
  );
}
