'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import { useState } from 'react';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { Tub } from '@/ui/badges/badges';
import { moveToFridge } from './actions';
import styles from './today.module.css';
import type { TodayView } from './view';
import { nth } from '@/core/sure';

/** Packs that tomorrow needs and that lie in the freezer: one press moves those that are ticked. */
export function Tonight({ packs, placeId }: { packs: TodayView['tonight']; placeId: number }) {
  const [left, setLeft] = useState<readonly number[]>([]);
  const move = useCommand(moveToFridge, 'tonight', () => setLeft([]));
  const moving = packs.filter((pack) => !left.includes(pack.holdingId));
  if (packs.length === 0) {
    return (
      <section className={styles.tonight} aria-labelledby="tonight">
        <h2 id="tonight">Tonight</h2>
        <p>Nothing needs to leave the freezer for tomorrow.</p>
      </section>
    );
  }
  return (
    <section className={styles.tonight} aria-labelledby="tonight">
      <h2 id="tonight">Tonight, to the fridge</h2>
      <ul>
        {packs.map((pack) => (
          <li key={pack.holdingId} className={styles.thaw}>
            <Tub hatch={pack.hatch} />
            <label htmlFor={`thaw-${pack.holdingId}`}>
              <b>{pack.code}</b> <span className="soft">{pack.said}</span>
            </label>
            <Checkbox
              id={`thaw-${pack.holdingId}`}
              checked={!left.includes(pack.holdingId)}
              onChange={(_, on) => setLeft(on ? left.filter((id) => id !== pack.holdingId) : [...left, pack.holdingId])}
            />
          </li>
        ))}
      </ul>
      <Problems problems={move.problems} />
      <Button
        variant="outlined"
        fullWidth
        size="large"
        disabled={moving.length === 0 || move.pending}
        onClick={() => move.run({ holdingIds: moving.map((pack) => pack.holdingId), placeId })}
      >
        {moving.length === 1 ? `Moved ${nth(moving, 0).code}` : `Moved all ${moving.length}`}
      </Button>
    </section>
  );
}
