'use client';

import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import { useMemo, useState } from 'react';
import type { StepKey } from '@/core/batch/steps';
import { actOfHelp } from '@/core/batch/steps/help-act';
import { minutesBetween } from '@/core/calendar/minutes';
import { COOLING_LIMITS } from '@/core/heat/cooling';
import { ringsAt } from '@/core/cook/cook-day';
import { sayCooling, sayCoolingRule } from '@/core/heat/cooling-words';
import { coolingOf } from '@/core/heat/pan-cooling';
import { AROUND, STIR_IN_BELOW, stretchNow, USUAL_DEPTH, type PanState } from '@/core/heat/pans';
import { standingOf, type Help } from '@/core/heat/remedies';
import { writeMinutes } from '@/core/plan/stove';
import { Fold } from '@/ui/Fold';
import { Problems } from '@/ui/form/Problems';
import { Segments } from '@/ui/form/Segments';
import { Working } from '@/ui/Working';
import { useLive } from '@/ui/server-time';
import { useUnits } from '@/ui/units';
import type { BatchView } from '../view';
import type { StoveView } from './queries';
import { StirInAsked } from './Asks';
import { useHelp } from './use-help';
import { CoolingCurve } from './CoolingCurve';
import { Missed, Reading, Stands } from './PanForms';
import styles from './stove.module.css';
import { useStove, type Stove } from './use-stove';

/** Cooling: each pan with its curve, its limits, and what helps. */
export function Cool({ view, onOpen }: { view: BatchView; onOpen: (step: StepKey) => void }) {
  if (!view.stove) return null;
  return <Pans view={view} stove={view.stove} onOpen={onOpen} />;
}

function Pans({ view, stove, onOpen }: { view: BatchView; stove: StoveView; onOpen: (step: StepKey) => void }) {
  useLive();
  const of = useStove(view, stove);
  const [chosen, setChosen] = useState<string>();
  const { pans } = stove;
  const pan = pans.find((each) => each.key === chosen) ?? pans.at(-1);
  if (!pan)
    return (
      <p className="soft">
        Nothing is in a pan yet. <Button onClick={() => onOpen('cook')}>To the stove</Button>
      </p>
    );
  return (
    <div className="stack">
      {pans.length > 1 && (
        <Segments
          label="Which pan"
          value={pan.key}
          options={pans.map((each) => ({ value: each.key, label: each.name }))}
          onChange={setChosen}
        />
      )}
      <StirIns view={view} stove={stove} of={of} />
      <Pan key={pan.key} pan={pan} of={of} onPot={() => onOpen(view.weighed ? 'divide' : 'pot')} />
    </div>
  );
}

/** What is stirred in once every pan is cool enough; before that it waits. */
function StirIns({ view, stove, of }: { view: BatchView; stove: StoveView; of: Stove }) {
  const { inDegrees } = useUnits();
  const [next] = stove.day.stirIns.filter(({ done }) => !done);
  if (!next || view.weighed) return null;
  const isCool = stove.pans.every((pan) => (pan.readings.at(-1)?.celsius ?? Infinity) < STIR_IN_BELOW);
  return isCool ? (
    <section className={styles.asks} aria-label="Now that it is cool">
      <StirInAsked key={next.line} stove={stove} of={of} stirIn={next} net={undefined} />
    </section>
  ) : (
    <p className="soft">
      Below {inDegrees(STIR_IN_BELOW)}: {stove.day.stirIns.flatMap((each) => (each.done ? [] : [each.name])).join(', ')}
      .
    </p>
  );
}

