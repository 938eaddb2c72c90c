'use client';

import Button from '@mui/material/Button';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { clockIsRight } from './actions';
import styles from './today.module.css';

/** The clock lies before what is written down: nothing is fed or moved until somebody says which is right. */
export function ClockAsked({ asked }: { asked: string }) {
  const say = useCommand(clockIsRight, 'clock-is-right');
  return (
    <div className={styles.when} role="alert">
      <p className="danger">
        <b>{asked}</b>
      </p>
      <p>If it is not, put the clock of this machine right, and look again. Until then nothing is fed or moved.</p>
      <Problems problems={say.problems} />
      <Button variant="outlined" disabled={say.pending} onClick={() => say.run({})}>
        The clock is right
      </Button>
    </div>
  );
}
