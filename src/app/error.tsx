'use client';

import Button from '@mui/material/Button';
import { Link } from '@/ui/Link';

export default function RoomError({ reset }: { reset: () => void }) {
  return (
    <div className="page stack">
      <h1>This page stumbled</h1>
      <p>Nothing was changed. Look again; if it stays like this, restart Hodman.</p>
      <p className="soft">
        Where only this page stumbles, something that it shows cannot be read. How it was before is in the{' '}
        <Link href="/household#backups">backups</Link>; the other rooms go on.
      </p>
      <p>
        <Button variant="contained" onClick={reset}>
          Look again
        </Button>
      </p>
    </div>
  );
}
