'use client';

import { useRouter } from 'next/navigation';
import type { z } from 'zod';
import { beginSchool, KINDS_BESIDE, readSchool, sayRule, SCHOOLS } from '@/core/dog/schools/schools';
import { Choice } from '@/ui/form/Choice';
import { HouseForm } from '@/ui/form/HouseForm';
import { useHouseForm } from '@/ui/form/use-house-form';
import { keepSchool } from '../actions';
import type { DogView } from '../queries';
import { keepSchoolSchema } from '../schema';
import { SchoolFields } from './SchoolFields';
import { DogForm } from './DogForm';

const OFFERS = KINDS_BESIDE.map((value) => ({ value, label: SCHOOLS[value].beside ?? SCHOOLS[value].offer }));
const shape = keepSchoolSchema.omit({ dogId: true });
const BLANK: z.infer<typeof shape> = { kind: 'like for like', school: beginSchool('like for like') };

/** Another rule to lay beside the schools, without feeding by it. */
export function RulesForm({ view }: { view: DogView }) {
  const { dog, set } = view;
  const router = useRouter();
  const house = useHouseForm({
    slot: `rules-${dog.id}`,
    entry: BLANK,
    shape: shape,
    read: (typed) => {
      const read = readSchool(typed.kind, typed.school, set);
      if (read.ok) return read;
      return { ok: false, problems: read.problems.map((each) => ({ ...each, field: `school.${each.field}` })) };
    },
    action: keepSchool,
    input: (typed) => ({ dogId: dog.id, ...typed }),
    onDone: () => router.push(`/dogs/${dog.id}`),
  });
  const { form, entry, at } = house;
  return (
    <DogForm
      dog={dog}
      title="Compare another rule"
      said="It is only compared; the ration says what is fed."
      beside={
        dog.knownSchools.length > 0 && (
          <section aria-labelledby="rules">
            <h2 id="rules">Beside the usual ones</h2>
            <ul className="rows">
              {dog.knownSchools.map((school) => (
                <li key={school.kind}>
                  <b>{school.kind}</b> <span className="note">{sayRule(school)}</span>
                </li>
              ))}
            </ul>
          </section>
        )
      }
    >
      <HouseForm of={house} shown={['school.amount', 'school.by', 'school.makes']} act="Compare it">
        <Choice
          label="The rule"
          value={entry.kind}
          options={OFFERS}
          onChange={(kind) => {
            form.setValue('kind', kind, { shouldDirty: true });
            form.setValue('school', beginSchool(kind));
            form.clearErrors();
          }}
        />
        <SchoolFields
          kind={entry.kind}
          entry={entry.school}
          at={at}
          setUnit={(unit) => form.setValue('school.unit', unit, { shouldDirty: true })}
        />
      </HouseForm>
    </DogForm>
  );
}
