'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useState } from 'react';
import { WEEKDAYS, type WeeksAsk } from '@/core/weeks/ask';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Offers } from './Offers';
import type { WeeksView } from './queries';
import styles from './weeks.module.css';

interface AskedProps {
  view: WeeksView;
  ask: WeeksAsk;
  onChange: (part: Partial<WeeksAsk>) => void;
  at: (field: string) => string | undefined;
}

const NUMBERS = [
  { field: 'cover', label: 'Days of cover at least', hint: 'from the first cook day on' },
  { field: 'proteinDays', label: 'One protein for days at most', hint: 'empty: as it comes' },
  { field: 'proteins', label: 'Proteins a fortnight at least', hint: 'empty: as it comes' },
  { field: 'litres', label: 'Litres of the freezer', hint: 'empty: all of it' },
] as const;

const toggled = (ids: readonly number[], id: number, on: boolean) =>
  on ? [...ids, id] : ids.filter((each) => each !== id);

/** All that is asked of the weeks: for whom, what, when the cook can, what must hold, and what is wished first. */
export function Asked({ view, ask, onChange, at }: AskedProps) {
  return (
    <div className="stack">
      <div className={styles.asked}>
        <Choice
          label="Over"
          value={String(ask.weeks)}
          options={Array.from({ length: 11 }, (_, index) => ({
            value: String(index + 2),
            label: `${index + 2} weeks`,
          }))}
          onChange={(value) => onChange({ weeks: Number(value) })}
        />
        {NUMBERS.map(({ field, label, hint }) => (
          <Field
            key={field}
            label={label}
            hint={hint}
            inputMode="decimal"
            autoComplete="off"
            value={ask[field]}
            onChange={(event) => onChange({ [field]: event.target.value })}
            problem={at(field)}
          />
        ))}
        <Dryers view={view} ask={ask} onChange={onChange} at={at} />
      </div>
      <fieldset>
        <legend>
          <h3>Hours at the stove</h3>
        </legend>
        <div className={styles.hours}>
          {WEEKDAYS.map((name, index) => (
            <Field
              key={name}
              label={name}
              placeholder="–"
              inputMode="decimal"
              autoComplete="off"
              value={ask.hours[index] ?? ''}
              onChange={(event) =>
                onChange({ hours: ask.hours.map((own, other) => (other === index ? event.target.value : own)) })
              }
              problem={at(`hours.${index}`)}
            />
          ))}
        </div>
      </fieldset>
      <fieldset>
        <legend>
          <h3>May be cooked</h3>
        </legend>
        <ul className={styles.picks}>
          {view.recipes.map(({ recipeId, name, said, why, dogs }) => (
            <li key={recipeId}>
              <FormControlLabel
                control={
                  <Checkbox
                    checked={ask.recipeIds.includes(recipeId)}
                    onChange={(_, on) => onChange({ recipeIds: toggled(ask.recipeIds, recipeId, on) })}
                  />
                }
                label={name}
              />
              <p className="note">{why ? <span className="caution">not by the potful: {why}</span> : said}</p>
              {dogs.length > 1 && why === undefined && ask.recipeIds.includes(recipeId) && (
                <ForWhom recipe={{ recipeId, name }} dogs={dogs} ask={ask} onChange={onChange} />
              )}
            </li>
          ))}
        </ul>
      </fieldset>
      <Dogs view={view} ask={ask} onChange={onChange} />
      <Wishes ask={ask} onChange={onChange} />
      <Offers view={view} ask={ask} onChange={onChange} at={at} />
    </div>
  );
}

interface ForWhomProps extends Pick<AskedProps, 'ask' | 'onChange'> {
  recipe: { recipeId: number; name: string };
  dogs: WeeksView['recipes'][number]['dogs'];
}

