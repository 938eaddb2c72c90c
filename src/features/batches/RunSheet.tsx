'use client';

import { writeDensity } from '@/core/quantity/write';
import { useState } from 'react';
import { Why } from '@/ui/Why';
import styles from './batches.module.css';
import { Divide } from './Divide';
import { Flow } from './Flow';
import { PackShares } from './PackShares';
import type { BatchView } from './queries';
import { stationOf, type Station } from './stations';
import { WeighOut } from './WeighOut';
import { WeighPot } from './WeighPot';
import { useUnits } from '@/ui/units';

/** The run sheet: the flow above, the station at hand below, alone and large. */
export function RunSheet({ view }: { view: BatchView }) {
  const { inSum } = useUnits();
  const current = stationOf(view);
  const [chosen, setChosen] = useState<{ at: Station; station: Station }>();
  // A chosen station holds until the batch itself goes on to the next one.
  const station = chosen?.at === current ? chosen.station : current;
  return (
    <div className="page">
      <div className="spread">
        <div className="titleRow">
          <h1>{view.name}</h1>
          <p className="soft">{view.about}</p>
        </div>
        {view.weighed && (
          <p>
            {inSum(view.weighed.net)} yield · <b>{writeDensity(view.weighed.density)} kcal/g</b>
            {view.weighed.estimated && <span className="caution"> estimate</span>}{' '}
            <Why of={view.weighed.why} about="the density" />
          </p>
        )}
      </div>
      <Flow view={view} station={station} onOpen={(open) => setChosen({ at: current, station: open })} />
      <div className={styles.at}>
        {station === 'weigh out' && <WeighOut view={view} />}
        {station === 'pot' && <WeighPot view={view} key={JSON.stringify(view.weighed?.weighing ?? '')} />}
        {station === 'divide' && view.weighed && <Divide view={view} weighed={view.weighed} key={view.weighed.net} />}
        {station === 'pack' && view.weighed && <PackShares view={view} weighed={view.weighed} />}
      </div>
    </div>
  );
}
