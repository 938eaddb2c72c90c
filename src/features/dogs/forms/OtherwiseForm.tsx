'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import { partOf, per100 } from '@/core/nutrition/density';
import { useRouter } from 'next/navigation';
import { useFieldArray } from 'react-hook-form';
import { dayEnergy } from '@/core/dog/day-energy';
import { rationOn } from '@/core/dog/dog';
import type { Extra } from '@/core/dog/extras';
import {
  EXTRA_MEASURES,
  readOtherwise,
  unbalancedCaution,
  type ExtraMeasure,
  type OtherwiseEntry,
  otherwiseEntrySchema,
} from '@/core/dog/otherwise-entry';
import { newFoodPart } from '@/core/dog/transition';
import { addDays, writeDay } from '@/core/calendar/local-date';
import { writePlain, writeNumber } from '@/core/quantity/write';
import { Caution } from '@/ui/Caution';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { HouseForm } from '@/ui/form/HouseForm';
import { useHouseForm } from '@/ui/form/use-house-form';
import { setOtherwise } from '../actions';
import styles from '../dogs.module.css';
import type { DogView } from '../queries';
import { DogForm } from './DogForm';
import { nth } from '@/core/sure';

const KINDS: readonly { value: Extra['kind']; label: string }[] = [
  { value: 'bought', label: 'bought complete food' },
  { value: 'treat', label: 'treat' },
  { value: 'topper', label: 'topper' },
];
const MEASURES: readonly { value: ExtraMeasure; label: string }[] = EXTRA_MEASURES.map((value) => ({
  value,
  label: {
    '100 g': 'g, by kcal per 100 g',
    cup: 'cups, by kcal a cup',
    piece: 'pieces, by kcal each',
    kcal: 'kcal',
    '% of the day': '% of the day',
  }[value],
}));
const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

function entryOf({ dog, today }: DogView): OtherwiseEntry {
  const { extras, transition } = rationOn(dog, today);
  return {
    extras: extras.map((extra) => ({
      name: extra.name,
      kind: extra.kind,
      amount: writePlain(extra.size.by === 'part' ? extra.size.part * 100 : extra.size.kcal, 1),
      measure: extra.size.by === 'part' ? '% of the day' : 'kcal',
      label: '',
      weekdays: [...extra.weekdays],
    })),
    oldFood: transition?.from ?? '',
    oldLabel: transition?.density === undefined ? '' : writePlain(per100(transition.density), 0),
    oldDays: String(transition?.days ?? 8),
  };
}

