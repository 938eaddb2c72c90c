'use client';

import ButtonBase from '@mui/material/ButtonBase';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { z } from 'zod';
import { mayGoInFrozen } from '@/core/cook/frozen';
import type { StepKey } from '@/core/batch/steps';
import { toWeigh } from '@/core/quantity/write';
import { Caution, STANDING_CAUTION } from '@/ui/Caution';
import { FromInstrument } from '@/ui/counter/FromInstrument';
import { Keypad } from '@/ui/counter/Keypad';
import { Field } from '@/ui/form/Field';
import { NotCounted } from '@/ui/food/NotCounted';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useDraftStorage } from '@/ui/form/use-draft-storage';
import { dropBatch, startCooking } from './actions';
import { useFocusOnChange } from '@/ui/next-act';
import { BeginBy } from './BeginBy';
import type { BatchView, SheetLine } from './view';
import styles from './weigh-out.module.css';
import { FromHouse } from './lots/FromHouse';
import { WentFrozen } from './lots/WentFrozen';
import { WentIn } from './WentIn';
import { useUnits } from '@/ui/units';
import { nth, sure } from '@/core/sure';

/** What was typed of each line, and whether it lies in the pot. */
const typedLines = z.array(
  z.object({
    text: z.string(),
    isIn: z.boolean(),
    lot: z.string().default(''),
    from: z.array(z.number()).default([]),
    frozen: z.boolean().default(false),
  }),
);

