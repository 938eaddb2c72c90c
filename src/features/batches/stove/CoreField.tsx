'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { heatVerdict, LIKELY_CORE } from '@/core/heat/heat-check';
import { SAFE_CORE_SOURCE } from '@/core/heat/safe-core';
import { Keypad } from '@/ui/counter/Keypad';
import { ProbePlace } from '@/ui/drawings/ProbePlace';
import { WithReason } from '@/ui/form/WithReason';
import { useUnits } from '@/ui/units';
import type { StoveView } from './queries';
import { ByTime } from './ByTime';
import { Degrees, NO_DEGREES, useDegrees } from './Degrees';
import { ProbeLog } from './ProbeLog';
import styles from './stove.module.css';
import type { Stove } from './use-stove';

interface CoreFieldProps {
  stove: StoveView;
  of: Pick<Stove, 'command' | 'act' | 'clock'>;
  load: string;
}

/** The core of one load, emptied once it was taken. */
export function CoreField(props: CoreFieldProps) {
  const taken = props.stove.day.loads.find((each) => each.key === props.load)?.readings.length;
  return <CoreOfLoad key={`${props.load} ${taken}`} {...props} />;
}

/** The core of one load: what is asked, what was read, and the way on without a passed check. */
function CoreOfLoad({ stove, of: { command, act, clock }, load: key }: CoreFieldProps) {
  const { inDegrees, degreesUnder } = useUnits();
  const [typed, setTyped] = useState(NO_DEGREES);
  const read = useDegrees(typed, LIKELY_CORE);
  const [leaving, setLeaving] = useState(false);
  const load = stove.day.loads.find((each) => each.key === key);
  if (!load) return null;
  const { asked, readings, verdict } = load;
  const last = readings.at(-1);
  const would = read.ok ? heatVerdict(asked, [{ celsius: read.value, at: stove.now }], undefined) : undefined;
  return (
    <form
      className={styles.why}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        if (read.ok) act({ act: 'core', load: key, celsius: read.value, instrument: typed.instrument });
      }}
    >
      {asked && (
        <p className={styles.asked}>
          <ProbePlace />
          <span>
            Done at <b>{inDegrees(asked.celsius)}</b> in the deepest place
            {asked.rest !== undefined && `, then ${asked.rest} min rest`}: {asked.because} is {asked.as}.{' '}
            <span className="note">{SAFE_CORE_SOURCE}</span>
          </span>
        </p>
      )}
      {last && asked && verdict.is === 'too cold' && (
        <p className="caution" role="status">
          {inDegrees(last.celsius, 1)} at {clock(last.at)}: {degreesUnder(last.celsius, asked.celsius)} to go. Cook on,
          and measure again.
        </p>
      )}
      {last && verdict.is === 'before the last addition' && (
        <p className="caution" role="status">
          {inDegrees(last.celsius)} at {clock(last.at)} was before the last addition: it is kept, and does not count.
        </p>
      )}
      <Degrees
        label={`Core of ${load.name}`}
        value={typed}
        read={read}
        onChange={setTyped}
        problem={command.at('core')}
        hint={
          would?.is === 'too cold' && asked
            ? `${degreesUnder(would.by.celsius, asked.celsius)} under what is asked`
            : undefined
        }
      />
      <div className={styles.acts}>
        {!leaving && (
          <Button
            type="submit"
            variant="contained"
            size="large"
            className={styles.done_}
            disabled={command.pending || !read.ok}
          >
            That is the core
          </Button>
        )}
        <WithReason
          ask="go on without"
          question="Why does it go on without a passed check?"
          hint="Its packs are marked with it."
          act="Go on, and mark its packs"
          pending={command.pending}
          onWhy={(why) => act({ act: 'go on', load: key, why })}
          onAsked={setLeaving}
        />
      </div>
      <ByTime load={load} of={{ act, command }} />
      <ProbeLog of={{ act, command }} load={key} to="load" />
      <Keypad />
    </form>
  );
}