function Pan({ pan, of, onPot }: { pan: PanState; of: Stove; onPot: () => void }) {
  const { inDegrees } = useUnits();
  const { now, clock, act, command } = of;
  const minutes = minutesBetween(pan.pouredAt, now);
  const cooling = useMemo(() => coolingOf(pan), [pan]);
  const { said, tone, to, asks } = sayCooling(pan, cooling, minutes, inDegrees);
  const last = pan.readings.at(-1);
  const from = last ? minutesBetween(pan.pouredAt, last.at) : 0;
  // Its own curve knows better than a slab what happens if it is left so, and how much its surface gives off.
  const likely = cooling.fit?.crossing(to);
  const leftSo = likely === undefined ? undefined : likely.minutes - from;
  const help = useHelp(standingOf(pan), last?.celsius, to, leftSo);
  const remedies = help ?? [];
  const [picked, setPicked] = useState<string>();
  const remedy = remedies.find((each) => each.words === picked);
  const other = remedy?.curve.map((point) => ({ ...point, minutes: from + point.minutes }));
  const stands = stretchNow(pan);
  // What is pressed is done.
  const does = (each: Help, own: number | undefined) => {
    const done = actOfHelp(pan, each, own);
    if (done) act(done);
  };
  const limit =
    cooling.begins + (to === COOLING_LIMITS.first.celsius ? COOLING_LIMITS.first : COOLING_LIMITS.second).minutes;
  return (
    <div className={styles.cool}>
      <div>
        <h2 className={styles[tone === 'in order' ? 'inOrder' : tone]} aria-live="polite">
          {said}
        </h2>
        <p className="soft">
          {pan.name}, {AROUND[stands.where].words} at {inDegrees(stands.ambient)} since {clock(stands.since)}.{' '}
          {cooling.problem ?? `From ${cooling.fitted} readings.`}{' '}
          <span className="note">{sayCoolingRule(inDegrees)}</span>
        </p>
        {pan.timer && (
          <p role="timer" className={styles.panTimer}>
            {ringsAt(pan.timer) > now ? (
              <>
                Measure it at <b>{clock(ringsAt(pan.timer))}</b>, in{' '}
                {writeMinutes(minutesBetween(now, ringsAt(pan.timer)))}
              </>
            ) : (
              <>
                Its time was up at <b>{clock(ringsAt(pan.timer))}</b>: measure it
              </>
            )}
          </p>
        )}
        <CoolingCurve cooling={cooling} now={minutes} other={other} otherWords={remedy?.words} />
        {asks && <Missed pan={pan} of={of} asks={asks} />}
      </div>
      <div className={styles.side}>
        <Problems problems={command.atHead('clock', 'cm', 'celsius', 'log')} />
        <Reading key={pan.readings.length} pan={pan} of={of} />
        {help === undefined && <Working said="Working out what helps this pan" />}
        {remedies.length > 0 && (
          <section aria-labelledby="helps">
            <h3 id="helps">{inDegrees(to)} from the last reading on, if you now</h3>
            <ul className={styles.remedies}>
              {remedies.map((each, index) => {
                const own = index === 0 && leftSo !== undefined ? leftSo : each.minutes;
                const inTime = own !== undefined && from + own <= limit;
                return (
                  <li key={each.words}>
                    <ButtonBase
                      disabled={command.pending}
                      onMouseEnter={() => setPicked(each.words)}
                      onFocus={() => setPicked(each.words)}
                      onMouseLeave={() => setPicked(undefined)}
                      onClick={() => does(each, own)}
                    >
                      <span>{each.words}</span>
                      <b className={inTime ? styles.inOrder : styles.danger}>
                        {inTime ? '' : '✕ '}
                        {own === undefined ? 'not in a day' : writeMinutes(own)}
                      </b>
                    </ButtonBase>
                  </li>
                );
              })}
            </ul>
            <p className="note">
              a slab of {pan.depth === undefined ? `perhaps ${USUAL_DEPTH} cm (say how deep)` : `${pan.depth} cm`} of
              this food; conductivity and surfaces from memory
            </p>
          </section>
        )}
        <Fold title="Where it stands, and how deep" open={pan.readings.length === 0}>
          <Stands pan={pan} of={of} />
        </Fold>
        <Button variant="outlined" onClick={onPot}>
          On to the scale
        </Button>
      </div>
    </div>
  );
}
