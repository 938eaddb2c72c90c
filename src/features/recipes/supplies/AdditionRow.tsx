'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import { useState } from 'react';
import { bulkOf } from '@/core/quantity/units';
import { writeFixed, writePlain } from '@/core/quantity/write';
import { Field } from '@/ui/form/Field';
import { useCommand } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { setAddition } from '../actions';
import type { KnownAddition } from '../queries';
import styles from './supplies.module.css';

/** One thing that may be proposed: whether, up to how much, and at what price. */
export function AdditionRow({ addition, currency }: { addition: KnownAddition; currency: string }) {
  const { food, allowed, cap, price } = addition;
  const { set, inMass, toType, scaleUnit } = useUnits();
  const bulk = bulkOf(set);
  const stored = {
    allowed,
    cap: toType(cap, writePlain(cap, 2)),
    price: price === undefined ? '' : writeFixed((price * bulk.grams) / 100, 2),
  };
  const [typed, setTyped] = useState(stored);
  const [open, setOpen] = useState(false);
  const save = useCommand(setAddition, `addition-${food.ndb}`, () => setOpen(false));
  const changed = JSON.stringify(typed) !== JSON.stringify(stored);
  const keep = (next: typeof typed) => save.run({ key: food.ndb, ...next });
  return (
    <li className={styles.addition}>
      <label className={styles.allow}>
        <Checkbox
          checked={typed.allowed}
          onChange={(_, on) => {
            const next = { ...typed, allowed: on };
            setTyped(next);
            keep(next);
          }}
        />{' '}
        {food.name}
      </label>
      {!open && (
        <>
          <span className="note">
            at most {inMass(cap)} in 1000 kcal
            {price === undefined ? '' : ` · ${currency} ${stored.price} a ${bulk.unit}`}
          </span>
          <Button variant="text" size="small" aria-label={`Change ${food.name}`} onClick={() => setOpen(true)}>
            change
          </Button>
        </>
      )}
      {open && (
        <div className={styles.limits}>
          <Field
            label="At most, in 1000 kcal"
            unit={scaleUnit}
            autoComplete="off"
            value={typed.cap}
            onChange={(event) => setTyped({ ...typed, cap: event.target.value })}
            problem={save.at('cap')}
          />
          <Field
            label={`Price of a ${bulk.unit}, ${currency}`}
            inputMode="decimal"
            autoComplete="off"
            value={typed.price}
            onChange={(event) => setTyped({ ...typed, price: event.target.value })}
            problem={save.at('price')}
          />
          <Button
            variant="outlined"
            size="small"
            aria-label={`Keep ${food.name}`}
            disabled={!changed || save.pending}
            onClick={() => keep(typed)}
          >
            keep
          </Button>
        </div>
      )}
    </li>
  );
}
