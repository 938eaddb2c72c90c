import type { ComponentProps } from 'react';
import { DogStrip } from './DogStrip';

type Strip = ComponentProps<typeof DogStrip>;

interface DogStripsProps extends Pick<Strip, 'xOf' | 'cell' | 'high'> {
  dogs: readonly (Pick<Strip, 'name' | 'days' | 'coverDays' | 'runsOut'> & { readonly dogId: number })[];
  top: number;
  row: number;
}

/** The strips of all dogs, one below the other. */
export const DogStrips = ({ dogs, top, row, ...each }: DogStripsProps) =>
  dogs.map(({ dogId, name, days, coverDays, runsOut }, index) => (
    <DogStrip
      key={dogId}
      name={name}
      days={days}
      coverDays={coverDays}
      runsOut={runsOut}
      y={top + index * row}
      {...each}
    />
  ));