/** What a dog gets beside the pot: bought food, treats, toppers, on some days or all; and a change of food. */
export function OtherwiseForm({ view }: { view: DogView }) {
  const { dog, today } = view;
  const router = useRouter();
  const { kcal } = dayEnergy(dog, today);
  const house = useHouseForm({
    slot: `otherwise-${dog.id}`,
    entry: entryOf(view),
    shape: otherwiseEntrySchema,
    read: (typed) => readOtherwise(typed, today, kcal),
    action: setOtherwise,
    input: (typed) => ({ dogId: dog.id, entry: typed }),
    onDone: () => router.push(`/dogs/${dog.id}`),
  });
  const { form, entry, at } = house;
  const rows = useFieldArray({ control: form.control, name: 'extras' });
  const read = readOtherwise(entry, today, kcal);
  return (
    <DogForm
      dog={dog}
      title={`What else ${dog.name} eats`}
      said={`of ${writeNumber(kcal, 0)} kcal a day; what remains is cooked`}
      beside={
        read.ok ? (
          <Week view={view} read={read.value} />
        ) : (
          <p className="soft">The week stands here as soon as the form can be read.</p>
        )
      }
    >
      <HouseForm of={house} shown={['oldDays', 'oldLabel']} act="Keep it">
        {rows.fields.map((row, index) => (
          <fieldset key={row.id} className={styles.extra}>
            <legend className="away">Extra {index + 1}</legend>
            <Field
              label={`Name of extra ${index + 1}`}
              {...form.register(`extras.${index}.name`)}
              problem={at(`extras.${index}.name`)}
              autoComplete="off"
            />
            <Choice
              label={`Kind of extra ${index + 1}`}
              value={entry.extras[index]?.kind ?? 'treat'}
              options={KINDS}
              onChange={(value) => form.setValue(`extras.${index}.kind`, value, { shouldDirty: true })}
            />
            <Field
              label={`Amount of extra ${index + 1} a day`}
              inputMode="decimal"
              {...form.register(`extras.${index}.amount`)}
              problem={at(`extras.${index}.amount`)}
              autoComplete="off"
            />
            <Choice
              label={`Extra ${index + 1} counts in`}
              value={entry.extras[index]?.measure ?? 'kcal'}
              options={MEASURES}
              onChange={(value) => form.setValue(`extras.${index}.measure`, value, { shouldDirty: true })}
            />
            {['100 g', 'cup', 'piece'].includes(entry.extras[index]?.measure ?? '') && (
              <Field
                label={`kcal per ${nth(entry.extras, index).measure} of extra ${index + 1}`}
                inputMode="decimal"
                {...form.register(`extras.${index}.label`)}
                problem={at(`extras.${index}.label`)}
                hint="from its label"
                autoComplete="off"
              />
            )}
            <div role="group" aria-label={`Days of extra ${index + 1}`} className={styles.weekdays}>
              {WEEKDAYS.map((name, day) => {
                const chosen = entry.extras[index]?.weekdays ?? [];
                return (
                  <label key={name}>
                    <Checkbox
                      size="small"
                      checked={chosen.includes(day + 1)}
                      onChange={(_, on) =>
                        form.setValue(
                          `extras.${index}.weekdays`,
                          on ? [...chosen, day + 1].sort() : chosen.filter((each) => each !== day + 1),
                          { shouldDirty: true },
                        )
                      }
                    />
                    {name}
                  </label>
                );
              })}
              <span className="note">none ticked: every day</span>
            </div>
            <Button
              variant="text"
              size="small"
              aria-label={`Remove extra ${index + 1}`}
              onClick={() => rows.remove(index)}
            >
              remove
            </Button>
          </fieldset>
        ))}
        <div>
          <Button
            variant="outlined"
            onClick={() =>
              rows.append({ name: '', kind: 'treat', amount: '', measure: '100 g', label: '', weekdays: [] })
            }
          >
            One more extra
          </Button>
        </div>
        <h2>Coming over from another food</h2>
        <div className={styles.fields}>
          <Field
            label="The food before"
            {...form.register('oldFood')}
            problem={at('oldFood')}
            hint="Empty: no change of food."
            autoComplete="off"
          />
          <Field
            label="Its kcal in 100 g"
            inputMode="decimal"
            {...form.register('oldLabel')}
            problem={at('oldLabel')}
            hint="From its label; empty: only its share is said."
            autoComplete="off"
          />
          <Field
            label="Over how many days"
            inputMode="numeric"
            {...form.register('oldDays')}
            problem={at('oldDays')}
            hint="7 to 10: a quarter, a half, three quarters, all."
            autoComplete="off"
          />
        </div>
      </HouseForm>
    </DogForm>
  );
}

function Week({
  view,
  read,
}: {
  view: DogView;
  read: Extract<ReturnType<typeof readOtherwise>, { ok: true }>['value'];
}) {
  const { dog, today } = view;
  const ration = { ...rationOn(dog, today), ...read, from: today };
  const shown = Array.from({ length: read.transition ? Math.max(7, read.transition.days) : 7 }, (_, index) => {
    const day = addDays(today, index);
    return { day, energy: dayEnergy({ ...dog, rations: [ration] }, day), part: newFoodPart(read.transition, day) };
  });
  const caution = unbalancedCaution(read.extras, nth(shown, 0).energy.kcal);
  return (
    <>
      <h2>From the pot</h2>
      <ul className="rows">
        {shown.map(({ day, energy, part }) => (
          <li key={day} className="spread">
            <span>{writeDay(day, today)}</span>
            <span>
              <b>{writeNumber(energy.homeKcal, 0)} kcal</b>{' '}
              <span className="note">
                {writeNumber(partOf(energy.homeKcal, energy.kcal) * 100, 0)} %{part < 1 && `, new food ${part * 100} %`}
              </span>
            </span>
          </li>
        ))}
      </ul>
      {caution && <Caution>{caution}</Caution>}
    </>
  );
}
