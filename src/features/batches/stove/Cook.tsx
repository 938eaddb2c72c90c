'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import type { StepKey } from '@/core/batch/steps';
import { minutesBetween } from '@/core/calendar/minutes';
import { coolingOf } from '@/core/heat/pan-cooling';
import { sayCooling } from '@/core/heat/cooling-words';
import { driftInPercent } from '@/core/batch/drift';
import { writeKcal } from '@/core/quantity/write';
import { countOf } from '@/core/quantity/count-words';
import { Fold } from '@/ui/Fold';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { Segments } from '@/ui/form/Segments';
import { useLive } from '@/ui/server-time';
import { useUnits } from '@/ui/units';
import type { BatchView } from '../view';
import type { StoveView } from './queries';
import { NextTime } from './NextTime';
import styles from './stove.module.css';
import { TaskAtHand } from './TaskAtHand';
import { Timeline } from './Timeline';
import { Timers } from './Timers';
import { useInstrument } from '@/ui/instruments';
import { keptWarm, mayGoOn } from '@/core/cook/cook-day';
import { useStove, type Stove } from './use-stove';

const COOKS = [
  { value: '1', label: 'one cook' },
  { value: '2', label: 'two' },
] as const;

/** The cook sheet: the day of hands and vessels above, one task large below, its timer and its pans beside it. */
export function Cook({ view, onOpen }: { view: BatchView; onOpen: (step: StepKey) => void }) {
  if (!view.stove) return null;
  return <Sheet view={view} stove={view.stove} onOpen={onOpen} />;
}

function Sheet({ view, stove, onOpen }: { view: BatchView; stove: StoveView; onOpen: (step: StepKey) => void }) {
  useLive();
  const of = useStove(view, stove);
  const { day, pans } = stove;
  return (
    <div className={styles.sheet}>
      <Timeline stove={stove} of={of} />
      {view.sharedVessels.map((said) => (
        <p key={said} className="caution" role="status">
          {said}
        </p>
      ))}
      {of.problem && <Problems problems={[{ message: of.problem }]} />}
      <div
        className={styles.below}
        data-timer={day.tasks.some(({ state }) => state === 'running') || keptWarm(day).length > 0 || undefined}
      >
        <TaskAtHand stove={stove} of={of} onPot={() => onOpen('pot')} onElse={() => onOpen('weigh out')} />
        <Timers stove={stove} of={of} />
        <aside className={styles.aside}>
          {pans.map((pan) => (
            <PanInShort key={pan.key} pan={pan} of={of} onOpen={() => onOpen('cool')} />
          ))}
          {stove.ovens.map((oven) => (
            <Oven key={oven.name} {...oven} />
          ))}
          <Loads stove={stove} />
          {view.drift && (
            <p className="note" role="status">
              {view.drift.lines.map((line) => line.name).join(', ')} went in otherwise than planned: the batch holds{' '}
              {writeKcal(view.drift.weighed)} kcal, {driftInPercent(view.drift)} % against the plan.
            </p>
          )}
          <NextTime view={view} stove={stove} />
          <Fold title="The day itself">
            <div className="stack">
              <Segments
                label="How many cooks"
                value={day.hands > 1 ? '2' : '1'}
                options={COOKS}
                onChange={(hands) => of.act({ act: 'hands', hands: Number(hands) })}
              />
              <OwnTask of={of} />
            </div>
          </Fold>
          {!view.weighed && (
            <Button variant="text" onClick={() => onOpen('pot')}>
              straight to the scale
            </Button>
          )}
        </aside>
      </div>
    </div>
  );
}

function PanInShort({ pan, of, onOpen }: { pan: StoveView['pans'][number]; of: Stove; onOpen: () => void }) {
  const { inDegrees } = useUnits();
  const minutes = minutesBetween(pan.pouredAt, of.now);
  const { said, tone } = sayCooling(pan, coolingOf(pan), minutes, inDegrees);
  const last = pan.readings.at(-1);
  return (
    <section className={styles.pan} aria-label={`Pan, ${pan.name}`}>
      <p className="soft">pan, {pan.name}</p>
      {last && <p className={styles.wanted}>{inDegrees(last.celsius)}</p>}
      <p className={styles[tone === 'in order' ? 'inOrder' : tone]}>{said}</p>
      <Button variant="outlined" onClick={onOpen}>
        Take a reading
      </Button>
    </section>
  );
}

/** What the oven shows beside what the recipe asks of it; without an oven that speaks, what is asked. */
function Oven({ name, celsius }: { name: string; celsius: number }) {
  const { inDegrees } = useUnits();
  const heard = useInstrument('oven');
  const off = heard && !heard.silent ? heard.shows - celsius : 0;
  return (
    <section className={styles.pan} aria-label={`Oven, ${name}`}>
      <p className="soft">oven, {name}</p>
      {heard && !heard.silent ? (
        <>
          <p className={styles.wanted}>{inDegrees(heard.shows)}</p>
          <p className={Math.abs(off) > OVEN_OFF ? 'caution' : 'soft'}>
            {Math.abs(off) <= OVEN_OFF
              ? `as asked: ${inDegrees(celsius)}`
              : off < 0
                ? `not up to ${inDegrees(celsius)} yet`
                : `hotter than ${inDegrees(celsius)}`}
          </p>
        </>
      ) : (
        <p>
          {inDegrees(celsius)} by the recipe{heard?.silent && ' · the oven is silent'}
        </p>
      )}
    </section>
  );
}

/** An oven swings by this much around what it is set to, in °C (common practice, no source). */
const OVEN_OFF = 12;

/** Each load's core that was measured; of the others, how many there are and what they are cooked to. */
function Loads({ stove: { day } }: { stove: StoveView }) {
  const { inDegrees } = useUnits();
  const asked = day.loads.filter((load) => load.asked);
  const [first] = asked;
  if (!first?.asked) return null;
  const known = asked.filter((load) => load.readings.length > 0 || load.reason !== undefined);
  // One that was measured too cold is still to be measured.
  const open = asked.filter((load) => !mayGoOn(load)).length;
  return (
    <ul className="rows" aria-label="Cores">
      {known.map((load) => {
        const last = load.readings.at(-1);
        return (
          <li key={load.key} className="spread">
            <span>{load.name}</span>
            <b>
              {load.verdict.is === 'proven' && last
                ? `✓ ${inDegrees(last.celsius)}`
                : load.reason !== undefined
                  ? 'goes on unproven'
                  : `${inDegrees(last?.celsius ?? 0)}, not yet`}
            </b>
          </li>
        );
      })}
      {open > 0 && (
        <li className="spread">
          <span>{countOf(open, 'core')} to measure</span>
          <b>{inDegrees(first.asked.celsius)}</b>
        </li>
      )}
    </ul>
  );
}

function OwnTask({ of: { act, command } }: { of: Stove }) {
  const [title, setTitle] = useState('');
  return (
    <form
      className={styles.readingFields}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        if (title.trim() === '') return;
        act({ act: 'own', title });
        setTitle('');
      }}
    >
      <Field
        label="Something else to do"
        value={title}
        onChange={(event) => setTitle(event.target.value)}
        autoComplete="off"
      />
      <Button type="submit" variant="outlined" disabled={command.pending || title.trim() === ''}>
        Add it
      </Button>
    </form>
  );
}
