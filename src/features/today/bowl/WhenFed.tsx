import Button from '@mui/material/Button';
import { sure } from '@/core/sure';
import styles from '../today.module.css';
import type { NextBowl } from '../view';
import type { Bowl } from './use-bowl';

/** A press far from the meal's time asks which is meant: its time, or now. */
export function WhenFed({ next, bowl }: { next: NextBowl; bowl: Bowl }) {
  const { feed, press } = bowl;
  if (feed.at('at') === undefined) return null;
  return (
    <div className={styles.when} role="alert">
      <p>
        <b>{feed.at('at')}</b>
      </p>
      {!sure(feed.at('at')).includes('already') && (
        <Button variant="contained" disabled={feed.pending} onClick={() => press(next.clock)}>
          At {next.clock}
        </Button>
      )}
      <Button variant="outlined" disabled={feed.pending} onClick={() => press('now')}>
        Now
      </Button>
      <Button variant="text" onClick={feed.clear}>
        not yet
      </Button>
    </div>
  );
}
