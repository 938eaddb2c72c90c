'use client';

import Button from '@mui/material/Button';
import { sharesOf, type Fate, type Shares } from '@/core/portion/shares';
import { sure } from '@/core/sure';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { setShares } from './actions';
import styles from './batches.module.css';
import type { BatchView } from './view';

/** What is kept apart divided in one press: each as it is suggested, or all of everything to one place. */
export function DivideAll({ view }: { view: BatchView }) {
  const { yields, shares } = sure(view.weighed);
  const save = useCommand(setShares, `shares-all-${view.id}`);
  if (yields.length < 2 || shares.some((share) => share.grams > 0)) return null;
  const divide = (of: (suggested: Shares) => readonly { fate: Fate; grams: number }[]) =>
    save.run({
      batchId: view.id,
      revision: view.revision,
      shares: yields.flatMap(({ place, suggested }) => of(suggested).map((share) => ({ ...share, yield: place }))),
    });
  const allTo = (fate: 'fridge' | 'freezer') =>
    divide(({ today, fridge, freezer, dry }) => [{ fate, grams: today + fridge + freezer + dry }]);
  return (
    <div className="stack">
      <div className={styles.acts}>
        {view.apart === 'components' && (
          <Button variant="contained" size="large" disabled={save.pending} onClick={() => divide(sharesOf)}>
            Divide each as suggested
          </Button>
        )}
        <Button variant="outlined" disabled={save.pending} onClick={() => allTo('freezer')}>
          All of it to the freezer
        </Button>
        <Button variant="outlined" disabled={save.pending} onClick={() => allTo('fridge')}>
          All of it to the fridge
        </Button>
      </div>
      <Problems problems={save.problems} />
    </div>
  );
}
