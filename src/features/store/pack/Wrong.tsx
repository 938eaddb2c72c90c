'use client';

import Button from '@mui/material/Button';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import { Fold } from '@/ui/Fold';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand, type HouseAction } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { putDayRight, sayOfPacks, unblockPacks } from '../actions';
import styles from '../store.module.css';

const SAID = {
  opened: 'is open',
  lost: 'is lost',
  thawed: 'was thawed, and is frozen again',
} as const;

/** What something can be wrong with: a pack, or an ingredient. */
interface Suspect {
  readonly holdingId: number;
  /** What it is called. */
  readonly code: string;
  readonly blocked: boolean;
  readonly ahead: string | undefined;
  readonly isFrozen: boolean;
  readonly mayBeOpened: boolean;
}

interface WrongProps {
  pack: Suspect;
  /** What is done with it: a pack is fed, an ingredient cooked. */
  verb: 'feed' | 'cook';
  /** Where the same food went. */
  trace: string;
  correct: HouseAction<{ holdingId: number; grams: number }, unknown>;
  onDone: (said: string, movementIds: readonly number[]) => void;
}

const VERBS = { feed: 'fed', cook: 'cooked' } as const;

/** A day that lies ahead is put right: the clock ran ahead when it was written down. */
function DayRight({ pack, onDone }: Pick<WrongProps, 'onDone'> & { pack: Suspect }) {
  const [day, setDay] = useState('');
  const right = useCommand(putDayRight, `pack-${pack.holdingId}-day`, ({ movementIds }) =>
    onDone(`${pack.code}: the day is put right.`, movementIds),
  );
  return (
    <form
      className={styles.correct}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        right.run({ holdingIds: [pack.holdingId], day });
      }}
    >
      <Field
        label="When was it really?"
        type="date"
        value={day}
        onChange={(event) => setDay(event.target.value)}
        problem={right.at('day')}
      />
      <Problems problems={right.atHead('day')} />
      <Button type="submit" variant="contained" disabled={right.pending}>
        Put the day right
      </Button>
    </form>
  );
}

/** What can be wrong with what lies there: its weight, that it is nowhere, that it thawed, that it made a dog ill. */
export function Wrong({ pack, verb, trace, correct: putRight, onDone }: WrongProps) {
  const { readScale, scaleUnit } = useUnits();
  const slot = `pack-${pack.holdingId}`;
  const holdingIds = [pack.holdingId];
  const [scale, setScale] = useState('');
  const [why, setWhy] = useState('');
  const [unread, setUnread] = useState<string>();
  const correct = useCommand(putRight, `${slot}-correct`, () => setScale(''));
  const say = useCommand(sayOfPacks, `${slot}-say`, (value, input) => {
    setWhy('');
    onDone(
      `${pack.code} ${input.is === 'blocked' ? `is not ${VERBS[verb]} until you say so` : SAID[input.is]}.`,
      value.movementIds,
    );
  });
  const free = useCommand(unblockPacks, `${slot}-free`, ({ movementIds }) => {
    setWhy('');
    onDone(`${pack.code} may be ${VERBS[verb]} again.`, movementIds);
  });
  const reason = why.trim() === '' ? {} : { why };
  const submit = () => {
    const reading = readScale(scale, 'asked');
    setUnread(reading.ok ? undefined : reading.problem.message);
    if (reading.ok) correct.run({ holdingId: pack.holdingId, grams: reading.value });
  };
  return (
    <Fold title="Something is wrong with it" open={pack.blocked || pack.ahead !== undefined}>
      <div className="stack">
        {pack.ahead !== undefined && <DayRight pack={pack} onDone={onDone} />}
        <form
          className={styles.correct}
          noValidate
          onSubmit={(event) => {
            event.preventDefault();
            submit();
          }}
        >
          <Field
            label="It really holds"
            unit={scaleUnit}
            inputMode="decimal"
            autoComplete="off"
            value={scale}
            onChange={(event) => setScale(event.target.value)}
            problem={unread ?? correct.at('grams')}
            hint="without the tub"
          />
          <Button type="submit" variant="outlined" disabled={correct.pending}>
            Correct it
          </Button>
        </form>
        <Field
          label="What is it?"
          hint="in a few words: it is kept with it"
          autoComplete="off"
          value={why}
          onChange={(event) => setWhy(event.target.value)}
          problem={say.at('why') ?? free.at('why')}
        />
        <Problems problems={[...correct.atHead('grams'), ...say.atHead('why'), ...free.atHead('why')]} />
        <div className={styles.acts}>
          {pack.blocked ? (
            <Button
              key="free"
              variant="contained"
              disabled={free.pending}
              onClick={() => free.run({ holdingIds, why })}
            >
              It may be {VERBS[verb]}
            </Button>
          ) : (
            <Button
              key="block"
              variant="outlined"
              disabled={say.pending}
              onClick={() => say.run({ holdingIds, is: 'blocked', ...reason })}
            >
              Do not {verb} it
            </Button>
          )}
          <Button
            variant="outlined"
            disabled={say.pending}
            onClick={() => say.run({ holdingIds, is: 'lost', ...reason })}
          >
            Nobody finds it
          </Button>
          {pack.isFrozen && (
            <Button
              variant="outlined"
              disabled={say.pending}
              onClick={() => say.run({ holdingIds, is: 'thawed', ...reason })}
            >
              It thawed, with ice in it still
            </Button>
          )}
          {pack.mayBeOpened && (
            <Button
              variant="outlined"
              disabled={say.pending}
              onClick={() => say.run({ holdingIds, is: 'opened', ...reason })}
            >
              It is open
            </Button>
          )}
        </div>
        {pack.isFrozen && (
          <p className="note">
            Ice crystals, or no warmer than the fridge: freeze it again or use it. Warmer than 4 °C for 2 h or longer,
            or nobody knows: throw it away (USDA).
          </p>
        )}
        <p>
          <Link href={trace}>Where is the same food, and who ate of it?</Link>
        </p>
      </div>
    </Fold>
  );
}
