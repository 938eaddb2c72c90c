'use client';

import Button from '@mui/material/Button';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { renewCalendar } from './actions';
import styles from './household.module.css';

/** What is to be done, in the calendar of a phone: as a file, or as an address that only this household knows. */
export function CalendarFeed({ secret }: { secret: string | null }) {
  const renew = useCommand(renewCalendar, 'renew-calendar');
  return (
    <section className="stack" aria-labelledby="calendar">
      <h2 id="calendar">In your calendar</h2>
      <p className="soft">
        What to take out, feed, cook and weigh, for eight weeks. The address below is as good as a key.
      </p>
      <p>
        <a href="/api/calendar/file" download>
          as a file
        </a>
      </p>
      {secret !== null && (
        <p className={styles.address}>
          <a href={`/api/calendar/${secret}`}>/api/calendar/{secret}</a>
        </p>
      )}
      <Problems problems={renew.problems} />
      <div className="spread">
        <Button variant="outlined" disabled={renew.pending} onClick={() => renew.run({ on: true })}>
          {secret === null ? 'Give it an address' : 'Another address: the old one ends'}
        </Button>
        {secret !== null && (
          <Button variant="text" disabled={renew.pending} onClick={() => renew.run({ on: false })}>
            no address any more
          </Button>
        )}
      </div>
    </section>
  );
}
