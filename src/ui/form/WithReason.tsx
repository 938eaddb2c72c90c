'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { Field } from './Field';
import styles from './form.module.css';

interface WithReasonProps {
  /** What is pressed to be asked. */
  ask: string;
  question: string;
  hint?: string;
  /** What is pressed once the reason is written. */
  act: string;
  pending: boolean;
  onWhy: (why: string) => void;
  /** It is being asked, or not any more: what stands beside it may give way. */
  onAsked?: (asked: boolean) => void;
  outlined?: boolean;
}

/** Something out of the ordinary that wants a reason: a quiet press asks for it, and it is kept with what was done. */
export function WithReason({ ask, question, hint, act, pending, onWhy, onAsked, outlined }: WithReasonProps) {
  const [why, setWhy] = useState<string>();
  const open = (next: string | undefined) => {
    setWhy(next);
    onAsked?.(next !== undefined);
  };
  if (why === undefined)
    return (
      <Button variant={outlined ? 'outlined' : 'text'} disabled={pending} onClick={() => open('')}>
        {ask}
      </Button>
    );
  const take = () => {
    if (why.trim() === '' || pending) return;
    onWhy(why);
    open(undefined);
  };
  return (
    <div className={styles.reason}>
      <Field
        label={question}
        hint={hint}
        value={why}
        onChange={(event) => setWhy(event.target.value)}
        onKeyDown={(event) => {
          if (event.key !== 'Enter') return;
          event.preventDefault();
          take();
        }}
        autoFocus
        autoComplete="off"
      />
      <Button variant="contained" disabled={pending || why.trim() === ''} onClick={take}>
        {act}
      </Button>
      <Button variant="text" onClick={() => open(undefined)}>
        Never mind
      </Button>
    </div>
  );
}
