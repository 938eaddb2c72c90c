'use client';

import ButtonBase from '@mui/material/ButtonBase';
import type { ReactNode } from 'react';
import styles from './kitchen.module.css';

export interface Stands {
  readonly id: number;
  readonly name: string;
  /** How many and how much of it: "60 of 450 g". */
  readonly said: string;
  readonly drawing: ReactNode;
}

interface StandingProps {
  label: string;
  things: readonly Stands[];
  open: number | 'new' | undefined;
  onOpen: (id: number | 'new' | undefined) => void;
  /** What a new one is called. */
  add: string;
}

/** Things as they stand in the kitchen: a press takes one in hand. */
export function Standing({ label, things, open, onOpen, add }: StandingProps) {
  const press = (id: number | 'new') => onOpen(open === id ? undefined : id);
  return (
    <ul className={styles.standing} aria-label={label}>
      {things.map((thing) => (
        <li key={thing.id}>
          <ButtonBase className={styles.thing} aria-expanded={open === thing.id} onClick={() => press(thing.id)}>
            {thing.drawing}
            <span>
              <span className="away">Change </span>
              <b>{thing.name}</b>
            </span>
            <span className="note">{thing.said}</span>
          </ButtonBase>
        </li>
      ))}
      <li>
        <ButtonBase
          className={`${styles.thing} ${styles.add}`}
          aria-expanded={open === 'new'}
          onClick={() => press('new')}
        >
          <span className={styles.plus} aria-hidden>
            +
          </span>
          <span>{add}</span>
        </ButtonBase>
      </li>
    </ul>
  );
}
