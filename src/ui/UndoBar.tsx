'use client';

import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Snackbar from '@mui/material/Snackbar';

/** Says what was just done and takes it back with one press; it stays until it is closed. */
export function UndoBar({
  said,
  undo,
  pending,
  onClose,
}: {
  said: string;
  undo?: () => void;
  pending?: boolean;
  onClose: () => void;
}) {
  return (
    <Snackbar
      open
      transitionDuration={0}
      message={said}
      onClose={(_, reason) => reason === 'escapeKeyDown' && onClose()}
      slotProps={{ content: { role: 'status' } }}
      action={
        <>
          {undo && (
            <Button variant="outlined" onClick={undo} disabled={pending}>
              Take it back
            </Button>
          )}
          <IconButton color="inherit" aria-label="Close this message" onClick={onClose}>
            ×
          </IconButton>
        </>
      }
    />
  );
}
