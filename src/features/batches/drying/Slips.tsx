'use client';

import Button from '@mui/material/Button';
import { z } from 'zod';
import { mendSlip, saySlip } from '@/core/preserve/tray-slips';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useDraftStorage } from '@/ui/form/use-draft-storage';
import { useUnits } from '@/ui/units';
import { saveTrays } from '../actions';
import styles from './drying.module.css';
import { slipsOf, type DryingProps } from './use-drying';

/** What of a load cannot be right, with the press that mends it; an honest reading is only said. */
export function Slips({ view, share }: DryingProps) {
  const { inMass } = useUnits();
  const mend = useCommand(saveTrays, `mend-trays-${share.id}`);
  const { trays } = share;
  // What was said to be so is not asked again while these weights stand.
  const weights = trays.map(({ tare, wetGross, dryGross }) => `${tare} ${wetGross} ${dryGross}`).join();
  const [kept, setKept] = useDraftStorage(`light-${share.id}`, z.string(), '');
  const slips = slipsOf(view, share);
  if (slips.length === 0) return null;
  return (
    <>
      {slips.map((slip) => {
        const mended = mendSlip(
          trays.map((tray) => ({ ...tray, dryGross: tray.dryGross ?? tray.wetGross })),
          slip,
        );
        const isAsked = slip.kind !== 'light' && !(slip.kind === 'too light' && kept === weights);
        const title =
          slip.kind === 'too light'
            ? 'So light?'
            : slip.kind === 'swapped'
              ? 'Two trays swapped?'
              : slip.kind === 'wet core'
                ? 'Wet inside?'
                : 'Take the tray off?';
        return (
          <div key={`${slip.kind} ${slip.tray}`} className={isAsked ? styles.ask : undefined} role="status">
            {isAsked && <h3>{title}</h3>}
            <p className={isAsked ? undefined : 'note'}>{saySlip(slip, inMass)}</p>
            {slip.kind === 'too light' && isAsked && (
              <Button variant="outlined" onClick={() => setKept(weights)}>
                It is so: keep it
              </Button>
            )}
            {mended && share.packedGrams === 0 && (
              <div>
                <Button
                  variant="contained"
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
                    : `Yes, take ${inMass(Math.round('grams' in slip ? slip.grams : 0))} off`}
                </Button>
              </div>
            )}
          </div>
        );
      })}
      <Problems problems={mend.problems} />
    </>
  );
}
