'use client';

import Button from '@mui/material/Button';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Fold } from '@/ui/Fold';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { packForDog, swapLabels } from '../actions';
import styles from '../store.module.css';
import type { OpenPack } from './queries';

const WHAT = [
  { value: 'dog', label: 'it is for another dog' },
  { value: 'swapped', label: 'it and another pack are swapped' },
  { value: 'pot', label: 'it is of another pot' },
  { value: 'weight', label: 'its weight' },
  { value: 'date', label: 'its date' },
] as const;

/** What can be wrong on a label, one question and one answer each. */
export function WrongLabel({ pack, onDone }: { pack: OpenPack; onDone: (said: string) => void }) {
  const [what, setWhat] = useState<(typeof WHAT)[number]['value']>('dog');
  const [dogId, setDogId] = useState('');
  const [code, setCode] = useState('');
  const dog = useCommand(packForDog, `pack-${pack.holdingId}-dog`, (_, input) => {
    const name = pack.dogs.find(({ id }) => id === input.dogId)?.name ?? 'anybody';
    onDone(`${pack.code} is for ${name} now: write its label again.`);
  });
  const swap = useCommand(swapLabels, `pack-${pack.holdingId}-swap`, (_, input) =>
    onDone(
      `${pack.code} and ${input.code.toUpperCase()} have changed places: what each label says is wrong until it is written again.`,
    ),
  );
  const batch = pack.contents[0];
  return (
    <Fold title="Its label is wrong" lazy>
      <div className="stack">
        <Choice label="What is wrong on it" value={what} options={WHAT} onChange={setWhat} />
        {what === 'dog' && (
          <div className={styles.correct}>
            <Choice
              label="It is for"
              value={dogId}
              options={[
                { value: '', label: 'anybody' },
                ...pack.dogs.map(({ id, name }) => ({ value: String(id), label: name })),
              ]}
              onChange={setDogId}
            />
            <Button
              variant="outlined"
              disabled={dog.pending}
              onClick={() => dog.run({ holdingId: pack.holdingId, ...(dogId === '' ? {} : { dogId: Number(dogId) }) })}
            >
              It is for {pack.dogs.find(({ id }) => String(id) === dogId)?.name ?? 'anybody'}
            </Button>
          </div>
        )}
        {what === 'swapped' && (
          <>
            <p className="note">
              If you put each label on its own pack there is nothing to write down. If the labels stay where they are:
            </p>
            <div className={styles.correct}>
              <Field
                label="The other pack’s code"
                autoComplete="off"
                value={code}
                onChange={(event) => setCode(event.target.value)}
                problem={swap.at('code')}
              />
              <Button
                variant="outlined"
                disabled={swap.pending || code.trim() === ''}
                onClick={() => swap.run({ holdingId: pack.holdingId, code })}
              >
                They change places
              </Button>
            </div>
          </>
        )}
        {what === 'pot' && (
          <p>
            Take it back into its share, and pack it from the pot that it is really of:{' '}
            {batch ? <Link href={`/batches/${batch.batchId}`}>{batch.said}</Link> : 'nobody knows its pot'}. If another
            pack has its label, the two are swapped.
          </p>
        )}
        {what === 'weight' && (
          <p>Weigh it, and write that under “Something is wrong with it”; then print its label again.</p>
        )}
        {what === 'date' && (
          <p>
            A date follows from when it was packed, moved and opened: take back in its history what was not so. If the
            label alone is wrong, print it again.
          </p>
        )}
        <Problems problems={[...dog.atHead('dogId'), ...swap.atHead('code')]} />
        {dog.at('dogId') !== undefined && <p className="danger">{dog.at('dogId')}</p>}
      </div>
    </Fold>
  );
}
