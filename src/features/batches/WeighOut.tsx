'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { z } from 'zod';
import type { StepKey } from '@/core/batch/steps';
import { toWeigh } from '@/core/quantity/write';
import { Caution, STANDING_CAUTION } from '@/ui/Caution';
import { Keypad } from '@/ui/counter/Keypad';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useDraftStorage } from '@/ui/form/use-draft-storage';
import { dropBatch, startCooking } from './actions';
import styles from './batches.module.css';
import type { BatchView } from './queries';
import { WentIn } from './WentIn';
import { useUnits } from '@/ui/units';
import { nth } from '@/core/sure';

const typedWeights = z.array(z.string());

/** Weighing out: what each line asks for, and what really went in. */
export function WeighOut({ view, onOpen }: { view: BatchView; onOpen: (step: StepKey) => void }) {
  const { readScale, scaleUnit, toType } = useUnits();
  const router = useRouter();
  const [typed, setTyped, forget] = useDraftStorage(
    `weigh-out-${view.id}`,
    typedWeights,
    view.lines.map((line) => toType(line.toWeigh, toWeigh(line.toWeigh))),
  );
  const start = useCommand(startCooking, `start-${view.id}`, () => forget(typed));
  const drop = useCommand(dropBatch, `drop-${view.id}`, () => router.push('/batches'));
  if (view.state !== 'planned') return <WentIn view={view} onOpen={onOpen} />;
  const read = typed.map((text) => readScale(text));
  const submit = () => start.run({ batchId: view.id, grams: read.map((each) => (each.ok ? each.value : NaN)) });
  const broken = read.some((each) => !each.ok);
  const fieldNames = typed.map((_, index) => `grams.${index}`);
  return (
    <form
      className="stack"
      aria-labelledby="weigh-out"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        if (!broken) submit();
      }}
    >
      <div className="spread">
        <h2 id="weigh-out">Weigh out, then cook</h2>
        <p className="soft">Change a weight where something else went in.</p>
      </div>
      <Problems problems={[...start.atHead(...fieldNames), ...drop.problems]} />
      <ol className={styles.weighOut}>
        {view.lines.map((line, index) => {
          const value = nth(read, index);
          return (
            <li key={index}>
              <span>
                {line.name}
                {line.moment !== 'cook' && <span className="note"> {line.moment}</span>}
                {line.note && <span className="note"> · {line.note}</span>}
              </span>
              <span className="soft">{line.measure}</span>
              <Field
                label={`${line.name}, ${scaleUnit ? 'grams' : 'weight'} that went in`}
                hideLabel
                unit={scaleUnit}
                inputMode="decimal"
                autoComplete="off"
                value={typed[index]}
                onChange={(event) => setTyped(typed.map((text, at) => (at === index ? event.target.value : text)))}
                problem={value.ok ? start.at(`grams.${index}`) : value.problem.message}
              />
            </li>
          );
        })}
      </ol>
      <Keypad />
      <Caution>{STANDING_CAUTION}</Caution>
      <div className={styles.acts}>
        <Button type="submit" variant="contained" size="large" disabled={start.pending || broken}>
          All in, start cooking
        </Button>
        <Button variant="text" disabled={drop.pending} onClick={() => drop.run({ batchId: view.id })}>
          put this plan away
        </Button>
      </div>
    </form>
  );
}
