'use client';

import Button from '@mui/material/Button';
import Popover from '@mui/material/Popover';
import { useId, useState } from 'react';
import type { Explanation } from '@/core/explanation';
import styles from './why.module.css';

/** The small "why" beside a number: opens the sum with this case's figures and its source. */
export function Why({ of: explanation, about }: { of: Explanation; about: string }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const id = useId();
  return (
    <>
      <Button
        variant="text"
        size="small"
        aria-label={`Why: ${about}`}
        aria-expanded={anchor !== null}
        aria-controls={anchor ? id : undefined}
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        why
      </Button>
      <Popover
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => setAnchor(null)}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
        slotProps={{ paper: { id, className: styles.paper, role: 'dialog', 'aria-label': `Why: ${about}` } }}
      >
        <h2>{explanation.title}</h2>
        <dl className={styles.steps}>
          {explanation.steps.map((step, index) => (
            <div key={index}>
              <dt>{step.what}</dt>
              <dd>{step.sum}</dd>
            </div>
          ))}
        </dl>
        <p className="note">{explanation.source}</p>
      </Popover>
    </>
  );
}
