'use client';

import Button from '@mui/material/Button';
import { writeDay, type LocalDate } from '@/core/calendar/local-date';
import { cautionOf } from '@/core/dog/stage';
import { Caution } from '@/ui/Caution';
import { useCommand } from '@/ui/form/use-command';
import { seeCaution } from './actions';
import styles from './dogs.module.css';
import type { DogView } from './queries';

/** What is said of a dog of its age or with its illness: once, here, and again after half a year. */
export function CautionToSee({ dog, today }: { dog: DogView['dog']; today: LocalDate }) {
  const see = useCommand(seeCaution, `caution-${dog.id}`);
  const caution = cautionOf(dog, today);
  if (!caution) return null;
  if (caution.seen)
    return (
      <p className="note">
        {caution.said} Seen on {writeDay(caution.seen.on, today)}; asked again on {writeDay(caution.seen.until, today)}.
      </p>
    );
  return (
    <Caution>
      <span className={styles.toSee}>
        <span>{caution.said}</span>
        {!dog.archived && (
          <Button variant="outlined" disabled={see.pending} onClick={() => see.run({ dogId: dog.id })}>
            Seen
          </Button>
        )}
      </span>
    </Caution>
  );
}
