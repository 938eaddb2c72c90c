'use client';

import Button from '@mui/material/Button';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { dropByProduct, keepByProduct } from './actions';
import styles from './batches.module.css';
import type { BatchView, KeptBeside } from './view';

const WORDS = { broth: 'of liquid were poured off', fat: 'of fat were skimmed off' } as const;

/** What was kept of a pot beside its food: it becomes a batch of its own, or says of which pot it is. */
export function Beside({ view }: { view: BatchView }) {
  if (view.parent) return <Parent view={view} id={view.parent.id} name={view.parent.name} />;
  if (view.beside.length === 0) return null;
  return (
    <section aria-labelledby="beside" className={`stack ${styles.beside}`}>
      <h3 id="beside">Kept beside it</h3>
      {view.beside.map((each) => (
        <Kept key={each.of} view={view} kept={each} />
      ))}
    </section>
  );
}

function Kept({ view, kept: { of, grams, batch } }: { view: BatchView; kept: KeptBeside }) {
  const { inMass } = useUnits();
  const router = useRouter();
  const keep = useCommand(keepByProduct, `${of}-${view.id}-${view.revision}`, ({ batchId }) =>
    router.push(`/batches/${batchId}`),
  );
  const said = (
    <span>
      <b>{inMass(grams)}</b> {WORDS[of]}
    </span>
  );
  if (batch)
    return (
      <p>
        {said}: <Link href={`/batches/${batch.id}`}>{batch.name}</Link>
        {batch.next && <span className="note">, {batch.next}</span>}
      </p>
    );
  return (
    <div className="stack">
      <div className={styles.acts}>
        {said}
        <Button variant="outlined" disabled={keep.pending} onClick={() => keep.run({ batchId: view.id, of })}>
          {of === 'broth' ? 'Divide and pack the broth' : 'Divide and pack the fat'}
        </Button>
      </div>
      <Problems problems={keep.problems} />
    </div>
  );
}

function Parent({ view, id, name }: { view: BatchView; id: number; name: string }) {
  const router = useRouter();
  const drop = useCommand(dropByProduct, `drop-${view.id}-${view.revision}`, () => router.push(`/batches/${id}`));
  const packed = view.weighed?.shares.some((share) => share.used > 0);
  return (
    <div className={`stack ${styles.beside}`}>
      <p className="note">
        Of <Link href={`/batches/${id}`}>{name}</Link>, with its day, its lines and what its dogs avoid. It is no meal:
        what of it goes over a bowl is written as an addition to that bowl.
      </p>
      {!packed && (
        <div>
          <Button variant="text" disabled={drop.pending} onClick={() => drop.run({ batchId: view.id })}>
            it was not kept after all
          </Button>
        </div>
      )}
      <Problems problems={drop.problems} />
    </div>
  );
}
