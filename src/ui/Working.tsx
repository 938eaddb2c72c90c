'use client';

import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import styles from './working.module.css';

/** Long work: what is being done, that it goes on, and the way to stop it. */
export function Working({ said, onStop }: { said: string; onStop?: () => void }) {
  return (
    <div className={styles.working} role="status">
      <div>
        <p>{said}</p>
        <LinearProgress aria-label={said} />
      </div>
      {onStop && (
        <Button variant="outlined" onClick={onStop}>
          Stop
        </Button>
      )}
    </div>
  );
}
