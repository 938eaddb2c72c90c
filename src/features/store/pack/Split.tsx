'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Fold } from '@/ui/Fold';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { splitPack } from '../actions';
import styles from '../store.module.css';
import type { OpenPack } from './queries';

/** A part of a pack becomes one of its own, with a code of its own. */
export function Split({ pack }: { pack: OpenPack }) {
  const { readScale, scaleUnit, toType } = useUnits();
  const router = useRouter();
  const [text, setText] = useState('');
  const [dog, setDog] = useState('');
  const [unread, setUnread] = useState<string>();
  const split = useCommand(splitPack, `pack-${pack.holdingId}-split`, ({ code }) =>
    router.push(`/store?pack=${code}`, { scroll: false }),
  );
  const submit = () => {
    const read = readScale(text, 'asked');
    setUnread(read.ok ? undefined : read.problem.message);
    if (read.ok)
      split.run({ holdingId: pack.holdingId, grams: read.value, ...(dog === '' ? {} : { dogId: Number(dog) }) });
  };
  return (
    <Fold title="Split it">
      <form
        className="stack"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          submit();
        }}
      >
        <div className={styles.correct}>
          <Field
            label="Into a new pack go"
            unit={scaleUnit}
            inputMode="decimal"
            autoComplete="off"
            value={text}
            onChange={(event) => setText(event.target.value)}
            problem={unread ?? split.at('grams')}
          />
          <Button variant="text" onClick={() => setText(toType(Math.round(pack.grams / 2)))}>
            half of it
          </Button>
        </div>
        <Choice
          label="The new one is for"
          value={dog}
          options={[
            { value: '', label: `as before: ${pack.whose}` },
            ...pack.dogs.map(({ id, name }) => ({ value: String(id), label: name })),
          ]}
          onChange={setDog}
        />
        <Problems problems={split.atHead('grams')} />
        <div>
          <Button type="submit" variant="outlined" disabled={split.pending}>
            Split it so
          </Button>
        </div>
      </form>
    </Fold>
  );
}
