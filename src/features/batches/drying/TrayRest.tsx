'use client';

import Button from '@mui/material/Button';
import { restOffTrays, REST_FATES } from '@/core/batch/steps/dry';
import { Caution } from '@/ui/Caution';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { settleTrayRest } from '../actions';
import styles from './drying.module.css';
import type { DryingProps } from './use-drying';

/** Trays come to so much more than was set aside before it is said (ours, no source). */
const OVER = 0.02;
/** Less than this part of a share is rounding of its weighings (ours, no source). */
const A_REST = 0.005;
const WORDS: Readonly<Record<(typeof REST_FATES)[number], string>> = {
  back: 'Divide them otherwise',
  eaten: 'Eaten',
  thrown: 'Thrown away',
};

/** What lies on no tray of a share that is to be dried: it is asked about, not lost. */
export function TrayRest({ view, share }: DryingProps) {
  const { inMass } = useUnits();
  const settle = useCommand(settleTrayRest, `tray-rest-${share.id}`);
  const rest = restOffTrays(share);
  if (share.trays.length === 0) return null;
  if (rest < -(share.grams * OVER + 5))
    return (
      <Caution role="status">
        The trays hold {inMass(-rest)} more than the {inMass(share.grams)} that were set aside. Was a tray’s own weight
        left in? Otherwise it is kept so: more was laid on than was planned.
      </Caution>
    );
  // A scale's last grams are no rest.
  if (rest < Math.max(5, share.grams * A_REST)) return null;
  return (
    <div role="status" className="stack">
      <p>
        <b>{inMass(rest)}</b> of it lie on no tray. What became of them?
      </p>
      <div className={styles.acts}>
        {REST_FATES.map((became) => (
          <Button
            key={became}
            variant="outlined"
            disabled={settle.pending}
            onClick={() => settle.run({ batchId: view.id, shareId: share.id, became })}
          >
            {WORDS[became]}
          </Button>
        ))}
      </div>
      <Problems problems={settle.problems} />
    </div>
  );
}
