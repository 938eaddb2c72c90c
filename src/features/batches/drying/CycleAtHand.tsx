'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { AFTER_CUT, AFTER_CUT_WORDS, afterPowerCut, turnIn, type AfterCut } from '@/core/preserve/cycle';
import { energySoFar } from '@/core/preserve/cycle-time';
import { costOf, explainCost, writeHours } from '@/core/preserve/drying-words';
import { writeMoney, writeNumber } from '@/core/quantity/write';
import { Caution } from '@/ui/Caution';
import { Fold } from '@/ui/Fold';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { FigureAct } from '@/ui/form/FigureAct';
import { Problems } from '@/ui/form/Problems';
import { useUnits } from '@/ui/units';
import { Why } from '@/ui/Why';
import styles from './drying.module.css';
import { MachineLogFile } from './MachineLogFile';
import type { CycleView } from './queries';
import { dryerOf, dryingOf, forecastOf, useCycle, useHow, type DryingProps } from './use-drying';

const LIKES = [
  { value: '' as AfterCut | '', label: 'nobody has looked' },
  ...AFTER_CUT.map((like) => ({ value: like, label: AFTER_CUT_WORDS[like] })),
];

/** A cycle that runs or is over: its hours, its electricity, what happened to it, and its end. */
export function CycleAtHand({ view, share, cycle }: DryingProps & { cycle: CycleView }) {
  const { inDegrees } = useUnits();
  const act = useCycle(cycle.id);
  const { kwhMinor, currency, now } = dryingOf(view);
  const { state } = cycle;
  const forecast = forecastOf(view, share, dryerOf(view, share));
  const so = energySoFar(state, forecast);
  const cost = costOf(so, kwhMinor);
  const cut = state.cuts.find(({ to }) => to === undefined);
  const opened = state.openings.find(({ to }) => to === undefined);
  const turn = share.method === 'dehydrated' ? turnIn(state, now) : undefined;
  const run = (of: Parameters<typeof act.run>[0]['of']) => act.run({ cycleId: cycle.id, of });
  return (
    <section className="stack" aria-label="The cycle">
      <p className="soft">
        In it since {cycle.loaded}: {writeHours(state.running)}
        {cycle.celsius !== undefined && ` at ${inDegrees(cycle.celsius)}`}
        {so !== undefined && ` · ${state.energy === undefined ? 'about ' : ''}${writeNumber(so, 1)} kWh`}
        {so !== undefined && cost !== undefined && kwhMinor !== undefined && (
          <>
            {' '}
            · {writeMoney(cost, currency)} <Why of={explainCost(so, kwhMinor, currency)} about="the electricity" />
          </>
        )}
        {cycle.beside.length > 0 && <span className="note"> beside {cycle.beside.join(', ')}</span>}
      </p>
      {cut ? (
        <PowerBack view={view} share={share} hours={cut.hours} act={act} onRun={run} />
      ) : (
        <>
          {turn !== undefined && (
            <div className={styles.acts}>
              <p className={turn <= 0 ? 'caution' : 'soft'} role="status">
                {turn <= 0 ? 'Trays change places now' : `Trays change places in ${writeHours(turn)}`}
                <span className="note"> top and bottom, front and back (common practice)</span>
              </p>
              <Button variant="outlined" disabled={act.pending} onClick={() => run({ act: 'turned' })}>
                They are turned
              </Button>
            </div>
          )}
          {!state.endedAt && (
            <FigureAct
              label="It shows"
              unit="h"
              hint="empty: by the clock"
              act="It is over: switched off"
              mayBeEmpty
              contained
              pending={act.pending}
              problem={act.at('hours')}
              onAct={(hours) => run({ act: 'ended', ...(hours === undefined ? {} : { hours }) })}
            />
          )}
          {opened && (
            <Caution role="status">
              Its door is open for {writeHours(opened.hours)}.{' '}
              <Button variant="outlined" size="small" onClick={() => run({ act: 'door', open: false })}>
                It is shut
              </Button>
            </Caution>
          )}
        </>
      )}
      <Fold title="What happened to it: power, door, meter">
        <div className="stack">
          {!state.endedAt && !cut && (
            <div className={styles.acts}>
              <PowerGone pending={act.pending} problem={act.at('clock')} onRun={run} />
              {!opened && (
                <Button variant="text" disabled={act.pending} onClick={() => run({ act: 'door', open: true })}>
                  its door was opened
                </Button>
              )}
            </div>
          )}
          <FigureAct
            label="Its meter says"
            unit="kWh"
            hint="from its beginning on"
            act="Keep it"
            pending={act.pending}
            problem={act.at('kwh')}
            onAct={(kwh) => kwh !== undefined && run({ act: 'energy', kwh })}
          />
          {!state.endedAt && <MachineLogFile pending={act.pending} likeAsked={act.at('like')} onRun={run} />}
          <ul>
            {cycle.events.map((event) => (
              <li key={event.id} className="spread">
                <span>{event.said}</span>
                <Button
                  variant="text"
                  size="small"
                  aria-label={`Strike out: ${event.said}`}
                  disabled={act.pending}
                  onClick={() => run({ act: 'strike', eventId: event.id })}
                >
                  strike out
                </Button>
              </li>
            ))}
          </ul>
          {!state.endedAt && (
            <Button variant="text" size="small" disabled={act.pending} onClick={() => run({ act: 'not loaded' })}>
              it was not loaded: take the trays out again
            </Button>
          )}
        </div>
      </Fold>
      <Problems problems={act.atHead('clock', 'like', 'hours', 'kwh', 'log')} />
    </section>
  );
}

