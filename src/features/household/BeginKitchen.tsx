'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useState } from 'react';
import { kitchenToTick, usualFreezer } from '@/core/plan/equipment-entry';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { LinkButton } from '@/ui/LinkButton';
import { useOnward } from '@/ui/setup/setup';
import { useUnits } from '@/ui/units';
import { beginKitchen } from './actions';
import styles from './household.module.css';

/** What a kitchen has, to be ticked: a plan is limited by it. */
export function BeginKitchen() {
  const { set } = useUnits();
  const [things, setThings] = useState(() => kitchenToTick(set).map(({ entry, usual }) => ({ entry, on: usual })));
  const [freezer, setFreezer] = useState({ on: true, size: usualFreezer(set) });
  const onward = useOnward('kitchen');
  const begin = useCommand(beginKitchen, 'begin-kitchen', () => onward('/household'));
  const ticked = things.filter(({ on }) => on);
  const change = (place: number, part: Partial<(typeof things)[number]>) =>
    setThings(things.map((thing, index) => (index === place ? { ...thing, ...part } : thing)));
  return (
    <form
      className="page"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        begin.run({ things: ticked.map(({ entry }) => entry), ...(freezer.on ? { freezer: freezer.size } : {}) });
      }}
    >
      <h1>What does your kitchen have?</h1>
      <p className="soft">
        A plan then says how many pots it takes, how many tubs it fills, and what the freezer cannot take.
      </p>
      <ul className={`rows ${styles.ticks}`}>
        {things.map(({ entry, on }, place) => (
          <Ticked
            key={entry.name}
            name={entry.name}
            on={on}
            onTick={(next) => change(place, { on: next })}
            count={entry.count === '1' ? undefined : entry.count}
            onCount={(count) => change(place, { entry: { ...entry, count } })}
            size={entry.size}
            onSize={(size) => change(place, { entry: { ...entry, size } })}
            problem={on ? begin.at(`things.${ticked.findIndex((each) => each.entry === entry)}.size`) : undefined}
            each={entry.kind === 'pot' || entry.kind.endsWith('cooker') ? undefined : 'each'}
          />
        ))}
        <Ticked
          name="freezer"
          on={freezer.on}
          onTick={(on) => setFreezer({ ...freezer, on })}
          size={freezer.size}
          onSize={(size) => setFreezer({ ...freezer, size })}
          problem={begin.at('freezer')}
          each="for packs"
        />
      </ul>
      <Problems problems={begin.problems.filter(({ field }) => field === undefined)} />
      <div className="spread">
        <Button type="submit" variant="contained" size="large" disabled={begin.pending}>
          That is my kitchen
        </Button>
        <LinkButton variant="text" href="/plan">
          later
        </LinkButton>
      </div>
    </form>
  );
}

interface TickedProps {
  name: string;
  on: boolean;
  onTick: (on: boolean) => void;
  size: string;
  onSize: (size: string) => void;
  count?: string | undefined;
  onCount?: (count: string) => void;
  problem: string | undefined;
  each: string | undefined;
}

function Ticked({ name, on, onTick, size, onSize, count, onCount, problem, each }: TickedProps) {
  return (
    <li className={styles.ticked}>
      <FormControlLabel
        control={<Checkbox checked={on} onChange={(_, next) => onTick(next)} />}
        label={<b>{name}</b>}
      />
      {on && (
        <div className={styles.sizes}>
          {count !== undefined && onCount && (
            <Field
              label={`How many ${name}`}
              hideLabel
              value={count}
              onChange={(event) => onCount(event.target.value)}
              inputMode="numeric"
              autoComplete="off"
            />
          )}
          <Field
            label={`Size of ${name}`}
            hideLabel
            value={size}
            onChange={(event) => onSize(event.target.value)}
            problem={problem}
            unit={each}
            autoComplete="off"
          />
        </div>
      )}
    </li>
  );
}
