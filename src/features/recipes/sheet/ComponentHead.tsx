'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import type { ComponentEntry } from '@/core/recipe/entry-schema';
import { withDegrees } from '@/core/quantity/temperature';
import { Field } from '@/ui/form/Field';
import { useUnits } from '@/ui/units';
import styles from '../recipes.module.css';
import type { SheetForm } from './use-sheet-form';
import { sure } from '@/core/sure';

const ONE_POT: ComponentEntry = { name: 'pot' };

/** What is cooked in one vessel in one way: its name where there are several, and behind a press the vessel, the way, the time. */
export function ComponentHead({ sheet: { form, entry, problemAt }, place }: { sheet: SheetForm; place: number }) {
  const [open, setOpen] = useState(false);
  const { set } = useUnits();
  const alone = (entry.components ?? []).length < 2;
  const component = entry.components?.[place] ?? ONE_POT;
  const how = [
    component.vessel,
    component.method,
    component.minutes && `${component.minutes} min`,
    component.celsius && withDegrees(component.celsius, set),
  ].filter(Boolean);
  const name = `components.${place}` as const;
  const last = (entry.components ?? []).length - 1;
  const lone = entry.lines.every((line) => (line.component ?? 0) !== place);
  return (
    <div className={styles.component}>
      <div className="spread">
        {!alone && (
          <Field
            label={`Name of vessel ${place + 1}`}
            hideLabel
            placeholder="grain"
            autoComplete="off"
            {...form.register(`${name}.name`)}
            problem={problemAt(`${name}.name`)}
          />
        )}
        <Button
          variant="text"
          aria-expanded={open}
          onClick={() => {
            if (!entry.components) form.setValue('components', [ONE_POT]);
            setOpen(!open);
          }}
        >
          {how.length > 0 ? how.join(' · ') : 'how it is cooked'}
        </Button>
        {!alone && place === last && lone && (
          <Button
            variant="text"
            onClick={() => form.setValue('components', sure(entry.components).slice(0, -1), { shouldDirty: true })}
          >
            not apart after all
          </Button>
        )}
      </div>
      {open && entry.components && (
        <div className={styles.more}>
          <Field label="Vessel" placeholder="stockpot" autoComplete="off" {...form.register(`${name}.vessel`)} />
          <Field
            label="Method"
            placeholder="simmered, lid on"
            autoComplete="off"
            {...form.register(`${name}.method`)}
          />
          <Field
            label="Time"
            unit="min"
            inputMode="numeric"
            autoComplete="off"
            {...form.register(`${name}.minutes`)}
            problem={problemAt(`${name}.minutes`)}
          />
          <Field
            label="Temperature"
            unit={set === 'us' ? '°F' : '°C'}
            autoComplete="off"
            {...form.register(`${name}.celsius`)}
            problem={problemAt(`${name}.celsius`)}
          />
        </div>
      )}
    </div>
  );
}
