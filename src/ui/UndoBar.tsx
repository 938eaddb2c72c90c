'use client';

import Button from '@mui/material/Button';
import styles from './undo-bar.module.css';

/** Says what was just done and takes it back with one press. */
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
    <div className={styles.bar} role="status">
      <span>{said}</span>
      {undo && (
        <Button variant="outlined" onClick={undo} disabled={pending}>
          Take it back
        </Button>
      )}
      <button type="button" className={styles.close} aria-label="Close this message" onClick={onClose}>
        ×
      </button>
    </div>
  );
}
