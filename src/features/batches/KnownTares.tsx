'use client';

import Button from '@mui/material/Button';
import { useUnits } from '@/ui/units';
import type { BatchView } from './view';
import styles from './batches.module.css';

interface KnownTaresProps {
  tares: BatchView['tares'];
  onTake: (vessel: BatchView['tares'][number]) => void;
}

/** The vessels whose empty weight this kitchen knows: one press writes name and tare. */
export function KnownTares({ tares, onTake }: KnownTaresProps) {
  const { inMass } = useUnits();
  if (tares.length === 0) return null;
  return (
    <p className={styles.acts}>
      <span className="soft">Empty, by name:</span>
      {tares.map((vessel) => (
        <Button key={vessel.name} variant="outlined" onClick={() => onTake(vessel)}>
          {vessel.name} {inMass(vessel.tare)}
        </Button>
      ))}
    </p>
  );
}
