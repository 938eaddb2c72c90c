'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { QUALITY_ABOUTS, QUALITY_WORDS, type QualityAbout, type QualityEntry } from '@/core/preserve/quality';
import type { Problem } from '@/core/problem';
import { Choice } from '../form/Choice';
import { Field } from '../form/Field';
import { Problems } from '../form/Problems';

/** A note as it is shown. */
export interface ShownQuality {
  readonly id: number;
  readonly said: string;
}

interface QualityProps {
  batchId: number;
  holdingId?: number;
  isDry: boolean;
  dogs: readonly { readonly id: number; readonly name: string }[];
  notes: readonly ShownQuality[];
  pending: boolean;
  problems: readonly Problem[];
  onNote: (entry: QualityEntry) => void;
  onDrop: (noteId: number) => void;
}

/** How a batch or a pack turned out, by a press each; what was noted stands under it and can be taken back. */
export function Quality({ batchId, holdingId, isDry, dogs, notes, pending, problems, onNote, onDrop }: QualityProps) {
  const [words, setWords] = useState('');
  const [dogId, setDogId] = useState('');
  const note = (about: QualityAbout, good: boolean) => {
    onNote({
      batchId,
      ...(holdingId === undefined ? {} : { holdingId }),
      ...(about === 'eaten' && dogId !== '' ? { dogId: Number(dogId) } : {}),
      about,
      good,
      words,
    });
    setWords('');
  };
  const abouts = QUALITY_ABOUTS.filter((about) => about !== 'took the water' || isDry);
  return (
    <div className="stack">
      <Field
        label="In your words, if you like"
        autoComplete="off"
        value={words}
        onChange={(event) => setWords(event.target.value)}
      />
      {dogs.length > 0 && (
        <Choice
          label="Which dog"
          value={dogId}
          options={[
            { value: '', label: 'for eaten or left' },
            ...dogs.map(({ id, name }) => ({ value: String(id), label: name })),
          ]}
          onChange={setDogId}
        />
      )}
      <div className="spread">
        {abouts.flatMap((about) =>
          [true, false].map((good) => (
            <Button
              key={`${about} ${good}`}
              variant="outlined"
              disabled={pending || (about === 'eaten' && dogId === '')}
              onClick={() => note(about, good)}
            >
              {good ? QUALITY_WORDS[about].good : QUALITY_WORDS[about].poor}
            </Button>
          )),
        )}
      </div>
      <Problems problems={problems} />
      {notes.length > 0 && (
        <ul className="rows">
          {notes.map(({ id, said }) => (
            <li key={id} className="spread">
              <span>{said}</span>
              <Button
                variant="text"
                size="small"
                aria-label={`Take back: ${said}`}
                disabled={pending}
                onClick={() => onDrop(id)}
              >
                take back
              </Button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
