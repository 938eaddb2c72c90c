'use client';

import { linesIn } from '@/core/batch/graph';
import { useUnits } from '@/ui/units';
import styles from './batches.module.css';
import { FATE_WORDS } from './fate-words';
import type { BatchView } from './view';
import { SmallFlow } from './SmallFlow';

/** The flow as a slim strip: above a figure that is typed, and on a phone, where the large one would be cut at the pot. */
export function FlowStrip({ view }: { view: BatchView }) {
  const { inMass } = useUnits();
  const { weighed, graph } = view;
  const went = linesIn(graph).map(({ node, grams }) => ({ part: node.part ?? 'muscle', grams }));
  const shares = weighed?.shares.filter((share) => share.grams > 0) ?? [];
  const planned = view.state === 'planned';
  return (
    <div className={styles.strip}>
      <SmallFlow
        protein={view.protein}
        went={went}
        net={weighed?.net}
        ends={shares.map((share) => ({ grams: share.grams, solid: share.sealed || share.fate === 'today' }))}
        planned={planned}
      />
      <p>
        <b>{inMass(view.wentIn.inPot)}</b> {planned ? 'planned' : 'in the pot'}
        {weighed && (
          <>
            , <b>{inMass(weighed.net)}</b> of it food
          </>
        )}
        {shares.map((share) => (
          <span key={share.id} className={styles.stripEnd}>
            {FATE_WORDS[share.fate]} {inMass(share.grams)}
          </span>
        ))}
      </p>
    </div>
  );
}
