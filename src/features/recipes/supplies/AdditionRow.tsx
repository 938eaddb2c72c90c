'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import { useState } from 'react';
import { writeFixed, writeNumber } from '@/core/quantity/write';
import { Field } from '@/ui/form/Field';
import { useCommand } from '@/ui/form/use-command';
import { useHydrated } from '@/ui/use-hydrated';
import { setAddition } from '../actions';
import type { KnownAddition } from '../queries';
import styles from './supplies.module.css';

/** One thing that may be proposed: whether, up to how much, and at what price. */
export function AdditionRow({ addition, currency }: { addition: KnownAddition; currency: string }) {
  const { food, allowed, cap, price } = addition;
  const stored = {
    allowed,
    cap: writeNumber(cap, 2),
    pricePerKg: price === undefined ? '' : writeFixed((price * 1000) / 100, 2),
  };
  const [typed, setTyped] = useState(stored);
  const [open, setOpen] = useState(false);
  const hydrated = useHydrated();
  const save = useCommand(setAddition, `addition-${food.ndb}`, () => setOpen(false));
  const changed = JSON.stringify(typed) !== JSON.stringify(stored);
  const keep = (next: typeof typed) => save.run({ key: food.ndb, ...next });
  return (
    <li className={styles.addition}>
      <label className={styles.allow}>
        <Checkbox
          checked={typed.allowed}
          disabled={!hydrated}
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
            at most {stored.cap} g in 1000 kcal
            {price === undefined ? '' : ` · ${currency} ${stored.pricePerKg} a kg`}
          </span>
          <Button
            variant="text"
            size="small"
            aria-label={`Change ${food.name}`}
            disabled={!hydrated}
            onClick={() => setOpen(true)}
          >
            change
          </Button>
        </>
      )}
      {open && (
        <div className={styles.limits}>
          <Field
            label="At most, in 1000 kcal"
            unit="g"
            inputMode="decimal"
            autoComplete="off"
            value={typed.cap}
            onChange={(event) => setTyped({ ...typed, cap: event.target.value })}
            problem={save.at('cap')}
          />
          <Field
            label={`Price of a kg, ${currency}`}
            inputMode="decimal"
            autoComplete="off"
            value={typed.pricePerKg}
            onChange={(event) => setTyped({ ...typed, pricePerKg: event.target.value })}
            problem={save.at('pricePerKg')}
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
