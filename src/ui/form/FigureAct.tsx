'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { readCount } from '@/core/quantity/typed';
import { Field } from './Field';
import styles from './form.module.css';

interface FigureActProps {
  label: string;
  unit: string;
  hint: string;
  /** What is pressed once it is typed. */
  act: string;
  /** It may be pressed with nothing typed. */
  mayBeEmpty?: boolean;
  contained?: boolean;
  pending: boolean;
  problem: string | undefined;
  onAct: (figure: number | undefined) => void;
}

/** One figure and the press that takes it. */
export function FigureAct({ label, unit, hint, act, mayBeEmpty, contained, pending, problem, onAct }: FigureActProps) {
  const [text, setText] = useState('');
  const read = text.trim() === '' ? undefined : readCount(text);
  const isReady = read === undefined ? mayBeEmpty === true : read.ok;
  return (
    <div className={styles.figureAct}>
      <Field
        label={label}
        unit={unit}
        inputMode="decimal"
        autoComplete="off"
        value={text}
        onChange={(event) => setText(event.target.value)}
        problem={read && !read.ok ? read.problem.message : problem}
        hint={hint}
      />
      <Button
        variant={contained ? 'contained' : 'outlined'}
        disabled={pending || !isReady}
        onClick={() => onAct(read?.ok ? read.value : undefined)}
      >
        {act}
      </Button>
    </div>
  );
}
