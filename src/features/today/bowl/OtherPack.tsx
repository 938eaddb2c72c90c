'use client';

import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import { writeDay, type LocalDate } from '@/core/calendar/local-date';
import { Tub } from '@/ui/badges/badges';
import styles from '../today.module.css';
import type { ShownSource } from '../view';
import { useUnits } from '@/ui/units';

interface OtherPackProps {
  open: boolean;
  day: LocalDate;
  dogName: string;
  sources: readonly ShownSource[];
  onChoose: (key: string) => void;
  onClose: () => void;
}

/** Another pack than the next in order: whatever is ready, whosever name it carries. */
export function OtherPack({ open, dogName, sources, day, onChoose, onClose }: OtherPackProps) {
  const { inMass } = useUnits();
  return (
    <Dialog open={open} onClose={onClose} aria-labelledby={`other-pack-${dogName}`} fullWidth maxWidth="xs">
      <div className={styles.dialog}>
        <h2 id={`other-pack-${dogName}`}>From which pack for {dogName}?</h2>
        <ul className={styles.choices}>
          {sources.map((source) => (
            <li key={source.key}>
              <Button variant="outlined" fullWidth className={styles.choice} onClick={() => onChoose(source.key)}>
                <Tub hatch={source.protein.hatch} size={32} />
                <span>
                  <b>{source.code}</b> {source.whose !== undefined && `for ${source.whose}, `}
                  {inMass(source.grams)}
                  {source.kind === 'dry' && ' dry'} of {source.pot}
                  {source.piece !== undefined && ', frozen: cubes as they are'}
                  {source.safeUntil && ` · until ${writeDay(source.safeUntil, day)}`}
                </span>
              </Button>
            </li>
          ))}
        </ul>
        <Button variant="text" onClick={onClose}>
          Leave it as it is
        </Button>
      </div>
    </Dialog>
  );
}
