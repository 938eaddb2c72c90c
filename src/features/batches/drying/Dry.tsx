'use client';

import Button from '@mui/material/Button';
import { countOf } from '@/core/quantity/count-words';
import type { StepKey } from '@/core/batch/steps';
import { useLive } from '@/ui/server-time';
import type { BatchView } from '../view';
import { DryShare } from './DryShare';

/** Drying: each load with where it stands, its trays against what they can leave, and the water to put back. */
export function Dry({ view, onOpen }: { view: BatchView; onOpen: (step: StepKey) => void }) {
  useLive();
  const shares = (view.weighed?.shares ?? []).filter((share) => share.fate === 'dry' && share.grams > 0);
  // What is bagged comes last: it needs nothing more.
  const ordered = [...shares].sort((a, b) => Number(a.sealed) - Number(b.sealed));
  const sealed = view.weighed?.packs.length ?? 0;
  return (
    <div className="stack">
      {sealed > 0 && (
        <p>
          {countOf(sealed, 'pack')} {sealed === 1 ? 'is' : 'are'} sealed: write on the labels.{' '}
          <Button variant="outlined" onClick={() => onOpen('pack')}>
            The labels
          </Button>
        </p>
      )}
      {ordered.map((share, index) => (
        <DryShare
          key={share.id}
          view={view}
          share={share}
          name={shares.length > 1 ? `Load ${shares.indexOf(share) + 1}` : undefined}
          isFirst={index === 0}
          onPack={() => onOpen('pack')}
        />
      ))}
    </div>
  );
}
