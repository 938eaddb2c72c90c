'use client';

import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { ringsAt, type TaskState } from '@/core/cook/cook-day';
import { broughtBy, nameOfCooking, type Brought } from '@/core/cook/tasks';
import { writeMinutes } from '@/core/plan/stove';
import { WithReason } from '@/ui/form/WithReason';
import { Problems } from '@/ui/form/Problems';
import { useFocusOnChange } from '@/ui/next-act';
import { useShortcutsOn } from '@/ui/shortcuts';
import { useUnits } from '@/ui/units';
import type { StoveView } from './queries';
import { CoreField } from './CoreField';
import { PanChoice } from './PanChoice';
import styles from './stove.module.css';
import type { Stove } from './use-stove';

/** How many of what comes later are named. */
const THEN = 3;

interface TaskAtHandProps {
  stove: StoveView;
  of: Stove;
  /** To the scale: the pot is done. */
  onPot: () => void;
  /** Something else is taken than the recipe says. */
  onElse: () => void;
}

/** One task, large: what, how much, into which load; one button and one key. What comes then stands small below. */
export function TaskAtHand({ stove, of, onPot, onElse }: TaskAtHandProps) {
  const { plan, now, clock, atHand, command, act } = of;
  const [chosen, setChosen] = useState<string>();
  const [leaving, setLeaving] = useState(false);
  const [on] = useShortcutsOn();
  const task = atHand.find((each) => each.key === chosen) ?? atHand[0];
  const done = () => {
    if (task && task.kind !== 'core' && !command.pending) act({ act: 'done', key: task.key });
  };
  useHotkeys('space', done, { enabled: on && !leaving, preventDefault: true, ignoreEventWhen: isPressed });
  useFocusOnChange(task?.key);
  const starts = new Map(plan?.times.map((time) => [time.key, time.start]));
  const then = stove.day.tasks
    .filter((each) => each.key !== task?.key && (each.state === 'open' || each.state === 'running') && each.hands > 0)
    .sort((a, b) => (starts.get(a.key)?.getTime() ?? 0) - (starts.get(b.key)?.getTime() ?? 0));
  const last = stove.day.tasks
    .filter((each) => each.state === 'done' || each.state === 'skipped')
    .sort((a, b) => b.at.getTime() - a.at.getTime() || b.readingId - a.readingId)[0];

  return (
    <section className={styles.task} aria-labelledby="task">
      <Problems problems={command.atHead('core', 'minutes')} />
      {task ? (
        <>
          <p className="soft">{task.state === 'running' ? `rang at ${clock(ringsAt(task.timer))}` : 'now'}</p>
          <h2 id="task" className={styles.what} tabIndex={-1}>
            {task.kind === 'cook' ? `Off the heat: ${nameOfCooking(task)}` : task.title}
          </h2>
          <Brings task={task} stove={stove} />
          {task.note && <p className="note">{task.note}</p>}
          {task.kind === 'pour' && task.in && (
            <PanChoice key={task.key} onDepth={(cm) => act({ act: 'depth', load: task.in?.load ?? '', cm })} />
          )}
          {task.kind === 'core' ? (
            <CoreField stove={stove} of={of} load={task.in?.load ?? ''} />
          ) : (
            <div className={styles.acts}>
              {!leaving && (
                <Button
                  variant="contained"
                  size="large"
                  className={styles.done_}
                  disabled={command.pending}
                  onClick={done}
                  data-next-act
                >
                  {sayDone(task)}
                  {on && <span className={styles.key}>space</span>}
                </Button>
              )}
              <WithReason
                key={task.key}
                outlined
                ask="Leave it out"
                question="Why is it left out?"
                act="It is left out"
                pending={command.pending}
                onWhy={(why) => act({ act: 'skip', key: task.key, why })}
                onAsked={setLeaving}
              />
            </div>
          )}
        </>
      ) : (
        <Waiting stove={stove} of={of} onPot={onPot} />
      )}
      <ul className={styles.then} aria-label="Then">
        {then.slice(0, THEN).map((each) => {
          const ready = atHand.some((ready) => ready.key === each.key);
          const at = starts.get(each.key);
          const line = (
            <>
              <span>
                then <b>{each.title}</b>
              </span>
              <span className="soft">{at ? clock(at < now ? now : at) : ''}</span>
            </>
          );
          return (
            <li key={each.key}>
              {ready ? (
                <ButtonBase aria-label={`Do it now: ${each.title}`} onClick={() => setChosen(each.key)}>
                  {line}
                </ButtonBase>
              ) : (
                <p>{line}</p>
              )}
            </li>
          );
        })}
      </ul>
      <p className="soft">
        {then.length > THEN && `and ${then.length - THEN} more. `}
        {last && (
          <Button
            variant="text"
            size="small"
            disabled={command.pending}
            onClick={() => act({ act: 'take back', key: last.key })}
          >
            take back: {last.title}
          </Button>
        )}
        <Button variant="text" size="small" onClick={onElse}>
          something else goes in
        </Button>
      </p>
    </section>
  );
}

