'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import type { FrozenEntry } from '@/core/learned/beside';
import { PACK_FORMS, type PackForm } from '@/core/preserve/freezing';
import { Fold } from '@/ui/Fold';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { noteFrozen } from '../actions';
import styles from './learned.module.css';

const EMPTY: FrozenEntry = { form: 'flat bag', centimetres: '', sides: '1', fan: false, hours: '' };
const FORMS: Readonly<Record<PackForm, string>> = { 'flat bag': 'a flat bag', tub: 'a tub', cubes: 'cubes' };

/** How long something took to freeze is written down here: looked at when it was hard, whoever packed it. */
export function FrozenThrough() {
  const [entry, setEntry] = useState(EMPTY);
  const [done, setDone] = useState('');
  const note = useCommand(noteFrozen, 'frozen', () => {
    setEntry(EMPTY);
    setDone('Written down; from the second one on it is taken.');
  });
  const change = (part: Partial<FrozenEntry>) => {
    note.clear();
    setDone('');
    setEntry({ ...entry, ...part });
  };
  return (
    <Fold title="Write down how long something took to freeze">
      <form
        className="stack"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          note.run({ entry });
        }}
      >
        <p className="note">Food from the fridge, until it was hard all through.</p>
        <div className={styles.frozen}>
          <Choice
            label="It was"
            value={entry.form}
            options={PACK_FORMS.map((value) => ({ value, label: FORMS[value] }))}
            onChange={(form) => change({ form })}
          />
          <Field
            label={entry.form === 'cubes' ? 'Across' : 'Thick'}
            unit="cm"
            inputMode="decimal"
            autoComplete="off"
            value={entry.centimetres}
            onChange={(event) => change({ centimetres: event.target.value })}
            problem={note.at('centimetres')}
          />
          <Choice
            label="It lay"
            value={entry.sides}
            options={[
              { value: '1', label: 'on a shelf' },
              { value: '2', label: 'on a rack' },
            ]}
            onChange={(sides) => change({ sides })}
          />
          <Choice
            label="In air"
            value={entry.fan ? 'fan' : 'still'}
            options={[
              { value: 'still', label: 'without a fan' },
              { value: 'fan', label: 'with a fan' },
            ]}
            onChange={(air) => change({ fan: air === 'fan' })}
          />
          <Field
            label="Frozen through after"
            unit="h"
            inputMode="decimal"
            autoComplete="off"
            value={entry.hours}
            onChange={(event) => change({ hours: event.target.value })}
            problem={note.at('hours')}
          />
        </div>
        <Problems problems={note.atHead('centimetres', 'hours')} />
        <div>
          <Button type="submit" variant="outlined" disabled={note.pending}>
            Write it down
          </Button>{' '}
          <span role="status">{done}</span>
        </div>
      </form>
    </Fold>
  );
}
