'use client';

import Button from '@mui/material/Button';
import { useState, useSyncExternalStore } from 'react';
import { Caution } from './Caution';
import { keep, readKept } from './storage';

const KEY = 'hodman-not-secure';
const never = () => () => undefined;
const isToSay = () => !window.isSecureContext && readKept('local', KEY) === null;

/** Over the home network browsers keep some things back that they allow on this machine itself: said once on each device. */
export function NotSecure() {
  const asked = useSyncExternalStore(never, isToSay, () => false);
  const [seen, setSeen] = useState(false);
  if (!asked || seen) return null;
  return (
    <div className="page">
      <Caution role="status">
        Over the home network a browser does not let Hodman keep the screen lit, or ring while it is dark: keep it lit
        by hand while you cook. A code on a label is read by the phone’s own camera, or typed.{' '}
        <Button
          variant="text"
          onClick={() => {
            keep('local', KEY, 'seen');
            setSeen(true);
          }}
        >
          I know
        </Button>
      </Caution>
    </div>
  );
}