/** Who gets a recipe: each dog is let in or out by a press; what stands against it is not offered. */
function ForWhom({ recipe: { recipeId, name }, dogs, ask, onChange }: ForWhomProps) {
  const notFor = ask.notFor ?? [];
  return (
    <div className={styles.forWhom} role="group" aria-label={`Who gets ${name}`}>
      {dogs.map(({ dogId, name: dog, may }) => {
        const isOut = notFor.some((each) => each.recipeId === recipeId && each.dogId === dogId);
        return (
          <Button
            key={dogId}
            variant={may && !isOut ? 'outlined' : 'text'}
            size="small"
            disabled={!may}
            aria-pressed={may && !isOut}
            onClick={() =>
              onChange({
                notFor: isOut
                  ? notFor.filter((each) => each.recipeId !== recipeId || each.dogId !== dogId)
                  : [...notFor, { recipeId, dogId }],
              })
            }
          >
            {may ? (isOut ? `not ${dog}` : dog) : `not for ${dog}`}
          </Button>
        );
      })}
    </div>
  );
}

/** How often each dryer may run; nothing written, it is not counted on. */
function Dryers({ view, ask, onChange, at }: AskedProps) {
  const asked = ask.dryers ?? [];
  return view.dryers.map(({ equipmentId, name, said }) => {
    const index = asked.findIndex((each) => each.equipmentId === equipmentId);
    return (
      <Field
        key={equipmentId}
        label={`Cycles a week, ${name}`}
        hint={`${said}; empty: not counted on`}
        inputMode="numeric"
        autoComplete="off"
        value={asked[index]?.cycles ?? ''}
        onChange={(event) => {
          const own = { equipmentId, cycles: event.target.value };
          onChange({ dryers: index === -1 ? [...asked, own] : asked.with(index, own) });
        }}
        problem={index === -1 ? undefined : at(`dryers.${index}.cycles`)}
      />
    );
  });
}

function Dogs({ view, ask, onChange }: Omit<AskedProps, 'at'>) {
  const words = [...new Set(view.recipes.map(({ protein }) => protein))];
  return (
    <fieldset>
      <legend>
        <h3>For</h3>
      </legend>
      <ul className={styles.picks}>
        {view.allDogs.map(({ id, name, always }) => (
          <li key={id}>
            <FormControlLabel
              control={
                <Checkbox
                  checked={ask.dogIds.includes(id)}
                  onChange={(_, on) => onChange({ dogIds: toggled(ask.dogIds, id, on) })}
                />
              }
              label={name}
            />
            {ask.dogIds.includes(id) &&
              always.map(({ said, isHeld }) => (
                <p key={said} className="note">
                  {said}
                  {isHeld ? '' : ', which these weeks do not hold to: they do not cook it for this dog'}
                </p>
              ))}
            {ask.dogIds.includes(id) && (
              <Choice
                label={`What ${name} gets`}
                hideLabel
                value={ask.only.find(({ dogId }) => dogId === id)?.protein ?? ''}
                options={[
                  { value: '', label: 'all that it may have' },
                  ...words.map((word) => ({ value: word, label: `${word} alone (elimination diet)` })),
                ]}
                onChange={(protein) =>
                  onChange({
                    only: [
                      ...ask.only.filter(({ dogId }) => dogId !== id),
                      ...(protein === '' ? [] : [{ dogId: id, protein }]),
                    ],
                  })
                }
              />
            )}
          </li>
        ))}
      </ul>
    </fieldset>
  );
}

/** What counts first: a wish is moved up by a press. */
function Wishes({ ask, onChange }: Pick<AskedProps, 'ask' | 'onChange'>) {
  const [moved, setMoved] = useState<string>();
  return (
    <fieldset>
      <legend>
        <h3>Wished, the first before the others</h3>
      </legend>
      <ol>
        {ask.wishes.map((wish, index) => (
          <li key={wish} className={styles.wish}>
            <span>{wish}</span>
            <Button
              variant="text"
              disabled={index === 0}
              data-next-act={moved === wish || undefined}
              aria-label={`${wish} before ${ask.wishes[index - 1] ?? ''}`}
              onClick={() => {
                const wishes = [...ask.wishes];
                wishes.splice(index, 1);
                wishes.splice(index - 1, 0, wish);
                setMoved(wish);
                onChange({ wishes });
              }}
            >
              sooner
            </Button>
          </li>
        ))}
      </ol>
    </fieldset>
  );
}
