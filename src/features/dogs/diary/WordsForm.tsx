'use client';

import Button from '@mui/material/Button';
import { useRef, useState } from 'react';
import { diaryWordsSchema } from '@/core/diary/topics';
import { Field } from '@/ui/form/Field';
import { HouseForm } from '@/ui/form/HouseForm';
import { useHouseForm } from '@/ui/form/use-house-form';
import { writeDiary } from '../actions';
import { smallPhoto } from './small-photo';

const EMPTY = { words: '', photo: '' };

/** An empty field that is left is no mistake: what is missing is said when it is sent, and nothing moves under the finger before. */
const whenSent = () => ({ ok: true }) as const;

/** Free words of a day, and a photograph if wished. */
export function WordsForm({ dogId, day }: { dogId: number; day: string }) {
  const file = useRef<HTMLInputElement>(null);
  const [unread, setUnread] = useState<string>();
  const house = useHouseForm({
    slot: `diary-words-${dogId}-${day}`,
    entry: EMPTY,
    shape: diaryWordsSchema,
    read: whenSent,
    action: writeDiary,
    input: (entry) => ({ dogId, day, entry }),
    onDone: () => house.form.reset(EMPTY),
  });
  const { form, entry } = house;
  const choose = async (chosen: File) => {
    const photo = await smallPhoto(chosen);
    setUnread(
      photo === undefined ? 'This picture cannot be read here. Save it as a JPEG or PNG and choose that.' : undefined,
    );
    if (photo !== undefined) form.setValue('photo', photo, { shouldDirty: true, shouldValidate: true });
  };
  const problem = unread ?? house.at('photo');
  return (
    <HouseForm of={house} shown={['words', 'photo']} act="Note it">
      <Field label="In words" {...form.register('words')} problem={house.at('words')} autoComplete="off" />
      <div>
        <input
          ref={file}
          type="file"
          accept="image/*"
          hidden
          aria-label="Photograph"
          onChange={(event) => {
            const chosen = event.target.files?.[0];
            event.target.value = '';
            if (chosen) void choose(chosen);
          }}
        />
        {entry.photo === '' ? (
          <Button variant="text" onClick={() => file.current?.click()}>
            with a photograph
          </Button>
        ) : (
          <Button variant="text" onClick={() => form.setValue('photo', '', { shouldDirty: true })}>
            without the photograph
          </Button>
        )}
        <p className={problem ? 'caution' : 'note'} role={problem ? 'alert' : undefined}>
          {problem ?? 'It stays in Hodman’s folder and is sent nowhere.'}
        </p>
      </div>
    </HouseForm>
  );
}
