'use client';

import { useRouter } from 'next/navigation';
import { useMemo } from 'react';
import type { Control, FieldValues, UseFormRegister } from 'react-hook-form';
import { NO_SCHOOL, readSchool, USUAL_ENTRY, type SchoolEntry } from '@/core/dog/school-entry';
import { sayRule } from '@/core/dog/schools';
import { Choice } from '@/ui/form/Choice';
import { HouseForm } from '@/ui/form/HouseForm';
import { useHouseForm } from '@/ui/form/use-house-form';
import { withReading } from '@/ui/form/with-reading';
import { keepSchool } from '../actions';
import type { DogView } from '../queries';
import { keepSchoolSchema } from '../schema';
import { SchoolFields } from './SchoolFields';
import { DogForm } from './DogForm';

const KINDS = [
  { value: 'like for like', label: 'the volume of food fed so far' },
  { value: 'weight table', label: 'what a bag or label prints' },
  { value: 'prescribed', label: 'what a vet or nutritionist set' },
] as const;
type Kind = (typeof KINDS)[number]['value'];

const shape = keepSchoolSchema.omit({ dogId: true });
interface RuleEntry {
  readonly kind: Kind;
  readonly school: SchoolEntry;
}

/** Another rule to lay beside the schools, without feeding by it. */
export function RulesForm({ view }: { view: DogView }) {
  const { dog, set } = view;
  const router = useRouter();
  const schema = useMemo(
    () =>
      withReading(shape, (entry) => {
        const read = readSchool(entry.kind, entry.school, set);
        if (read.ok) return read;
        return { ok: false, problems: read.problems.map((each) => ({ ...each, field: `school.${each.field}` })) };
      }),
    [set],
  );
  const house = useHouseForm({
    slot: `rules-${dog.id}`,
    entry: { kind: 'like for like', school: { ...NO_SCHOOL, ...USUAL_ENTRY['like for like'] } } as RuleEntry,
    schema,
    action: keepSchool,
    input: (typed) => ({ dogId: dog.id, ...typed }),
    onDone: () => router.push(`/dogs/${dog.id}`),
  });
  const { form, entry, at } = house;
  return (
    <DogForm
      dog={dog}
      title="Lay another rule beside"
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
      <HouseForm of={house} shown={['school.amount', 'school.by', 'school.makes']} act="Lay it beside">
        <Choice
          label="The rule"
          value={entry.kind}
          options={KINDS}
          onChange={(kind) => {
            form.setValue('kind', kind, { shouldDirty: true });
            form.setValue('school', { ...NO_SCHOOL, ...USUAL_ENTRY[kind] });
            form.clearErrors();
          }}
        />
        <SchoolFields
          kind={entry.kind}
          entry={entry.school}
          control={form.control as unknown as Control<FieldValues>}
          register={form.register as unknown as UseFormRegister<FieldValues>}
          at={at}
          setUnit={(unit) => form.setValue('school.unit', unit, { shouldDirty: true })}
        />
      </HouseForm>
    </DogForm>
  );
}