/** A button that has the focus hears the space bar itself. */
const isPressed = (event: KeyboardEvent) =>
  event.target instanceof HTMLElement && event.target.closest('button, a, input, textarea, select, summary') !== null;

function sayDone(task: TaskState): string {
  if (task.kind === 'fill') return 'It’s on';
  if (task.kind === 'pour') return 'Poured';
  return task.kind === 'cook' ? 'It’s off' : 'Done';
}

/** How much of what: one line large, several as a short list under their sum. */
function Brings({ task, stove }: { task: TaskState; stove: StoveView }) {
  const { inMass } = useUnits();
  const measureOf = ({ line }: Brought) => stove.measures[line]?.[task.kind === 'take apart' ? 'whole' : 'load'];
  const [only] = task.brings;
  if (!only) return null;
  if (task.brings.length === 1)
    return (
      <p className={styles.wanted}>
        {inMass(only.grams)} <span className={styles.measure}>{measureOf(only)}</span>
      </p>
    );
  return (
    <>
      <p className={styles.wanted}>{inMass(broughtBy(task))}</p>
      <ol className={styles.brings} aria-label="In this order">
        {task.brings.map((each) => (
          <li key={each.line}>
            <span>{each.name}</span>
            <b>{inMass(each.grams)}</b>
            <span className="soft">{measureOf(each)}</span>
          </li>
        ))}
      </ol>
    </>
  );
}

/** Nothing for hands now: until when, or that all is done. */
function Waiting({ stove, of: { plan, now, clock }, onPot }: Omit<TaskAtHandProps, 'onElse'>) {
  const starts = new Map(plan?.times.map((time) => [time.key, time.start.getTime()]));
  const next = stove.day.tasks
    .filter((task) => task.state === 'open' && task.hands > 0)
    .sort((a, b) => (starts.get(a.key) ?? 0) - (starts.get(b.key) ?? 0))[0];
  const running = stove.day.tasks.flatMap((task) => (task.state === 'running' ? [ringsAt(task.timer)] : []));
  const rings = running.length > 0 ? new Date(Math.min(...running.map((each) => each.getTime()))) : undefined;
  if (next || rings) {
    const at = rings ?? new Date(starts.get(next?.key ?? '') ?? now.getTime());
    return (
      <>
        <p className="soft">now</p>
        <h2 id="task" className={styles.what} tabIndex={-1}>
          Hands free until {clock(at)}
        </h2>
        <p className={styles.wanted}>{writeMinutes(Math.max(0, (at.getTime() - now.getTime()) / 60_000))}</p>
      </>
    );
  }
  return (
    <>
      <h2 id="task" className={styles.what} tabIndex={-1}>
        The stove is done
      </h2>
      <p className="soft">All is in its pans. Cool them, stir in what is stirred in, and weigh it.</p>
      <div className={styles.acts}>
        <Button variant="contained" size="large" onClick={onPot} data-next-act>
          To the scale
        </Button>
      </div>
    </>
  );
}
