'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { addDays } from '@/core/calendar/local-date';
import { BITE_SIZES, type BiteSize } from '@/core/dog/bite-size';
import { dayEnergy } from '@/core/dog/day-energy';
import { litterEntrySchema, readLitter } from '@/core/dog/keeping-entry';
import { lifeStage, vetCaution } from '@/core/dog/stage';
import { writeKcal } from '@/core/quantity/write';
import { Caution } from '@/ui/Caution';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { HouseForm } from '@/ui/form/HouseForm';
import { useHouseForm } from '@/ui/form/use-house-form';
import { archiveDog, saveCare, saveLitter } from '../actions';
import styles from '../dogs.module.css';
import type { DogView } from '../queries';
import { WeeksAhead } from '../WeeksAhead';
import { DogForm } from './DogForm';

/** Where a dog stands in its life: a litter, an illness, how small its pieces are cut, and the archive. */
export function LifeForm({ view }: { view: DogView }) {
  const { dog, today } = view;
  const router = useRouter();
  const last = dog.litters.at(-1);
  const house = useHouseForm({
    slot: `litter-${dog.id}`,
    entry: {
      matedOn: last?.matedOn ?? '',
      whelpedOn: last?.whelpedOn ?? '',
      pups: last?.pups === undefined ? '' : String(last.pups),
      weanedOn: last?.weanedOn ?? '',
    },
    shape: litterEntrySchema,
    read: (typed) => readLitter(typed, dog, today),
    action: saveLitter,
    input: (typed) => ({ dogId: dog.id, litterId: dog.litterId ?? null, entry: typed }),
    onDone: () => router.push(`/dogs/${dog.id}`),
  });
  const { form, entry, at } = house;
  const read = readLitter(entry, dog, today);
  const preview = read.ok ? { ...dog, litters: [read.value] } : dog;
  const stage = lifeStage(preview, today);
  const caution = vetCaution(preview, today);
  const reproducing = stage.kind === 'gestation' || stage.kind === 'lactation';
  return (
    <DogForm
      dog={dog}
      title={`${dog.name}’s life`}
      beside={
        <>
          <p>
            <span className="figure">{writeKcal(dayEnergy(preview, today).kcal)}</span> kcal a day
          </p>
          <p className="soft">{dayEnergy(preview, today).because}</p>
          {caution && <Caution>{caution}</Caution>}
          {reproducing && <WeeksAhead dog={preview} from={today} to={addDays(today, 55)} density={undefined} />}
        </>
      }
    >
      <h2>A litter</h2>
      <HouseForm of={house} shown={['matedOn', 'whelpedOn', 'pups', 'weanedOn']} act="Keep the litter">
        <div className={styles.fields}>
          <Field label="Mated on" type="date" {...form.register('matedOn')} problem={at('matedOn')} />
          <Field label="Pups born on" type="date" {...form.register('whelpedOn')} problem={at('whelpedOn')} />
          <Field
            label="Pups nursed"
            inputMode="numeric"
            {...form.register('pups')}
            problem={at('pups')}
            autoComplete="off"
          />
          <Field
            label="Weaned on"
            type="date"
            {...form.register('weanedOn')}
            problem={at('weanedOn')}
            hint="Empty: eight weeks after birth."
          />
        </div>
      </HouseForm>
      <Care view={view} />
    </DogForm>
  );
}

function Care({ view }: { view: DogView }) {
  const { dog } = view;
  const router = useRouter();
  const [illness, setIllness] = useState(dog.illness ?? '');
  const [biteSize, setBiteSize] = useState<BiteSize | ''>(dog.biteSize ?? '');
  const care = useCommand(saveCare, `care-${dog.id}`, () => router.push(`/dogs/${dog.id}`));
  const archive = useCommand(archiveDog, `archive-${dog.id}`, () => router.push('/dogs'));
  return (
    <>
      <form
        className="stack"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          care.run({ dogId: dog.id, illness, biteSize });
        }}
      >
        <h2>Care</h2>
        <Problems problems={care.problems} />
        <div className={styles.fields}>
          <Field
            label="Treated for"
            value={illness}
            onChange={(event) => setIllness(event.target.value)}
            hint="Empty: not ill."
            autoComplete="off"
            inputProps={{ maxLength: 80 }}
          />
          <Choice
            label="Pieces are cut"
            value={biteSize}
            options={[{ value: '', label: 'nothing said' }, ...BITE_SIZES.map((value) => ({ value, label: value }))]}
            onChange={setBiteSize}
          />
        </div>
        <div>
          <Button type="submit" variant="outlined" disabled={care.pending}>
            Keep the care
          </Button>
        </div>
      </form>
      <section className="stack" aria-labelledby="archive">
        <h2 id="archive">Archive</h2>
        <Problems problems={archive.problems} />
        <p className="soft">
          {dog.archived
            ? `${dog.name} is archived: its history is kept, nothing is cooked for it.`
            : 'An archived dog is in no plan and on no list. Its history stays, and it can come back.'}
        </p>
        <div>
          <Button
            variant="outlined"
            disabled={archive.pending}
            onClick={() => archive.run({ dogId: dog.id, archived: !dog.archived })}
          >
            {dog.archived ? `Bring ${dog.name} back` : `Archive ${dog.name}`}
          </Button>
        </div>
      </section>
    </>
  );
}
