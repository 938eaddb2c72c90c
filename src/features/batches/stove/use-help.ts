'use client';

import { useEffect, useState } from 'react';
import type { Help, Standing } from '@/core/heat/remedies';
import { askForHelp } from '@/workers/pan-help.client';

/** What helps a pan on its way down to a temperature; undefined while it is worked out, empty where nothing is to be helped. */
export function useHelp(
  { where, depth, ambient }: Standing,
  from: number | undefined,
  to: number,
  likely: number | undefined,
): readonly Help[] | undefined {
  const asked = `${where} ${depth} ${ambient} ${from} ${to} ${likely}`;
  const [answer, setAnswer] = useState<{ readonly asked: string; readonly help: readonly Help[] }>();
  useEffect(() => {
    if (from === undefined || from <= to) return;
    const give = (help: readonly Help[]) => setAnswer({ asked, help });
    return askForHelp([{ where, depth, ambient }, from, to, likely], give, () => give([])).stop;
  }, [asked, where, depth, ambient, from, to, likely]);
  if (from === undefined || from <= to) return [];
  return answer?.asked === asked ? answer.help : undefined;
}
