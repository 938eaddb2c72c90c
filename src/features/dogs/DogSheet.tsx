'use client';

import { countOf } from '@/core/quantity/count-words';
import { writeKcal } from '@/core/quantity/write';
import Checkbox from '@mui/material/Checkbox';
import { useRouter } from 'next/navigation';
import { Controller } from 'react-hook-form';
import { daysBetween, readLocalDate } from '@/core/calendar/local-date';
import { dayEnergy } from '@/core/dog/day-energy';
import { dogEntrySchema, readDogEntry, type DogEntry } from '@/core/dog/entry';
import { WORK_WORDS, WORKS } from '@/core/dog/maintenance-factor';
import { usualMeals } from '@/core/dog/meals';
import { restingEnergy } from '@/core/dog/resting-energy';
import { isGrowing, lifeStage } from '@/core/dog/stage';
import { readBodyWeight } from '@/core/quantity/weight';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { HouseForm } from '@/ui/form/HouseForm';
import { useHouseForm } from '@/ui/form/use-house-form';
import { useOnward } from '@/ui/setup/setup';
import { letterOf } from '@/core/dog/letters';
import { DogBadge } from '@/ui/badges/badges';
import { Why } from '@/ui/Why';
import { saveDog } from './actions';
import { energyExtent } from '@/ui/charts/energy-axis';
import { EnergyBar } from './EnergyBar';
import styles from './dogs.module.css';
import type { DogForm } from './queries';
import { WeightCurve } from './WeightCurve';

const FIELDS = ['name', 'birthDate', 'weight', 'expectedAdultWeight', 'meals'] as const;
const WORK_OPTIONS = WORKS.map((value) => ({ value, label: WORK_WORDS[value] }));

/** One dog: what is known about it on the left, what follows from it on the right, while it is typed. */
export function DogSheet({ form: given }: { form: DogForm }) {
  const router = useRouter();
  const onward = useOnward('dog');
  const house = useHouseForm({
    slot: `dog-${given.id ?? 'new'}`,
    entry: given.entry,
    shape: dogEntrySchema,
    read: (typed) => readDogEntry(typed, given.set, given.today),
    action: saveDog,
    input: (entry: DogEntry) => ({ id: given.id, entry }),
    onDone: () => (given.id === undefined ? onward('/dogs') : router.push(`/dogs/${given.id}`)),
  });
  const { form, entry, at: problem } = house;
  const birth = readLocalDate(entry.birthDate ?? '');
  const young = birth !== undefined && daysBetween(birth, given.today) < 548;

  return (
    <div className="page">
      <div className={`twoColumns ${styles.sheet}`}>
        <div className="stack">
          <div className={styles.head}>
            <DogBadge letters={letterOf(entry.name || '?')} badge={given.badge} size={56} />
            <h1>{given.id === undefined ? 'A new dog' : given.entry.name}</h1>
          </div>
          <HouseForm of={house} shown={FIELDS} act={given.id === undefined ? 'Add this dog' : 'Keep the changes'}>
            <div className={styles.fields}>
              <Field label="Name" {...form.register('name')} problem={problem('name')} autoComplete="off" />
              <Field
                label="Born"
                type="date"
                {...form.register('birthDate')}
                problem={problem('birthDate')}
                hint="A good guess will do."
              />
              <Field
                label="Weighs today"
                {...form.register('weight')}
                problem={problem('weight')}
                hint={given.set === 'us' ? 'such as 58 lb or 26.4 kg' : 'such as 26.4 kg or 58 lb'}
                autoComplete="off"
              />
              {(young || entry.expectedAdultWeight !== '') && (
                <Field
                  label="Will weigh when grown"
                  {...form.register('expectedAdultWeight')}
                  problem={problem('expectedAdultWeight')}
                  hint="The parents’ weight is a good guide."
                  autoComplete="off"
                />
              )}
              <Controller
                control={form.control}
                name="work"
                render={({ field }) => (
                  <Choice label="Its day" value={field.value} options={WORK_OPTIONS} onChange={field.onChange} />
                )}
              />
              <Field
                label="Meals a day"
                inputMode="numeric"
                {...form.register('meals')}
                problem={problem('meals')}
                hint="Empty: the usual for its age."
              />
              <div>
                {(['neutered', 'proneToGain'] as const).map((name) => (
                  <Controller
                    key={name}
                    control={form.control}
                    name={name}
                    render={({ field }) => (
                      <label className={styles.tick}>
                        <Checkbox checked={field.value} onChange={(_, on) => field.onChange(on)} />
                        {name === 'neutered' ? 'Neutered' : 'Prone to gain weight'}
                      </label>
                    )}
                  />
                ))}
              </div>
            </div>
          </HouseForm>
        </div>
        <Outcome entry={entry} given={given} />
      </div>
    </div>
  );
}

function Outcome({ entry, given }: { entry: DogEntry; given: DogForm }) {
  const read = readDogEntry({ ...entry, name: entry.name || 'It' }, given.set, given.today);
  if (!read.ok) {
    const weight = readBodyWeight(entry.weight ?? '', given.set);
    return (
      <div className="stack" aria-live="polite">
        <h2>How much a day</h2>
        {weight.ok ? (
          <p>
            At rest <b>{writeKcal(restingEnergy(weight.value))} kcal</b>. The rest of the form says the day.
          </p>
        ) : (
          <p className="soft">The weight says the energy at rest, the rest of the form the day.</p>
        )}
      </div>
    );
  }
  const energy = dayEnergy(read.value.dog, given.today);
  const meals =
    read.value.meals ??
    usualMeals(daysBetween(read.value.dog.birthDate, given.today), lifeStage(read.value.dog, given.today).kind);
  return (
    <div className="stack" aria-live="polite">
      <div>
        <h2>{read.value.dog.name} eats</h2>
        <p>
          <span className="figure">{writeKcal(energy.kcal)}</span> kcal a day{' '}
          <Why of={energy.explanation} about="the day’s energy" />
        </p>
        <p className="soft">
          {energy.method === 'growth' ? 'growing, by NRC' : `${energy.factor} × RER, ${energy.because}`} · at rest{' '}
          {writeKcal(energy.rer)} kcal · {countOf(meals, 'meal')}
        </p>
      </div>
      <EnergyBar energy={energy} highest={energyExtent(energy)} width={520} axis />
      {isGrowing(read.value.dog, given.today) && (
        <WeightCurve dog={read.value.dog} today={given.today} set={given.set} />
      )}
    </div>
  );
}
