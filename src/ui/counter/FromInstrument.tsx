'use client';

import Button from '@mui/material/Button';
import { useHotkeys } from 'react-hotkeys-hook';
import { useInstrument } from '../instruments';
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
  const take = () => settled !== undefined && onTake(settled);
  useHotkeys('=', take, {
    enabled: on && settled !== undefined,
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
        {kind} <b>{write(heard.shows)}</b> {settled === undefined && 'still moves'}
        {heard.batteryLow && ' · battery low'}
      </span>
      <Button variant="outlined" disabled={settled === undefined} onClick={take}>
        Take it {on && <span className={styles.key}>=</span>}
      </Button>
    </p>
  );
}
