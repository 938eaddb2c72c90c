'use client';

import Button from '@mui/material/Button';
import { Caution } from '@/ui/Caution';
import type { Draft } from './use-draft';

/** Says that a form holds what was typed before and not stored, and lets go of it with one press. */
export function DraftNote({ draft }: { draft: Draft }) {
  if (!draft.restored) return null;
  return (
    <Caution role="status">
      What you typed before is still here, not stored yet.{' '}
      <Button variant="text" size="small" onClick={draft.startOver}>
        start over
      </Button>
    </Caution>
  );
}
