'use client';

import Button from '@mui/material/Button';
import type { LoadState } from '@/core/cook/cook-day';
import { COUNTS_FROM } from '@/core/heat/lethality';
import { writeNumber } from '@/core/quantity/write';
import { Fold } from '@/ui/Fold';
import { useUnits } from '@/ui/units';
import type { Stove } from './use-stove';

/** Time at temperature in place of one temperature, for who logs the core: what its curve came to, with its terms. */
export function ByTime({ load, of: { act, command } }: { load: LoadState; of: Pick<Stove, 'act' | 'command'> }) {
  const { inDegrees } = useUnits();
  const { byTime, isByTime } = load;
  if (!byTime) return null;
  const { minutes, asked, slow, counts } = byTime;
  return (
    <Fold title={`By its curve: ${writeNumber(minutes, 1)} of ${asked} min at 60 °C`}>
      <div className="stack">
        <p>
          F = ∫ 10^((T − 60) / 5.74) dt over {load.readings.length} readings, from {inDegrees(COUNTS_FROM)} on:{' '}
          <b>{writeNumber(minutes, 1)} min</b>. {asked} are asked
          {asked > 12 && ', four times as much as for beef, which is conservative'}.{' '}
          {!counts &&
            `It stood ${writeNumber(slow / 60, 1)} h between 10 °C and ${inDegrees(COUNTS_FROM)}: over 6 h nothing counts.`}
        </p>
        <p className="note">
          FSIS Appendix A, from memory. Between two readings the temperature is taken to run straight.
        </p>
        <div>
          <Button
            variant="outlined"
            disabled={command.pending || (!isByTime && minutes < asked)}
            onClick={() => act({ act: 'by time', load: load.key, on: !isByTime })}
          >
            {isByTime ? 'Go by the temperature alone' : 'Go by its curve'}
          </Button>
        </div>
      </div>
    </Fold>
  );
}
