'use client';

import { useState } from 'react';
import { HALF_A_GRAM } from '@/core/batch/share-state';
import { sure } from '@/core/sure';
import { Segments } from '@/ui/form/Segments';
import { useUnits } from '@/ui/units';
import { DivideAll } from './DivideAll';
import { DivideYield } from './DivideYield';
import { PlatingForm } from './PlatingForm';
import type { BatchView } from './view';

/** Each dog's grams of this pot, and every yield divided into shares: one after the other where they are kept apart. */
export function Divide({ view }: { view: BatchView }) {
  const { inMass } = useUnits();
  const { yields, plating } = sure(view.weighed);
  const open = yields.find((each) => each.undivided > HALF_A_GRAM) ?? yields[0];
  const [chosen, setChosen] = useState<number>();
  const of = sure(yields.find(({ place }) => place === chosen) ?? open);
  return (
    <div className="stack">
      {yields.length > 1 && (
        <Segments
          label="Which of them"
          value={String(of.place)}
          options={yields.map(({ place, name, net, undivided }) => ({
            value: String(place),
            label: `${name} ${inMass(net)}${undivided > HALF_A_GRAM ? '' : ', divided'}`,
          }))}
          onChange={(place) => setChosen(Number(place))}
        />
      )}
      {plating && view.apart === 'components' && <PlatingForm view={view} plating={plating} />}
      <DivideAll view={view} />
      <DivideYield key={of.place} view={view} of={of} />
    </div>
  );
}
