'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { writeDay } from '@/core/calendar/local-date';
import { AVOID_REASONS, type Avoided, type AvoidReason } from '@/core/dog/avoid';
import type { KnownFood } from '@/core/food/food';
import { PROTEIN_WORDS } from '@/core/recipe/protein';
import { FoodField } from '@/ui/food/FoodField';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { addAvoid, endAvoid } from '../actions';
import styles from '../dogs.module.css';
import type { DogView } from '../queries';
import { DogForm } from './DogForm';
import { VetNotes } from './VetNotes';
import { nth } from '@/core/sure';

const KINDS = [
  { value: 'food', label: 'one food' },
  { value: 'protein', label: 'everything of one animal' },
  { value: 'group', label: 'a whole group of foods' },
] as const;

const options = <Word extends string>(words: readonly Word[]) => words.map((value) => ({ value, label: value }));

/** What a dog does not get, why, and when to try again. */
export function AvoidForm({ view, groups }: { view: DogView; groups: readonly string[] }) {
  const { dog, today } = view;
  const [kind, setKind] = useState<Avoided['kind']>('food');
  const [food, setFood] = useState<KnownFood | null>(null);
  const [protein, setProtein] = useState(nth(PROTEIN_WORDS, 0));
  const [group, setGroup] = useState(nth(groups, 0));
  const [reason, setReason] = useState<AvoidReason>('reaction');
  const [tryAgainOn, setTryAgainOn] = useState('');
  const [note, setNote] = useState('');
  const add = useCommand(addAvoid, `avoid-${dog.id}`, () => {
    setFood(null);
    setTryAgainOn('');
    setNote('');
  });
  const end = useCommand(endAvoid, `unavoid-${dog.id}`);
  const what: Avoided | null =
    kind === 'food'
      ? food
        ? { kind, ndb: food.food.ndb }
        : null
      : kind === 'protein'
        ? { kind, protein }
        : { kind, group };
  return (
    <DogForm
      dog={dog}
      title={`Not for ${dog.name}`}
      said="Plans refuse it, bowls leave it out; a dislike only warns."
      beside={
        <>
          <section aria-labelledby="list">
            <h2 id="list">On the list</h2>
            <Problems problems={end.problems} />
            {dog.avoids.length === 0 ? (
              <p className="soft">Nothing: it may have everything that is safe.</p>
            ) : (
              <ul className="rows">
                {dog.avoids.map((avoid) => (
                  <li key={avoid.id} className="spread">
                    <span>
                      <b>{avoid.label}</b>{' '}
                      <span className="note">
                        {avoid.reason}, since {writeDay(avoid.since, today)}
                        {avoid.tryAgainOn && ` · try again ${writeDay(avoid.tryAgainOn, today)}`}
                        {avoid.note && ` · ${avoid.note}`}
                      </span>
                    </span>
                    <Button
                      variant="text"
                      size="small"
                      aria-label={`Allow ${avoid.label} again`}
                      disabled={end.pending}
                      onClick={() => end.run({ dogId: dog.id, avoidId: avoid.id })}
                    >
                      allow again
                    </Button>
                  </li>
                ))}
              </ul>
            )}
          </section>
          <VetNotes view={view} />
        </>
      }
    >
      <form
        className="stack"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          add.run({ dogId: dog.id, entry: { what, reason, tryAgainOn, note } });
        }}
      >
        <Problems problems={add.atHead('what', 'tryAgainOn')} />
        <Choice label="It does not get" value={kind} options={KINDS} onChange={setKind} />
        {kind === 'food' && <FoodField label="Which food" value={food} onChange={setFood} problem={add.at('what')} />}
        {kind === 'protein' && (
          <Choice label="Which animal" value={protein} options={options(PROTEIN_WORDS)} onChange={setProtein} />
        )}
        {kind === 'group' && <Choice label="Which group" value={group} options={options(groups)} onChange={setGroup} />}
        <Choice label="Because of a" value={reason} options={options(AVOID_REASONS)} onChange={setReason} />
        <div className={styles.fields}>
          <Field
            label="Try again on"
            type="date"
            value={tryAgainOn}
            inputProps={{ min: today }}
            problem={add.at('tryAgainOn')}
            hint="Empty: never."
            onChange={(event) => setTryAgainOn(event.target.value)}
          />
          <Field label="Note" value={note} onChange={(event) => setNote(event.target.value)} autoComplete="off" />
        </div>
        <div>
          <Button type="submit" variant="contained" size="large" disabled={add.pending}>
            Put it on the list
          </Button>
        </div>
      </form>
    </DogForm>
  );
}
