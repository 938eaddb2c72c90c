'use client';

import Checkbox from '@mui/material/Checkbox';
import { useWatch } from 'react-hook-form';
import { ASKS_PER } from '@/core/recipe/entry';
import type { LineEntry } from '@/core/recipe/entry-schema';
import { BASES, MOMENTS, PARTS, type Basis, type Moment } from '@/core/recipe/recipe';
import { STATES } from '@/core/recipe/written';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import styles from '../recipes.module.css';
import type { SheetForm } from './use-sheet-form';
import { sure } from '@/core/sure';

const MOMENT_WORDS: Readonly<Record<Moment, string>> = {
  cook: 'cooked along',
  'off heat': 'off the heat',
  'stir-in': 'stirred in once it is lukewarm',
  raw: 'raw: it is never cooked',
  bowl: 'in the bowl',
};
const BASIS_WORDS: Readonly<Record<Basis, string>> = {
  batch: 'the batch',
  load: 'each potful',
  line: 'another line',
  'animal protein': 'weight of animal protein',
  'finished food': 'weight of finished food',
  'dog and day': 'each dog and day',
  'body weight and day': 'body weight and day',
};

/** What stands in small under a line: its part, its moment, and what else is not as usual. */
export const sayBasis = (line: LineEntry): string =>
  [
    line.part,
    MOMENT_WORDS[line.moment],
    line.basis && line.basis !== 'batch' ? `by ${BASIS_WORDS[line.basis].replace(/^the /, '')}` : '',
    line.choice?.trim() ? `one of “${line.choice.trim()}”` : '',
  ]
    .filter(Boolean)
    .join(' · ');

interface LineMoreProps {
  index: number;
  sheet: SheetForm;
  problem: (field: string) => string | undefined;
}

/** The rest of a line: what it is, when it goes in, what its amount is bound to, what does not stay. */
export function LineMore({ index, sheet: { form, entry, known }, problem }: LineMoreProps) {
  const line = useWatch({ control: form.control, name: `lines.${index}` });
  const number = index + 1;
  const set = <Key extends keyof LineEntry>(key: Key, value: LineEntry[Key]) =>
    form.setValue(`lines.${index}.${key}` as `lines.${number}.amount`, value as string, { shouldDirty: true });
  const basis = line.basis ?? 'batch';
  const components = entry.components ?? [];
  return (
    <div className={styles.more} role="group" aria-label={`More about line ${number}`}>
      <Choice
        label="Part"
        value={line.part}
        options={PARTS.map((part) => ({ value: part, label: part }))}
        onChange={(part) => set('part', part)}
      />
      <Choice
        label="Goes in"
        value={line.moment}
        options={MOMENTS.map((moment) => ({ value: moment, label: MOMENT_WORDS[moment] }))}
        onChange={(moment) => set('moment', moment)}
      />
      <Choice
        label="Weighed"
        value={line.state ?? 'raw'}
        options={STATES.map((state) => ({ value: state, label: state }))}
        onChange={(state) => set('state', state)}
      />
      <Choice
        label="Amount is for"
        value={basis}
        options={BASES.map((each) => ({ value: each, label: BASIS_WORDS[each] }))}
        onChange={(next) => set('basis', next)}
      />
      {ASKS_PER[basis] && (
        <Field
          label="For how much"
          placeholder={basis === 'body weight and day' ? '10 kg' : '1 lb'}
          autoComplete="off"
          {...form.register(`lines.${index}.perAmount`)}
          problem={problem('perAmount')}
        />
      )}
      {basis === 'line' && (
        <div>
          <Choice
            label="Of line"
            value={String(line.perLine ?? '')}
            options={[
              { value: '', label: 'choose a line' },
              ...entry.lines.flatMap((other, place) =>
                place === index || other.words || !known.get(other.ndb)
                  ? []
                  : [{ value: String(place), label: `${place + 1} ${sure(known.get(other.ndb)).food.name}` }],
              ),
            ]}
            onChange={(place) => set('perLine', place === '' ? undefined : Number(place))}
          />
          {problem('perLine') && <p className="danger">{problem('perLine')}</p>}
        </div>
      )}
      <Field
        label={line.strained ? 'Strained out' : 'Peel, core or bone'}
        unit="%"
        inputMode="decimal"
        autoComplete="off"
        placeholder={line.strained ? '100' : '0'}
        {...form.register(`lines.${index}.refuse`)}
        problem={problem('refuse')}
      />
      <Field
        label="One of (a choice at planning)"
        placeholder="one green"
        autoComplete="off"
        {...form.register(`lines.${index}.choice`)}
      />
      {components.length > 1 && (
        <Choice
          label="Cooked in"
          value={String(line.component ?? 0)}
          options={components.map((component, place) => ({ value: String(place), label: component.name || '?' }))}
          onChange={(place) => set('component', Number(place))}
        />
      )}
      <label className={styles.tick}>
        <Checkbox checked={line.strained ?? false} onChange={(_, on) => set('strained', on)} /> strained out again
        (broth bones)
      </label>
    </div>
  );
}
