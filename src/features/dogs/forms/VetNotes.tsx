'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { sayHazard } from '@/core/recipe/hazards';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { addVetNote, endVetNote } from '../actions';
import type { DogView } from '../queries';

/** What is stopped for every dog, unless this dog's vet allows it: the note is what allows it. */
export function VetNotes({ view: { dog, forVets } }: { view: DogView }) {
  const open = forVets.filter((hazard) => !dog.vetNotes.some((note) => note.hazardId === hazard.id));
  const [chosen, setChosen] = useState('');
  const [note, setNote] = useState('');
  const add = useCommand(addVetNote, `vet-note-${dog.id}`, () => setNote(''));
  const end = useCommand(endVetNote, `end-vet-note-${dog.id}`);
  const hazard = open.find((each) => each.id === chosen) ?? open[0];
  return (
    <section className="stack" aria-labelledby="vet">
      <h2 id="vet">What its vet allows</h2>
      <Problems problems={[...end.problems, ...add.atHead('note')]} />
      {dog.vetNotes.map((each) => (
        <div key={each.id} className="spread">
          <span>
            <b>{forVets.find((row) => row.id === each.hazardId)?.name ?? each.hazardId}</b>{' '}
            <span className="note">{each.note}</span>
          </span>
          <Button
            variant="text"
            size="small"
            disabled={end.pending}
            onClick={() => end.run({ dogId: dog.id, noteId: each.id })}
          >
            take back
          </Button>
        </div>
      ))}
      {hazard && (
        <form
          className="stack"
          noValidate
          onSubmit={(event) => {
            event.preventDefault();
            add.run({ dogId: dog.id, hazardId: hazard.id, note });
          }}
        >
          <p className="note">{sayHazard(hazard)}</p>
          {open.length > 1 && (
            <Choice
              label="What"
              value={hazard.id}
              options={open.map((each) => ({ value: each.id, label: each.name }))}
              onChange={setChosen}
            />
          )}
          <Field
            label={`The vet’s word on ${hazard.name}`}
            value={note}
            problem={add.at('note')}
            hint="who, when, how much"
            autoComplete="off"
            onChange={(event) => setNote(event.target.value)}
          />
          <div>
            <Button type="submit" variant="outlined" disabled={add.pending}>
              Note it
            </Button>
          </div>
        </form>
      )}
    </section>
  );
}
