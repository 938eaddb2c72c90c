'use client';

import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { keptWarm, ringsAt, type TaskState } from '@/core/cook/cook-day';
import { nameOfCooking } from '@/core/cook/tasks';
import { COOLING_LIMITS } from '@/core/heat/cooling';
import { writeMinutes } from '@/core/plan/stove';
import { Problems } from '@/ui/form/Problems';
import { useUnits } from '@/ui/units';
import type { StoveView } from './queries';
import styles from './stove.module.css';
import type { Stove } from './use-stove';

type Running = Extract<TaskState, { state: 'running' }>;

/** "18:24"; over an hour "1:05:00". */
function count(ms: number): string {
  const whole = Math.max(0, Math.ceil(ms / 1000));
  const two = (value: number) => String(value).padStart(2, '0');
  const hours = Math.floor(whole / 3600);
  return `${hours > 0 ? `${hours}:${two(Math.floor(whole / 60) % 60)}` : Math.floor(whole / 60)}:${two(whole % 60)}`;
}

/** The timer that rings next, large; the others small. Each belongs to its load, and to its recipe's own time. */
export function Timers({ stove, of: { now, clock, command, act } }: { stove: StoveView; of: Stove }) {
  const running = stove.day.tasks
    .filter((task): task is Running => task.state === 'running')
    .sort((a, b) => ringsAt(a.timer).getTime() - ringsAt(b.timer).getTime());
  const [first, ...others] = running;
  const warm = keptWarm(stove.day);
  if (!first)
    return warm.length > 0 ? (
      <section className={styles.timer}>
        <KeptWarm of={warm} now={now} clock={clock} />
      </section>
    ) : null;
  const rings = ringsAt(first.timer);
  const left = rings.getTime() - now.getTime();
  const whole = first.timer.minutes * 60_000;
  const minutes = (by: number) => {
    act({ act: 'timer', key: first.key, minutes: Math.max(1, first.timer.minutes + by) });
  };
  const name = nameOfCooking(first);
  return (
    <section className={styles.timer} aria-labelledby="timer" data-rang={left <= 0 || undefined}>
      <p className="soft" id="timer">
        {name}
      </p>
      <p className={styles.count} role="timer">
        {left > 0 ? count(left) : '0:00'}
      </p>
      <LinearProgress
        variant="determinate"
        className={styles.gone}
        aria-label={`${name}: how far it is`}
        value={Math.min(100, Math.max(0, 100 - (100 * left) / whole))}
      />
      {left > 0 ? (
        <p>
          rings at <b>{clock(rings)}</b> · {first.guessed ? 'nobody has written down how long: perhaps' : 'set for'}{' '}
          {writeMinutes(first.timer.minutes)}
          {!first.guessed &&
            first.timer.minutes === first.minutes &&
            (first.frozen ? ' by this recipe, for what went in frozen' : ' by this recipe')}
        </p>
      ) : (
        <p role="alert" className={styles.rang}>
          rang at {clock(rings)}
          {left < -60_000 && `, ${writeMinutes(-left / 60_000)} ago`}
        </p>
      )}
      <Problems problems={command.problems.filter((problem) => problem.field === 'minutes')} />
      <div className={styles.timerActs}>
        <Button
          variant="outlined"
          disabled={command.pending}
          onClick={() => minutes(-5)}
          aria-label="Five minutes less"
        >
          −5
        </Button>
        <Button variant="outlined" disabled={command.pending} onClick={() => minutes(5)} aria-label="Five minutes more">
          +5
        </Button>
        <Button
          variant={left > 0 ? 'outlined' : 'contained'}
          disabled={command.pending}
          onClick={() => act({ act: 'done', key: first.key })}
          aria-label={`Stop: ${name} is off the heat`}
        >
          Stop
        </Button>
      </div>
      {others.map((task) => (
        <p key={task.key} className="soft">
          also running: {nameOfCooking(task)} <b>{count(ringsAt(task.timer).getTime() - now.getTime())}</b>
        </p>
      ))}
      <KeptWarm of={warm} now={now} clock={clock} />
    </section>
  );
}

/** What waits off the heat, counted up and apart from the timers: hot it is safe, lukewarm it is not. */
function KeptWarm({ of, now, clock }: { of: ReturnType<typeof keptWarm>; now: Date; clock: Stove['clock'] }) {
  const { inDegrees } = useUnits();
  if (of.length === 0) return null;
  return (
    <div className="note">
      {of.map((each) => (
        <p key={each.key}>
          {each.name}: off the heat since {clock(each.since)},{' '}
          <b>{writeMinutes(Math.max(0, (now.getTime() - each.since.getTime()) / 60_000))}</b>
        </p>
      ))}
      <p>Keep it above {inDegrees(COOLING_LIMITS.from)} under its lid, or pour it.</p>
    </div>
  );
}
