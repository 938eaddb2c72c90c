'use client';

import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { useHydrated } from '../use-hydrated';
import { DraftNote } from './DraftNote';
import { Problems } from './Problems';
import type { useHouseForm } from './use-house-form';

interface HouseFormProps {
  of: Pick<ReturnType<typeof useHouseForm<never, never, never>>, 'draft' | 'onSubmit'> & {
    readonly save: Pick<ReturnType<typeof useHouseForm<never, never, never>>['save'], 'atHead' | 'pending'>;
  };
  /** The fields that say their own problems; all others are said at the head. */
  shown: readonly string[];
  act: string;
  children: ReactNode;
}

/** The frame of a form of the house: what was kept of it, its problems at the head, its fields, its one act. */
export function HouseForm({ of: { draft, save, onSubmit }, shown, act, children }: HouseFormProps) {
  const hydrated = useHydrated();
  return (
    <form className="stack" noValidate onSubmit={(event) => void onSubmit(event)}>
      <DraftNote draft={draft} />
      <Problems problems={save.atHead(...shown)} />
      {children}
      <div>
        <Button type="submit" variant="contained" size="large" disabled={!hydrated || save.pending}>
          {act}
        </Button>
      </div>
    </form>
  );
}
