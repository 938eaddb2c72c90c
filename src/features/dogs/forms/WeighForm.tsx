'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { writeDay } from '@/core/calendar/local-date';
import { APPETITES, BODY_CONDITIONS, STOOLS } from '@/core/dog/body-condition';
import { targetWeight } from '@/core/dog/goal';
import { weighInEntrySchema, readWeighIn, type WeighInEntry } from '@/core/dog/weigh-in-entry';
import { grams } from '@/core/quantity/units';
import { writeWeight } from '@/core/quantity/write';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { HouseForm } from '@/ui/form/HouseForm';
import { useHouseForm } from '@/ui/form/use-house-form';
import { saveWeighIn, strikeWeighIn } from '../actions';
import styles from '../dogs.module.css';
import type { DogHistory, DogView } from '../queries';
import { WeightCurve } from '../WeightCurve';
import { IntakeForm } from './IntakeForm';
import { DogForm } from './DogForm';
import { nth } from '@/core/sure';

const FIELDS = ['date', 'weight', 'bodyCondition', 'note'];
const blank = (today: string): WeighInEntry => ({
  date: today,
  weight: '',
  bodyCondition: '',
  appetite: '',
  stool: '',
  note: '',
  sure: false,
});

const noted = <Word extends string>(words: readonly Word[]): { value: Word | ''; label: string }[] => [
  { value: '', label: 'not noted' },
  ...words.map((value) => ({ value, label: value })),
];

/** A weigh-in: date, weight, body condition; what was weighed before stands beside it. */
export function WeighForm({ view, history }: { view: DogView; history: DogHistory }) {
  const { dog, today, set } = view;
  const router = useRouter();
  const house = useHouseForm({
    slot: `weigh-${dog.id}`,
    entry: blank(today),
    shape: weighInEntrySchema,
    read: (typed) => readWeighIn(typed, dog, set, today),
    action: saveWeighIn,
    input: (typed) => ({ dogId: dog.id, entry: typed }),
    onDone: () => {
      // The next one is often of the same evening's notebook: the day stays where it was typed.
      form.reset({ ...blank(form.getValues('date')) });
      form.setFocus('weight');
      router.refresh();
    },
  });
  const { form, entry, at, onSubmit } = house;
  const read = readWeighIn(entry, dog, set, today);
  const asked = !read.ok && at('weight') !== undefined && readWeighIn({ ...entry, sure: true }, dog, set, today).ok;
  const meant = read.ok ? undefined : read.meant;
  const score = BODY_CONDITIONS.find((each) => String(each.score) === entry.bodyCondition);
  const sureRead = readWeighIn({ ...entry, sure: true }, dog, set, today);
  const target = score && sureRead.ok ? targetWeight(sureRead.value.grams, score.score) : undefined;
  const submit = () => void onSubmit();
  return (
    <DogForm
      dog={dog}
      title={`${dog.name} on the scale`}
      beside={
        <>
          <WeighList view={view} />
          <IntakeForm view={view} reports={history.reports} />
        </>
      }
    >
      <HouseForm of={house} shown={FIELDS} act="Keep this weight">
        <div className={styles.fields}>
          <Field
            label="Weighs"
            inputMode="decimal"
            {...form.register('weight', { onChange: () => form.setValue('sure', false) })}
            problem={at('weight')}
            hint={set === 'us' ? 'such as 58 lb 3 oz or 26.4 kg' : 'such as 26.4 kg or 58 lb'}
            autoComplete="off"
          />
          <Field label="On" type="date" {...form.register('date')} problem={at('date')} />
        </div>
        {asked && (
          <div className={styles.acts}>
            {meant !== undefined && (
              <Button
                variant="contained"
                onClick={() => {
                  form.setValue('weight', writeWeight(grams(meant), set), { shouldValidate: true });
                  submit();
                }}
              >
                It is {writeWeight(grams(meant), set)}
              </Button>
            )}
            <Button
              variant="outlined"
              onClick={() => {
                form.setValue('sure', true, { shouldValidate: true });
                submit();
              }}
            >
              It is right as written
            </Button>
          </div>
        )}
        <Choice
          label="Body condition"
          value={entry.bodyCondition}
          options={[
            { value: '', label: 'not felt today' },
            ...BODY_CONDITIONS.map(({ score: value, name }) => ({ value: String(value), label: `${value} · ${name}` })),
          ]}
          onChange={(value) => form.setValue('bodyCondition', value, { shouldDirty: true })}
        />
        {score && (
          <p className="note">
            {score.score} of 9: {score.felt}.
            {target !== undefined &&
              score.score > 5 &&
              ` Target about ${writeWeight(target, set)} (a point is about 10 %, WSAVA, from memory).`}
            {target === undefined && score.score < 4 && ' That is thin: see a vet.'}
          </p>
        )}
        <div className={styles.fields}>
          <Choice
            label="Appetite"
            value={entry.appetite}
            options={noted(APPETITES)}
            onChange={(value) => form.setValue('appetite', value, { shouldDirty: true })}
          />
          <Choice
            label="Stool"
            value={entry.stool}
            options={noted(STOOLS)}
            onChange={(value) => form.setValue('stool', value, { shouldDirty: true })}
          />
        </div>
        <Field label="Note" {...form.register('note')} problem={at('note')} autoComplete="off" />
      </HouseForm>
      <WeightCurve dog={dog} today={today} set={set} />
    </DogForm>
  );
}

const SHOWN = 12;

function WeighList({ view }: { view: DogView }) {
  const { dog, today, set } = view;
  const strike = useCommand(strikeWeighIn, `strike-${dog.id}`);
  const latest = [...dog.weighIns].reverse();
  const counts = (index: number) => index === 0 || nth(latest, index).date !== nth(latest, index - 1).date;
  return (
    <section aria-labelledby="weighed">
      <h2 id="weighed">Weighed so far</h2>
      <Problems problems={strike.problems} />
      <ul className="rows">
        {latest.slice(0, SHOWN).map((entry, index) => (
          <li key={entry.id} className="spread">
            <span>
              <b>{writeWeight(entry.grams, set)}</b> {writeDay(entry.date, today)}
              <span className="note">
                {entry.bodyCondition !== undefined && ` condition ${entry.bodyCondition}`}
                {entry.appetite && ` · appetite ${entry.appetite}`}
                {entry.stool && ` · stool ${entry.stool}`}
                {entry.note && ` · ${entry.note}`}
                {!counts(index) && ' · a later one of that day counts'}
              </span>
            </span>
            <Button
              variant="text"
              size="small"
              disabled={strike.pending}
              aria-label={`Take back ${writeWeight(entry.grams, set)} of ${writeDay(entry.date, today)}`}
              onClick={() => strike.run({ dogId: dog.id, weighInId: entry.id })}
            >
              take back
            </Button>
          </li>
        ))}
      </ul>
      {latest.length > SHOWN && <p className="note">and {latest.length - SHOWN} before</p>}
    </section>
  );
}
