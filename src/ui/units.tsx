'use client';

import { createContext, useContext, useMemo, type ReactNode } from 'react';
import { degreesUnder } from '@/core/heat/rule-degrees';
import type { UnitSet } from '@/core/quantity/units';
import { writeTemperature } from '@/core/quantity/temperature';
import { readScale } from '@/core/quantity/typed';
import { writeMassIn, writePounds, writeSumIn } from '@/core/quantity/write';

const Units = createContext<UnitSet>('metric');

/** Gives every screen the household's set of measures. */
export const UnitsProvider = ({ set, children }: { set: UnitSet; children: ReactNode }) => (
  <Units.Provider value={set}>{children}</Units.Provider>
);

/** Writes weights and temperatures as this household reads them, and reads its scale. */
export function useUnits() {
  const set = useContext(Units);
  return useMemo(
    () => ({
      set,
      inMass: (grams: number) => writeMassIn(grams, set),
      inSum: (grams: number) => writeSumIn(grams, set),
      /** The unit of a bare number on the scale; a US kitchen writes it, for its scale shows oz, lb or g. */
      scaleUnit: set === 'us' ? undefined : 'g',
      /** A weight as it stands in a field; in a metric kitchen as `inGrams`, without the unit. */
      toType: (grams: number, inGrams = String(grams)) => (set === 'us' ? writePounds(grams) : inGrams),
      readScale: (text: string, empty: 'asked' | 'zero' = 'asked') => readScale(text, empty, set),
      /** "1 °F": by how much food is under a limit, in the household's own degrees. Takes °C. */
      degreesUnder: (celsius: number, limit: number) =>
        `${degreesUnder(celsius, limit, set)} ${set === 'us' ? '°F' : '°C'}`,
      inDegrees: (celsius: number, digits?: number) => writeTemperature(celsius, set, digits),
    }),
    [set],
  );
}
