'use client';

import { createContext, useContext, useMemo, type ReactNode } from 'react';
import type { UnitSet } from '@/core/quantity/units';
import { writeTemperature } from '@/core/quantity/temperature';
import { writeMassIn, writeSumIn } from '@/core/quantity/write';

const Units = createContext<UnitSet>('metric');

/** Gives every screen the household's set of measures. */
export const UnitsProvider = ({ set, children }: { set: UnitSet; children: ReactNode }) => (
  <Units.Provider value={set}>{children}</Units.Provider>
);

/** Writes weights and temperatures as this household reads them. */
export function useUnits() {
  const set = useContext(Units);
  return useMemo(
    () => ({
      set,
      inMass: (grams: number) => writeMassIn(grams, set),
      inSum: (grams: number) => writeSumIn(grams, set),
      inDegrees: (celsius: number) => writeTemperature(celsius, set),
    }),
    [set],
  );
}
