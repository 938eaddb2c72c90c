'use client';

import { useState } from 'react';
import type { Apart } from '@/core/batch/apart';
import type { StepKey } from '@/core/batch/steps';
import { Problems } from '@/ui/form/Problems';
import { Segments } from '@/ui/form/Segments';
import { useCommand } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { keepApart } from './actions';
import styles from './batches.module.css';
import type { BatchView } from './view';
import { WeighPot } from './WeighPot';

const KEPT: Readonly<Record<Apart | 'together', string>> = {
  together: 'all in one pot',
  components: 'each kept apart',
  lines: 'uncooked, into boxes',
};

/** What is weighed of a batch: the one pot, or every part that is kept apart, one after the other. */
export function Pots({ view, onOpen }: { view: BatchView; onOpen: (step: StepKey) => void }) {
  const { inMass } = useUnits();
  const open = view.vessels.find((vessel) => !vessel.weighed) ?? view.vessels[0];
  const [chosen, setChosen] = useState<number>();
  const vessel = view.vessels.find(({ place }) => place === chosen) ?? open;
  const keep = useCommand(keepApart, `apart-${view.id}`, () => setChosen(undefined));
  const options = (['together', ...view.mayKeepApart] as const).map((value) => ({ value, label: KEPT[value] }));
  return (
    <div className="stack">
      {options.length > 1 && (
        <Segments
          label="In the end it is"
          value={view.apart ?? 'together'}
          options={options}
          onChange={(apart) => keep.run({ batchId: view.id, apart, revision: view.revision })}
        />
      )}
      <Problems problems={keep.problems} />
      {view.apart === 'lines' && (
        <p className={styles.lead}>
          Nothing is cooked: what was weighed out goes into boxes as it is, line by line. Raw meat and bone can carry
          germs that hurt people and dogs: keep it cold, wash hands and boards, and ask your vet.
        </p>
      )}
      {view.vessels.length > 1 && (
        <Segments
          label="What is on the scale"
          value={String(vessel?.place ?? 0)}
          options={view.vessels.map(({ place, name, weighed }) => ({
            value: String(place),
            label: weighed ? `${name}: ${inMass(weighed.net)}` : name,
          }))}
          onChange={(place) => setChosen(Number(place))}
        />
      )}
      {vessel && (
        <WeighPot
          key={`${vessel.place} ${view.apart} ${JSON.stringify(vessel.weighed?.weighing ?? '')}`}
          view={view}
          vessel={vessel}
          onOpen={onOpen}
        />
      )}
    </div>
  );
}
