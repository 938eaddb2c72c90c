'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { reverseMovement } from '../actions';
import styles from '../store.module.css';
import type { OpenPack } from './queries';

/** Everything that was done with a pack, each thing to be taken back; what empties it asks first. */
export function History({ pack }: { pack: Pick<OpenPack, 'holdingId' | 'history'> }) {
  const [asked, setAsked] = useState<number>();
  const reverse = useCommand(reverseMovement, `pack-${pack.holdingId}-reverse`, () => setAsked(undefined));
  return (
    <section aria-labelledby="history">
      <h3 id="history">What was done with it</h3>
      <Problems problems={reverse.problems} />
      <ul className="rows">
        {pack.history.map((entry) => (
          <li key={entry.movementId} className={styles.entry}>
            <span>
              {entry.said} <span className="note">{entry.when}</span>
            </span>
            {asked === entry.movementId && entry.empties ? (
              <span className={styles.acts} role="status">
                {entry.empties}
                <Button
                  variant="contained"
                  size="small"
                  disabled={reverse.pending}
                  onClick={() => reverse.run({ movementId: entry.movementId })}
                >
                  Take it back
                </Button>
                <Button variant="text" size="small" onClick={() => setAsked(undefined)}>
                  leave it
                </Button>
              </span>
            ) : null}
            {entry.canReverse && asked !== entry.movementId && (
              <Button
                variant="text"
                size="small"
                aria-label={`Take back: ${entry.said}, ${entry.when}`}
                disabled={reverse.pending}
                onClick={() =>
                  entry.empties ? setAsked(entry.movementId) : reverse.run({ movementId: entry.movementId })
                }
              >
                take back
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
