'use client';

import Button from '@mui/material/Button';
import { useRef, useState } from 'react';
import { AFTER_CUT, AFTER_CUT_WORDS, type AfterCut } from '@/core/preserve/cycle';
import { writeHours } from '@/core/preserve/drying-words';
import { readMachineLog, type MachineLog } from '@/core/preserve/machine-log';
import { countOf } from '@/core/quantity/count-words';
import { writeNumber } from '@/core/quantity/write';
import { Choice } from '@/ui/form/Choice';
import { useUnits } from '@/ui/units';
import styles from './drying.module.css';
import type { useCycle } from './use-drying';

/** Larger than a month of a machine. */
const MOST_BYTES = 5_000_000;

interface MachineLogFileProps {
  pending: boolean;
  /** Why it is asked what the trays are like. */
  likeAsked: string | undefined;
  onRun: (of: Parameters<ReturnType<typeof useCycle>['run']>[0]['of']) => void;
}

/** The log of a machine, read from its CSV file: what it says is shown first, and kept by a press. */
export function MachineLogFile({ pending, likeAsked, onRun }: MachineLogFileProps) {
  const { inDegrees, set } = useUnits();
  const file = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string>();
  const [log, setLog] = useState<MachineLog>();
  const [like, setLike] = useState<AfterCut | ''>('');
  const read = async (chosen: File) => {
    setLog(undefined);
    if (chosen.size > MOST_BYTES) return setProblem('That file is larger than 5 MB: the last cycle is enough.');
    const { default: Papa } = await import('papaparse');
    const { data } = Papa.parse<string[]>(await chosen.text(), { skipEmptyLines: true });
    const found = readMachineLog(data, set);
    setProblem(found.ok ? undefined : found.problem.message);
    if (found.ok) setLog(found.value);
  };
  const warmest = log && Math.max(...log.points.map(({ celsius }) => celsius));
  return (
    <div className="stack">
      <input
        ref={file}
        type="file"
        accept=".csv,text/csv,text/plain"
        aria-label="Log of the machine"
        hidden
        onChange={(event) => {
          const chosen = event.target.files?.[0];
          event.target.value = '';
          if (chosen) void read(chosen);
        }}
      />
      <div>
        <Button variant="text" size="small" disabled={pending} onClick={() => file.current?.click()}>
          read the machine’s log in
        </Button>
      </div>
      {problem && (
        <p className="caution" role="alert">
          {problem}
        </p>
      )}
      {log && (
        <div className={styles.acts} role="status">
          <p>
            It ran <b>{writeHours(log.hours)}</b>
            {warmest !== undefined && Number.isFinite(warmest) && `, at most ${inDegrees(warmest)}`}
            {log.energy !== undefined && `, ${writeNumber(log.energy, 1)} kWh`}
            {log.cuts.length > 0 &&
              `, silent ${countOf(log.cuts.length, 'time')}: ${log.cuts.map(({ from, to }) => writeHours(to - from)).join(', ')}`}
            .
          </p>
          {log.cuts.length > 0 && (
            <Choice
              label="After that the trays were"
              value={like}
              options={[
                { value: '' as AfterCut | '', label: 'nobody looked' },
                ...AFTER_CUT.map((each) => ({ value: each, label: AFTER_CUT_WORDS[each] })),
              ]}
              onChange={setLike}
            />
          )}
          <Button
            variant="outlined"
            disabled={pending}
            onClick={() =>
              onRun({
                act: 'log',
                hours: log.hours,
                ...(log.energy === undefined ? {} : { kwh: log.energy }),
                cuts: [...log.cuts],
                ...(like === '' ? {} : { like }),
              })
            }
          >
            Keep it, the cycle is over
          </Button>
          {likeAsked && (
            <p className="caution" role="alert">
              {likeAsked}
            </p>
          )}
        </div>
      )}
    </div>
  );
}