type Run = (of: Parameters<ReturnType<typeof useCycle>['run']>[0]['of']) => void;

function PowerGone({ onRun, pending, problem }: { onRun: Run; pending: boolean; problem: string | undefined }) {
  const [clock, setClock] = useState('');
  return (
    <>
      <Field
        label="Power gone at"
        autoComplete="off"
        placeholder="14:20"
        value={clock}
        onChange={(event) => setClock(event.target.value)}
        problem={problem}
        hint="empty: now"
      />
      <Button variant="outlined" disabled={pending} onClick={() => onRun({ act: 'power cut', clock })}>
        The power is gone
      </Button>
    </>
  );
}

/** The power is back: when, and what the trays are like; what may not be kept is thrown. */
function PowerBack({
  view,
  share,
  hours,
  act,
  onRun,
}: DryingProps & { hours: number; act: ReturnType<typeof useCycle>; onRun: Run }) {
  const [clock, setClock] = useState('');
  const [like, setLike] = useState<AfterCut | ''>('');
  const how = useHow(view, share);
  const verdict = afterPowerCut(hours, like === '' ? undefined : like);
  return (
    <div className="stack" role="group" aria-label="Without power">
      <Caution danger={verdict.is === 'throw'} role="status">
        Without power for {writeHours(hours)}. {verdict.says} <span className="note">{verdict.source}</span>
      </Caution>
      <div className={styles.acts}>
        <Field
          label="Power is back since"
          autoComplete="off"
          placeholder="17:05"
          value={clock}
          onChange={(event) => setClock(event.target.value)}
          problem={act.at('clock')}
          hint="empty: now"
        />
        <Choice label="The trays are" value={like} options={LIKES} onChange={setLike} />
        <Button
          variant="contained"
          disabled={act.pending || verdict.is === 'throw'}
          onClick={() => onRun({ act: 'power back', clock, ...(like === '' ? {} : { like }) })}
        >
          It runs again
        </Button>
        {verdict.is === 'throw' && (
          <Button
            variant="contained"
            color="error"
            disabled={how.pending}
            onClick={() =>
              how.say({
                what: 'throw',
                trays: share.trays.map(({ id }) => id),
                why: `wet and warm for ${writeHours(hours)} without power`,
              })
            }
          >
            Thrown away
          </Button>
        )}
      </div>
      {act.at('like') && (
        <p className="caution" role="alert">
          {act.at('like')}
        </p>
      )}
      <Problems problems={how.problems} />
    </div>
  );
}
