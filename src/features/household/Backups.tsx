'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { sayInside, type Inside } from '@/core/household/backups';
import { clockIn, dayIn, writeDayInFull } from '@/core/calendar/local-date';
import { countOf } from '@/core/quantity/count-words';
import { Fold } from '@/ui/Fold';
import { Working } from '@/ui/Working';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { lookIntoBackup, makeBackup, restoreBackup } from './actions';
import type { BackupView } from './queries';

/** The list below is long after a year; these are looked for most. */
const SHOWN = 3;

/** Whole copies of everything: made each day, made now, taken home, put back. */
export function Backups({ backups, timeZone }: { backups: readonly BackupView[]; timeZone: string }) {
  const make = useCommand(makeBackup, 'make-backup');
  const [back, setBack] = useState(false);
  const [newest] = backups;
  const row = (backup: BackupView) => (
    <BackupRow key={backup.name} backup={backup} timeZone={timeZone} onBack={() => setBack(true)} />
  );
  return (
    <section className="stack" aria-labelledby="backups">
      <h2 id="backups">Backups</h2>
      <p className="soft">
        {newest
          ? `Everything was last copied on ${newest.said}. A copy is made each day and before each upgrade.`
          : 'Nothing is copied yet. A copy is made each day and before each upgrade.'}
      </p>
      <Problems problems={make.problems} />
      {make.pending ? (
        <Working said="Copying everything, and opening the copy to see that it is whole" />
      ) : (
        <div>
          <Button variant="outlined" onClick={() => make.run({})}>
            Make one now
          </Button>
        </div>
      )}
      <p role="status" className="inOrder">
        {back && 'It is back. How it was before is a backup too: the newest one.'}
      </p>
      {backups.length > 0 && <ul className="rows">{backups.slice(0, SHOWN).map(row)}</ul>}
      {backups.length > SHOWN && (
        <Fold title={countOf(backups.length - SHOWN, 'older one')}>
          <ul className="rows">{backups.slice(SHOWN).map(row)}</ul>
        </Fold>
      )}
    </section>
  );
}

interface BackupRowProps {
  backup: BackupView;
  timeZone: string;
  onBack: () => void;
}

/** One copy: taken home as a file, or put back once what is in it was seen. */
function BackupRow({ backup: { name, said, size }, timeZone, onBack }: BackupRowProps) {
  const when = (at: Date) => `${writeDayInFull(dayIn(at, timeZone))}, ${clockIn(at, timeZone)}`;
  const [inside, setInside] = useState<Inside>();
  const look = useCommand(lookIntoBackup, `look-${name}`, setInside);
  const restore = useCommand(restoreBackup, `restore-${name}`, () => {
    setInside(undefined);
    onBack();
  });
  return (
    <li>
      <p className="rowName">
        {said} <span className="note">{size}</span>
      </p>
      <Problems problems={[...look.problems, ...restore.problems]} />
      {inside && !restore.pending && (
        <div className="stack">
          <p>{sayInside(inside, when)}</p>
          <p className="caution">Everything that was written down since goes aside, into a backup of now.</p>
          <div className="spread">
            <Button variant="contained" data-next-act onClick={() => restore.run({ name })}>
              Put this back
            </Button>
            <Button variant="text" onClick={() => setInside(undefined)}>
              Leave it
            </Button>
          </div>
        </div>
      )}
      {look.pending && <Working said="Opening it" />}
      {restore.pending && <Working said="Putting it back: nobody is let in meanwhile" />}
      <div className="spread">
        <span>
          <a href={`/api/backups/${name}`} download>
            Take home
          </a>
          {' · '}
          <a href={`/api/backups/${name}/open-data`} download>
            as open data
          </a>
        </span>
        {!inside && !look.pending && !restore.pending && (
          <Button variant="text" onClick={() => look.run({ name })} aria-label={`Put back ${said}`}>
            Put back …
          </Button>
        )}
      </div>
    </li>
  );
}

/** The database is on a server: whoever keeps that keeps its copies. */
export function BackedUpThere() {
  return (
    <section className="stack" aria-labelledby="backups">
      <h2 id="backups">Backups</h2>
      <p className="soft">
        The database is on a server of its own: it is backed up there, by pg_dump or whoever keeps it.
      </p>
      <p>
        <a href="/api/open-data" download>
          Take everything home as open data
        </a>
      </p>
    </section>
  );
}
