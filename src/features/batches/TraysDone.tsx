'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { rehydrated, REHYDRATED_RULE, writeWater } from '@/core/preserve/rehydrate';
import { lastChange, mendSlip, onTrays, SAME_WEIGHT, saySlip } from '@/core/preserve/tray-slips';
import { writeNumber } from '@/core/quantity/write';
import { sure } from '@/core/sure';
import { Caution } from '@/ui/Caution';
import { Fold } from '@/ui/Fold';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { Why } from '@/ui/Why';
import { saveTrays, setTrayRestBack, weighTraysAgain } from './actions';
import styles from './batches.module.css';
import { DryingCurve } from './DryingCurve';
import type { BatchView } from './queries';
import type { SheetShare } from './weighed/queries';

interface TraysDoneProps {
  view: BatchView;
  share: SheetShare;
}

/** What lies on no tray of a share that is to be dried: it is asked about, not lost. */
export function TrayRest({ view, share }: TraysDoneProps) {
  const { inMass } = useUnits();
  const back = useCommand(setTrayRestBack, `tray-rest-${share.id}`);
  const rest = share.grams - onTrays(share.trays);
  // A scale's last grams are no rest.
  if (share.trays.length === 0 || rest < 5) return null;
  return (
    <div className={styles.acts} role="status">
      <p>
        <b>{inMass(rest)}</b> of it lie on no tray. What became of them?
      </p>
      <Button
        variant="outlined"
        disabled={back.pending}
        onClick={() => back.run({ batchId: view.id, shareId: share.id })}
      >
        Divide them otherwise
      </Button>
      <Problems problems={back.problems} />
    </div>
  );
}

/** Fat does not dry: said before it lies on trays. */
export function TooFat({ view, share }: TraysDoneProps) {
  const { fatty, energyUnknown } = sure(view.weighed);
  if (fatty === undefined) return null;
  return (
    <Caution role="status">
      {writeNumber(fatty * 100, 0)} % of its dry matter is fat, more than 20 %: fat does not dry
      {share.method === 'dehydrated' ? ' and goes rancid: dehydrate lean food only' : ', and it keeps half as long'}.
      {energyUnknown.length > 0 && ` The fat of ${energyUnknown.join(', ')} is not known.`}
    </Caution>
  );
}

/** What the trays came to: slips that are likely, whether it is dry, and the water to put back. */
export function TraysDone({ view, share }: TraysDoneProps) {
  const { inMass, set } = useUnits();
  const mend = useCommand(saveTrays, `mend-trays-${share.id}`);
  const { dried, trays } = share;
  if (!dried) return null;
  const { density, portions, yields } = sure(view.weighed);
  return (
    <div className="stack">
      {dried.slips.map((slip) => {
        const mended = mendSlip(
          trays.map((tray) => ({ ...tray, dryGross: tray.dryGross ?? tray.wetGross })),
          slip,
        );
        return (
          <Caution key={`${slip.kind} ${slip.tray}`} role="status">
            {saySlip(slip, inMass)}
            {mended && share.packedGrams === 0 && (
              <>
                {' '}
                <Button
                  variant="outlined"
                  size="small"
                  disabled={mend.pending}
                  onClick={() =>
                    mend.run({
                      batchId: view.id,
                      shareId: share.id,
                      trays: mended.map(({ tare, wetGross, dryGross }) => ({ tare, wetGross, dryGross })),
                      revision: view.revision,
                    })
                  }
                >
                  {slip.kind === 'swapped'
                    ? 'Yes, the other way round'
                    : `Yes, take ${inMass(Math.round(slip.kind === 'tare in both' || slip.kind === 'tare in the wet one' ? slip.grams : 0))} off`}
                </Button>
              </>
            )}
          </Caution>
        );
      })}
      <Problems problems={mend.problems} />
      <p>
        <b>{inMass(dried.dry)}</b> dry of {inMass(dried.wet)} wet, <b>{Math.round(dried.water)} mL</b> of water to put
        back, {writeNumber(dried.waterPerGram * 100, 0)} mL for each 100 g{' '}
        <Why of={dried.explanation} about="the water to put back" />
        <span className="note">
          {' '}
          {dried.moisture > 0
            ? `about ${writeNumber(dried.moisture * 100, 0)} % of it is still water`
            : 'drier than the table’s solids'}
        </span>
      </p>
      {share.method === 'dehydrated' && <DryingCurve view={view} share={share} />}
      <Redry view={view} share={share} />
      <Fold title="Water to put back, tray by tray and meal by meal">
        <ul className="rows">
          {dried.trays.map((tray, index) => (
            <li key={index}>
              Tray {index + 1}: {inMass(tray.dry)} dry, {writeWater(tray.water, set)}
            </li>
          ))}
          {yields.length === 1 &&
            portions.flatMap((portion) =>
              portion.meals.map((meal, index) => {
                const bowl = rehydrated(meal.grams * density, dried);
                return (
                  <li key={`${portion.dogId} ${index}`}>
                    {portion.name}, {meal.name}: {inMass(bowl.dry)} dry + {writeWater(bowl.water, set)} ={' '}
                    {inMass(bowl.asFed)} in the bowl
                  </li>
                );
              }),
            )}
        </ul>
        <p className="note">{REHYDRATED_RULE}</p>
      </Fold>
    </div>
  );
}

/** Dried on and weighed once more, until the weight stands still. */
function Redry({ view, share }: TraysDoneProps) {
  const { inMass, readScale, scaleUnit } = useUnits();
  const [typed, setTyped] = useState<readonly string[]>([]);
  const again = useCommand(weighTraysAgain, `redry-${share.id}`, () => setTyped([]));
  const changes = share.trays.map(({ dryings, tare }) => lastChange(dryings.map((gross) => gross - tare)));
  const isDry = changes.length > 0 && changes.every((change) => change !== undefined && change < SAME_WEIGHT);
  const read = share.trays.map((_, index) => {
    const text = typed[index] ?? '';
    return text.trim() === '' ? undefined : readScale(text);
  });
  const broken = read.some((each) => each && !each.ok);
  return (
    <Fold
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
        <div className={styles.shares}>
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
        <Problems problems={again.atHead(...share.trays.map((_, index) => `grams.${index}`))} />
        <div>
          <Button type="submit" variant="outlined" disabled={again.pending || broken}>
            That is what they weigh now
          </Button>
        </div>
      </form>
    </Fold>
  );
}
