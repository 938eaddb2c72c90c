'use client';

import Button from '@mui/material/Button';
import Link from 'next/link';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { Tub } from '@/ui/marks/marks';
import { sealShare } from './actions';
import styles from './batches.module.css';
import type { BatchView, SheetShare, WeighedView } from './queries';
import { FATE_WORDS } from './stations';
import { Trays } from './Trays';
import { useUnits } from '@/ui/units';

/** Filling and sealing: every share that is kept, one after the other, and the labels of what is sealed. */
export function PackShares({ view, weighed }: { view: BatchView; weighed: WeighedView }) {
  const { inDegrees, inMass } = useUnits();
  const open = weighed.shares.filter((share) => share.fate !== 'today' && !share.sealed);
  const warm = weighed.shares.find((share) => share.fate === 'today');
  return (
    <div className="stack">
      {warm && warm.day === view.today && (
        <p>
          <b>{inMass(warm.grams)}</b> are eaten today, warm from the pot: feed them on <Link href="/">Today</Link>.
        </p>
      )}
      {open.map((share) => (
        <section key={share.id} className={styles.pack} aria-labelledby={`share-${share.id}`}>
          <div>
            <h2 id={`share-${share.id}`}>
              {FATE_WORDS[share.fate]} <span className="soft">{inMass(share.grams)}</span>
            </h2>
            <p className="note">
              {share.fate === 'dry'
                ? `on trays, to be ${share.dryMethod}`
                : `cool it first: ${inDegrees(57)} to ${inDegrees(21)} within 2 h, to ${inDegrees(5)} within 6 h in all (FDA)`}
            </p>
          </div>
          {share.fate === 'dry' && <Trays view={view} weighed={weighed} share={share} />}
          {(share.fate !== 'dry' || weighed.dried) && <Seal view={view} share={share} />}
        </section>
      ))}
      {weighed.packs.length > 0 && (
        <section aria-labelledby="labels">
          <h2 id="labels">Sealed: write on the labels</h2>
          <ul className={styles.labels}>
            {weighed.packs.map((pack) => (
              <li key={pack.code}>
                <Tub hatch={view.mark.hatch} size={36} />
                <span>
                  <b className={styles.code}>{pack.code}</b> {pack.dogName ?? 'anybody'} · {inMass(pack.grams)}
                  {pack.waterMl > 0 && ` + ${pack.waterMl} mL water`}
                  <span className="note">
                    {pack.place} · {pack.until}
                    {pack.short && ' · short'}
                  </span>
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {open.length === 0 && (
        <p className="inOrder">
          Everything is sealed. It is in the <Link href="/store">Store</Link>.
        </p>
      )}
    </div>
  );
}

function Seal({ view, share }: { view: BatchView; share: SheetShare }) {
  const { inMass } = useUnits();
  const seal = useCommand(sealShare, `seal-${share.id}`);
  const count = share.proposed.length;
  return (
    <div className="stack">
      <ol className={styles.proposed} aria-label={`Packs for: ${FATE_WORDS[share.fate]}`}>
        {share.proposed.map((pack, index) => (
          <li key={index}>
            <Tub hatch={view.mark.hatch} size={30} full={pack.short ? 0.4 : 1} />
            <span>
              {pack.dogName ?? 'anybody'} <b>{inMass(pack.grams)}</b>
              {pack.short && <span className="note"> short, use first</span>}
            </span>
          </li>
        ))}
      </ol>
      <Problems problems={seal.problems} />
      <div>
        <Button
          variant="contained"
          size="large"
          disabled={seal.pending || count === 0}
          onClick={() => seal.run({ batchId: view.id, shareId: share.id })}
        >
          {count === 1 ? 'Seal this pack' : `Seal these ${count} packs`}
        </Button>
      </div>
    </div>
  );
}
