'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import type { KnownFood } from '@/core/food/food';
import { ownMeasure } from '@/core/food/measures';
import type { UnitSet } from '@/core/quantity/units';
import { CupLevel } from '@/ui/drawings/CupLevel';
import { Field } from '@/ui/form/Field';
import { useCommand } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { saveMeasure } from '../actions';
import styles from '../recipes.module.css';

interface WeighOnceProps {
  known: KnownFood;
  unit: string;
  set: UnitSet;
  /** Why the table cannot tell. */
  why: string | undefined;
  onWeighed: (food: KnownFood) => void;
}

/** Asks once what a measure of a food weighs in this kitchen, and remembers it. */
export function WeighOnce({ known, unit, set, why, onWeighed }: WeighOnceProps) {
  const [weight, setWeight] = useState('');
  const save = useCommand(saveMeasure, `measure-${known.food.ndb}-${unit}`, ({ grams }) =>
    onWeighed({ ...known, measures: [ownMeasure(unit, grams, set), ...known.measures] }),
  );
  const remember = () => save.run({ ndb: known.food.ndb, unit, weight });
  return (
    <div className={styles.weighOnce} role="group" aria-label={`Weigh one ${unit}`}>
      <Field
        label={`One ${unit} weighs here`}
        unit={useUnits().scaleUnit}
        inputMode="decimal"
        autoComplete="off"
        value={weight}
        onChange={(event) => setWeight(event.target.value)}
        onKeyDown={(event) => {
          if (event.key !== 'Enter') return;
          event.preventDefault();
          remember();
        }}
        problem={save.problems[0]?.message}
      />
      <Button variant="outlined" size="small" disabled={save.pending} onClick={remember}>
        Remember it
      </Button>
      {unit === 'cup' && <CupLevel />}
      {why && (
        <p className="note" role="status">
          {why}
        </p>
      )}
    </div>
  );
}
