'use client';

import Button from '@mui/material/Button';
import type { Unusual } from '@/core/portion/unusual';
import { countOf } from '@/core/quantity/count-words';
import { Caution } from '@/ui/Caution';
import styles from './batches.module.css';

const percent = (part: number) => `${Math.round(part * 100)} %`;

/** A pot that came to far less or more than the others of its recipe: asked about before it is kept. */
export function AskYield({ of, onSure }: { of: Unusual; onSure: () => void }) {
  return (
    <Caution role="status">
      <div className={styles.acts}>
        <span>
          {percent(of.part)} of what went in; your {countOf(of.pots, 'pot')} of this lay between {percent(of.low)} and{' '}
          {percent(of.high)}. {of.part < of.low ? 'A vessel forgotten?' : 'A tare forgotten?'}
        </span>
        <Button variant="outlined" onClick={onSure}>
          It is so
        </Button>
      </div>
    </Caution>
  );
}
