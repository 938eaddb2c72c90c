'use client';

import Button from '@mui/material/Button';
import { countOf } from '@/core/quantity/count-words';
import { AskBack } from '@/ui/form/AskBack';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { moveTo } from './actions';
import styles from './today.module.css';
import type { TodayView } from './view';

/** Packs that waited in the fridge for their day in the freezer: one press says that they are in it. */
export function ToFreezer({ of }: { of: TodayView['toFreezer'][number] }) {
  const move = useCommand(moveTo, `to-freezer-${of.placeId}`);
  return (
    <section className={styles.tonight} aria-labelledby={`to-freezer-${of.placeId}`}>
      <h2 id={`to-freezer-${of.placeId}`}>Into the {of.place.toLowerCase()}</h2>
      {of.holdingIds.length > 0 ? (
        <>
          <p>{of.said}</p>
          <p className="note">it has frozen what went in before{of.later && `; ${of.later}`}</p>
          <Problems problems={move.atHead('fits')} />
          <AskBack command={move} field="fits" label="They fit" answer={{ fits: true }} />
          <Button
            variant="outlined"
            fullWidth
            size="large"
            disabled={move.pending}
            onClick={() => move.run({ holdingIds: [...of.holdingIds], placeId: of.placeId })}
          >
            {countOf(of.holdingIds.length, 'pack')} in the {of.place.toLowerCase()}
          </Button>
        </>
      ) : (
        <p>{of.later}, they wait in the fridge</p>
      )}
    </section>
  );
}
