'use client';

import Button from '@mui/material/Button';
import { useRef, useState } from 'react';
import { readProbeLog } from '@/core/heat/probe-log';
import { useUnits } from '@/ui/units';
import type { Stove } from './use-stove';

/** Larger than a week of a probe. */
const MOST_BYTES = 5_000_000;

/** Reads the log of a probe in: a CSV file of times and degrees, for a core at the stove or a pan that cools. */
export function ProbeLog({
  of: { act, command },
  load,
  to,
}: {
  of: Pick<Stove, 'act' | 'command'>;
  load: string;
  to: 'load' | 'pan';
}) {
  const { set } = useUnits();
  const file = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string>();
  const read = async (chosen: File) => {
    if (chosen.size > MOST_BYTES) {
      setProblem('That file is larger than 5 MB: the last day of it is enough.');
      return;
    }
    const { default: Papa } = await import('papaparse');
    const { data } = Papa.parse<string[]>(await chosen.text(), { skipEmptyLines: true });
    const log = readProbeLog(data, set);
    setProblem(log.ok ? undefined : log.problem.message);
    if (log.ok) act({ act: 'log', load, of: to, points: [...log.value] });
  };
  return (
    <div>
      <input
        ref={file}
        type="file"
        accept=".csv,text/csv,text/plain"
        hidden
        onChange={(event) => {
          const chosen = event.target.files?.[0];
          event.target.value = '';
          if (chosen) void read(chosen);
        }}
      />
      <Button variant="text" size="small" disabled={command.pending} onClick={() => file.current?.click()}>
        read a probe’s log in
      </Button>
      {(problem ?? command.at('log')) && (
        <p className="caution" role="alert">
          {problem ?? command.at('log')}
        </p>
      )}
    </div>
  );
}
