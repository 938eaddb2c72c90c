'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { TRAY_TOUCHES, type TrayTouch } from '@/core/batch/observations';
import { lastChange } from '@/core/preserve/tray-slips';
import { writeNumber } from '@/core/quantity/write';
import { Fold } from '@/ui/Fold';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { Segments } from '@/ui/form/Segments';
import { useCommand } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { weighTraysAgain } from '../actions';
import styles from './drying.module.css';
import { useHow, type DryingProps } from './use-drying';

interface RedryProps extends DryingProps {
  isDry: boolean;
  onPack: () => void;
}

/** Dried on and weighed once more, until the weight stands still. */
export function Redry({ view, share, isDry, onPack }: RedryProps) {
  const { inMass, readScale, scaleUnit } = useUnits();
  const [typed, setTyped] = useState<readonly string[]>([]);
  const again = useCommand(weighTraysAgain, `redry-${share.id}`, () => setTyped([]));
  const changes = share.trays.map(({ dryings, tare }) => lastChange(dryings.map((gross) => gross - tare)));
  const how = useHow(view, share);
  const read = share.trays.map((_, index) => {
    const text = typed[index] ?? '';
    return text.trim() === '' ? undefined : readScale(text);
  });
  const broken = read.some((each) => each && !each.ok);
  return (
    <Fold
      open={!isDry}
      title={
        isDry ? (
          <span className="inOrder">dry: the last two weighings agree</span>
        ) : (
          'Dried on? Weigh them again until the weight stands still'
        )
      }
    >
      <form
        className="stack"
        noValidate
        aria-label="Trays weighed again"
        onSubmit={(event) => {
          event.preventDefault();
          if (broken) return;
          again.run({
            batchId: view.id,
            shareId: share.id,
            grams: read.map((each) => (each?.ok ? each.value : undefined)),
            revision: view.revision,
          });
        }}
      >
        <div className={styles.fields}>
          {share.trays.map((tray, index) => {
            const own = read[index];
            return (
              <Field
                key={tray.id}
                label={`Tray ${index + 1} now`}
                unit={scaleUnit}
                inputMode="decimal"
                autoComplete="off"
                value={typed[index] ?? ''}
                onChange={(event) => {
                  again.clear();
                  setTyped(share.trays.map((_, at) => (at === index ? event.target.value : (typed[at] ?? ''))));
                }}
                problem={own && !own.ok ? own.problem.message : again.at(`grams.${index}`)}
                hint={`${tray.dryings.map((gross) => inMass(gross)).join(', ')}${changes[index] === undefined ? '' : `: ${writeNumber(changes[index] * 100, 1)} % apart`}`}
              />
            );
          })}
        </div>
        <fieldset className={styles.fields}>
          <legend className="note">To the touch: warm is dry, cold holds ice</legend>
          {share.trays.map((tray, index) => (
            <Segments
              key={tray.id}
              label={`Tray ${index + 1} to the touch`}
              value={(tray.touch ?? '') as TrayTouch | ''}
              options={TRAY_TOUCHES.map((touch) => ({ value: touch, label: `${index + 1} ${touch}` }))}
              onChange={(touch) => touch !== '' && how.say({ what: 'touch', tray: tray.id, touch })}
            />
          ))}
        </fieldset>
        <Problems problems={how.problems} />
        <Problems problems={again.atHead(...share.trays.map((_, index) => `grams.${index}`))} />
        <div>
          <Button type="submit" variant="outlined" disabled={again.pending || broken}>
            That is what they weigh now
          </Button>{' '}
          {!isDry && (
            <Button variant="text" onClick={onPack}>
              bag it as it is
            </Button>
          )}
        </div>
      </form>
    </Fold>
  );
}
