'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { HEATED_AGAIN } from '@/core/heat/cooling-words';
import { LIKELY_CORE } from '@/core/heat/heat-check';
import { capital } from '@/core/quantity/write';
import { AROUND, stretchNow, WHERES, type PanState } from '@/core/heat/pans';
import { readCount } from '@/core/quantity/typed';
import { Keypad } from '@/ui/counter/Keypad';
import { Choice } from '@/ui/form/Choice';
import { WithReason } from '@/ui/form/WithReason';
import { Field } from '@/ui/form/Field';
import { useUnits } from '@/ui/units';
import { Degrees, NO_DEGREES, useDegrees } from './Degrees';
import { ProbeLog } from './ProbeLog';
import styles from './stove.module.css';
import type { Stove } from './use-stove';

/** What is likely in a pan, in °C. */
const LIKELY = { low: 0, high: 100 };

/** A reading of a pan: its core, and when. */
export function Reading({ pan, of: { act, command, clock } }: { pan: PanState; of: Stove }) {
  const { inDegrees } = useUnits();
  const [typed, setTyped] = useState(NO_DEGREES);
  const [at, setAt] = useState('');
  const last = pan.readings.at(-1);
  // A core that would be hotter than at the stove is a slip of the unit.
  const read = useDegrees(typed, { ...LIKELY, high: Math.max(40, (last?.celsius ?? LIKELY.high) + 5) });
  const rises = read.ok && last !== undefined && at === '' && read.value > last.celsius + 2;
  return (
    <form
      className={styles.why}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        if (!read.ok) return;
        if (rises && !typed.sure) {
          setTyped({ ...typed, sure: true });
          return;
        }
        act({
          act: 'pan',
          load: pan.key,
          celsius: read.value,
          instrument: typed.instrument,
          ...(at.trim() === '' ? {} : { clock: at.trim() }),
        });
      }}
    >
      {last && (
        <>
          <p className="soft">core, {clock(last.at)}</p>
          <p className={styles.wanted}>{inDegrees(last.celsius)}</p>
        </>
      )}
      <div className={styles.readingFields}>
        <Degrees
          label="Core now"
          value={typed}
          read={read}
          onChange={setTyped}
          hint={rises ? `warmer than at ${clock(last.at)}: is that so?` : undefined}
        />
        <Field
          label="At"
          placeholder="now"
          autoComplete="off"
          value={at}
          onChange={(event) => setAt(event.target.value)}
          problem={command.at('clock')}
        />
      </div>
      <Button type="submit" variant="contained" size="large" fullWidth disabled={command.pending || !read.ok}>
        {rises && !typed.sure ? 'It is warmer' : 'Take the reading'}
      </Button>
      <div className={styles.acts}>
        {last && (
          <Button
            variant="text"
            size="small"
            disabled={command.pending}
            onClick={() => act({ act: 'strike', readingId: last.id, why: 'read wrongly' })}
          >
            strike out {inDegrees(last.celsius)}
          </Button>
        )}
        <ProbeLog of={{ act, command }} load={pan.key} to="pan" />
      </div>
      <Keypad />
    </form>
  );
}

/** What a kitchen, a fridge or a bath may be, in °C. */
const AROUND_LIKELY = { low: -5, high: 40 };

/** Where a pan stands, how cold it is there, and how deep it lies. */
export function Stands({ pan, of: { act, command } }: { pan: PanState; of: Stove }) {
  const [typed, setTyped] = useState(NO_DEGREES);
  const { where: stands } = stretchNow(pan);
  const around = useDegrees(typed, AROUND_LIKELY);
  const [depth, setDepth] = useState(pan.depth === undefined ? '' : String(pan.depth));
  const read = readCount(depth);
  return (
    <div className="stack">
      <Choice
        label="It stands"
        value={stands}
        options={WHERES.map((where) => ({ value: where, label: AROUND[where].words }))}
        onChange={(where) => act({ act: 'where', load: pan.key, where })}
      />
      <form
        className={styles.readingFields}
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          if (around.ok) act({ act: 'where', load: pan.key, where: stands, celsius: around.value });
        }}
      >
        <Degrees label={`${capital(AROUND[stands].words)} it is now`} value={typed} read={around} onChange={setTyped} />
        <Button type="submit" variant="outlined" disabled={command.pending || !around.ok}>
          So cold
        </Button>
      </form>
      <form
        className={styles.readingFields}
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          if (read.ok) act({ act: 'depth', load: pan.key, cm: read.value });
        }}
      >
        <Field
          label="How deep it lies"
          unit="cm"
          inputMode="decimal"
          autoComplete="off"
          value={depth}
          onChange={(event) => setDepth(event.target.value)}
          problem={!read.ok && depth !== '' ? read.problem.message : command.at('cm')}
        />
        <Button type="submit" variant="outlined" disabled={command.pending || !read.ok}>
          So deep
        </Button>
      </form>
      <p className="note">
        Plastic takes food at room temperature only; glass may take it warm, but never goes hot into the freezer (common
        practice).
      </p>
    </div>
  );
}

/** What the rules ask of food that cooled too slowly, and the way to keep it all the same. */
export function Missed({
  pan,
  of: { act, command },
  asks,
}: {
  pan: PanState;
  of: Stove;
  asks: 'heat again' | 'throw away';
}) {
  const { inDegrees } = useUnits();
  const [heated, setHeated] = useState(NO_DEGREES);
  const hot = useDegrees(heated, LIKELY_CORE);
  return (
    <div className={styles.why}>
      <p>
        {asks === 'heat again'
          ? `The rules ask: heat it to ${inDegrees(HEATED_AGAIN)} and cool it again, once; or throw it away.`
          : 'The rules ask: throw it away.'}{' '}
        <span className="note">FDA Food Code, from memory</span>
      </p>
      {asks === 'heat again' && (
        <form
          className={styles.readingFields}
          noValidate
          onSubmit={(event) => {
            event.preventDefault();
            if (hot.ok) act({ act: 'heat again', load: pan.key, celsius: hot.value });
          }}
        >
          <Degrees
            label="Heated through to"
            value={heated}
            read={hot}
            onChange={setHeated}
            problem={command.at('celsius')}
          />
          <Button type="submit" variant="contained" disabled={command.pending || !hot.ok}>
            It cools again
          </Button>
        </form>
      )}
      <WithReason
        ask="keep it all the same"
        question="Why is it kept?"
        hint="Its packs are marked with it."
        act="Keep it, and mark its packs"
        pending={command.pending}
        onWhy={(why) => act({ act: 'keep', load: pan.key, why })}
      />
    </div>
  );
}
