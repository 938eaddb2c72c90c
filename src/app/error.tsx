'use client';

import Button from '@mui/material/Button';

export default function RoomError({ reset }: { reset: () => void }) {
  return (
    <div className="page stack">
      <h1>This page stumbled</h1>
      <p>Nothing was changed. Look again; if it stays like this, restart Hodman.</p>
      <p>
        <Button variant="contained" onClick={reset}>
          Look again
        </Button>
      </p>
    </div>
  );
}
