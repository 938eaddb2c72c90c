'use client';

import Button from '@mui/material/Button';
import { useEffect, useEffectEvent, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { onSettled, useInstrument } from '../instruments';
import { useShortcutsOn } from '../shortcuts';
import styles from './instrument.module.css';

interface FromInstrumentProps {
  kind: 'scale' | 'probe';
  /** How a figure of it is written here. */
  write: (value: number) => string;
  onTake: (value: number) => void;
}

/** What an instrument shows beside a field, and the one key that takes it. Without an instrument there is nothing. */
export function FromInstrument({ kind, write, onTake }: FromInstrumentProps) {
  const heard = useInstrument(kind);
  const [on] = useShortcutsOn();
  const settled = heard?.settled;
  const [waits, setWaits] = useState(false);
  const take = () => (settled === undefined ? setWaits(true) : onTake(settled));
  // Pressed while it still moved, it is taken as soon as it rests.
  const taken = useEffectEvent((value: number) => {
    setWaits(false);
    onTake(value);
  });
  useEffect(() => (waits ? onSettled(kind, taken) : undefined), [waits, kind]);
  useHotkeys('=', take, {
    enabled: on && heard !== undefined && !heard.silent,
    enableOnFormTags: true,
    preventDefault: true,
    useKey: true,
  });
  if (!heard) return null;
  if (heard.silent)
    return (
      <p className={styles.said} role="status">
        The {kind} is silent. Type what you read.
      </p>
    );
  return (
    <p className={styles.said}>
      <span className={settled === undefined ? 'soft' : undefined}>
        {kind} <b>{write(heard.shows)}</b> {settled === undefined && (waits ? 'is taken when it rests' : 'still moves')}
        {heard.batteryLow && ' · battery low'}
      </span>
      <Button variant="outlined" disabled={waits} onClick={take}>
        Take it {on && <span className={styles.key}>=</span>}
      </Button>
    </p>
  );
}