/** Weighing out, line by line: the figure that is wanted, what the scale says, and the next one. */
export function WeighOut({ view, onOpen }: { view: BatchView; onOpen: (step: StepKey) => void }) {
  const { inMass, readScale, scaleUnit, toType } = useUnits();
  const router = useRouter();
  const [typed, setTyped, forget] = useDraftStorage(
    `weigh-out-${view.id}`,
    typedLines,
    view.lines.map((line) => ({
      text: toType(line.toWeigh, toWeigh(line.toWeigh)),
      isIn: false,
      lot: '',
      from: [],
      frozen: false,
    })),
  );
  const [lotOf, setLotOf] = useState<number>();
  const [chosen, setChosen] = useState<number>();
  const start = useCommand(startCooking, `start-${view.id}`, () => forget(typed));
  const drop = useCommand(dropBatch, `drop-${view.id}`, () => router.push('/batches'));
  const waiting = view.lines.find((line) => line.moment !== 'stir-in' && typed[line.line]?.isIn === false);
  useFocusOnChange(waiting === undefined);
  if (view.state !== 'planned') return <WentIn view={view} onOpen={onOpen} />;

  const read = typed.map(({ text }) => readScale(text));
  const problemOf = (index: number) => {
    const value = nth(read, index);
    return value.ok ? start.at(`grams.${index}`) : value.problem.message;
  };
  const broken = read.some((each) => !each.ok);
  // What is stirred in when it has cooled is not weighed among what is cooked.
  const now = view.lines.filter((line) => line.moment !== 'stir-in');
  const later = view.lines.filter((line) => line.moment === 'stir-in');
  const wrong = view.lines.findIndex((_, index) => problemOf(index) !== undefined);
  const at = chosen ?? (wrong === -1 ? waiting?.line : wrong);
  const line = at === undefined ? undefined : sure(view.lines[at]);
  const change = (index: number, part: Partial<(typeof typed)[number]>) =>
    setTyped(typed.map((each, place) => (place === index ? { ...each, ...part } : each)));
  const putIn = (index: number) => {
    change(index, { isIn: true });
    setChosen(undefined);
  };
  const cook = () =>
    start.run({
      batchId: view.id,
      grams: read.map((each) => (each.ok ? each.value : NaN)),
      lots: typed.map(({ lot }) => lot),
      from: typed.map(({ from }) => from),
      frozen: typed.map(({ frozen }) => frozen),
    });
  const fieldNames = typed.map((_, index) => `grams.${index}`);
  const scale = line && nth(read, line.line);
  const off = line && scale?.ok ? line.toWeigh - scale.value : undefined;

  return (
    <section className={styles.weighOut} aria-labelledby="weigh-out">
      <div className="spread">
        <h2 id="weigh-out">Weigh out, then cook</h2>
        <p className="soft">Something else lies on the scale? Type what it says.</p>
      </div>
      <NotCounted lines={view.uncounted} />
      <Problems problems={[...start.atHead(...fieldNames), ...drop.problems]} />
      <div className={styles.counter}>
        {line ? (
          <form
            className={styles.one}
            noValidate
            onSubmit={(event) => {
              event.preventDefault();
              if (scale?.ok) putIn(line.line);
            }}
          >
            <p className="soft" role="status">
              {line.moment === 'stir-in'
                ? 'stirred in later'
                : `${now.indexOf(line) + 1} of ${now.length}${line.moment === 'cook' ? '' : `, ${line.moment}`}`}
            </p>
            <p className={styles.what}>{line.name}</p>
            <p className={styles.wanted}>
              {inMass(line.toWeigh)} <span className={styles.measure}>{line.measure}</span>
            </p>
            <Field
              label={`${line.name}, ${scaleUnit ? 'grams' : 'weight'} that went in`}
              hideLabel
              className={styles.scale}
              unit={scaleUnit}
              inputMode="decimal"
              autoComplete="off"
              value={nth(typed, line.line).text}
              onChange={(event) => change(line.line, { text: event.target.value })}
              problem={problemOf(line.line)}
              hint={off === undefined || Math.abs(off) < 0.5 ? 'on the scale' : sayOff(off, inMass)}
            />
            <FromInstrument
              kind="scale"
              write={inMass}
              onTake={(grams) => change(line.line, { text: toType(grams, toWeigh(grams)) })}
            />
            {line.note && <p className="note">{line.note}</p>}
            <FromHouse
              line={line}
              grams={scale?.ok ? scale.value : line.toWeigh}
              from={nth(typed, line.line).from}
              onChange={(from) => change(line.line, { from })}
            />
            {mayGoInFrozen(line) && (
              <WentFrozen frozen={nth(typed, line.line).frozen} onChange={(frozen) => change(line.line, { frozen })} />
            )}
            {lotOf === line.line || nth(typed, line.line).lot !== '' ? (
              <Field
                label="Lot or label date"
                autoComplete="off"
                value={nth(typed, line.line).lot}
                onChange={(event) => change(line.line, { lot: event.target.value })}
                hint="as it is printed; it stays with this batch"
              />
            ) : (
              <Button variant="text" size="small" onClick={() => setLotOf(line.line)}>
                note its lot or label date
              </Button>
            )}
            <Button type="submit" variant="contained" size="large" fullWidth disabled={!scale?.ok} data-next-act>
              It’s in
            </Button>
          </form>
        ) : (
          <div className={styles.one}>
            <p className={styles.what}>All of it is in.</p>
            <p className="soft">{later.length > 0 && `After cooling: ${later.map((each) => each.name).join(', ')}.`}</p>
          </div>
        )}
        <Keypad />
        <div className={styles.lists}>
          <Lines
            name="To be weighed"
            lines={now}
            at={line?.line}
            isIn={(each) => nth(typed, each.line).isIn}
            said={saidOf}
            onChoose={setChosen}
          />
          {later.length > 0 && (
            <>
              <h3>Stirred in after cooling</h3>
              <Lines
                name="Stirred in after cooling"
                lines={later}
                at={line?.line}
                isIn={() => false}
                said={saidOf}
                onChoose={setChosen}
              />
            </>
          )}
        </div>
      </div>
      <div className={styles.acts}>
        <Button
          variant={line ? 'outlined' : 'contained'}
          size="large"
          disabled={start.pending || broken}
          onClick={cook}
          {...(line ? {} : { 'data-next-act': true })}
        >
          All in, start cooking
        </Button>
        <Button variant="text" disabled={drop.pending} onClick={() => drop.run({ batchId: view.id })}>
          put this plan away
        </Button>
      </div>
      {view.dayMinutes !== undefined && view.dayMinutes > 0 && (
        <BeginBy minutes={view.dayMinutes} habits={view.habits} />
      )}
      {view.sharedVessels.map((said) => (
        <p key={said} className="caution">
          {said}
        </p>
      ))}
      <Caution>{STANDING_CAUTION}</Caution>
    </section>
  );

  function saidOf(each: SheetLine): string {
    const value = nth(read, each.line);
    return value.ok ? inMass(value.value) : nth(typed, each.line).text;
  }
}

const sayOff = (off: number, inMass: (grams: number) => string) =>
  off > 0 ? `on the scale: ${inMass(off)} to go` : `on the scale: ${inMass(-off)} more than planned`;

interface LinesProps {
  name: string;
  lines: readonly SheetLine[];
  at: number | undefined;
  isIn: (line: SheetLine) => boolean;
  said: (line: SheetLine) => string;
  onChoose: (line: number) => void;
}

/** The lines beside the one at hand: what is in, and what is still to come; a press takes one in hand. */
function Lines({ name, lines, at, isIn, said, onChoose }: LinesProps) {
  return (
    <ol className={styles.lines} aria-label={name}>
      {lines.map((line) => (
        <li key={line.line}>
          <ButtonBase aria-current={line.line === at ? 'step' : undefined} onClick={() => onChoose(line.line)}>
            <span className={styles.tick} aria-hidden>
              {isIn(line) ? '✓' : ''}
            </span>
            <span>
              {isIn(line) && <span className="away">in: </span>}
              {line.name}
            </span>
            <b>{said(line)}</b>
          </ButtonBase>
        </li>
      ))}
    </ol>
  );
}
