'use client';

import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { STANDING_CAUTION } from '@/ui/Caution';
import styles from './print.module.css';

/** The printer's own window, by a press; on paper itself it is not there. */
export const PrintButton = () => (
  <Button variant="outlined" onClick={() => window.print()}>
    Print it
  </Button>
);

/** A sheet for the kitchen wall: black on white, nothing that only a screen can do, the caution at its foot. `beside`: what its button stands beside. */
export function Print({ children, beside }: { children: ReactNode; beside?: ReactNode }) {
  return (
    <div className="page">
      <div className={styles.tools}>
        {beside}
        <PrintButton />
      </div>
      <article className={styles.paper}>
        {children}
        <p className={styles.small}>{STANDING_CAUTION}</p>
      </article>
    </div>
  );
}

/** Lines with a box to tick. */
export function PaperLines({
  lines,
}: {
  lines: readonly { readonly key: string | number; readonly what: ReactNode; readonly amount: ReactNode }[];
}) {
  return (
    <ul className={styles.lines}>
      {lines.map(({ key, what, amount }) => (
        <li key={key}>
          <span className={styles.box} aria-hidden />
          <span>{what}</span>
          <b>{amount}</b>
        </li>
      ))}
    </ul>
  );
}
