'use client';

import { Fold } from '@/ui/Fold';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Problems } from '@/ui/form/Problems';
import { Tub } from '@/ui/badges/badges';
import { EmptyRoom } from '@/ui/room';
import { PackPanel } from './PackPanel';
import type { Shelf, ShelfPack, StoreView } from './queries';
import styles from './store.module.css';
import { useUnits } from '@/ui/units';

/** Drawn at first; the rest of a full shelf comes with a press. */
const SHOWN = 24;

/** The shelves with their packs in order of use; a press takes a pack in hand. */
export function Store({ view }: { view: StoreView }) {
  const router = useRouter();
  const empty = view.shelves.every((shelf) => shelf.packs.length === 0);
  if (empty && view.latest.length === 0 && !view.open) {
    return (
      <EmptyRoom
        title="Nothing in store"
        aside={view.unknownCode && `there is no pack ${view.unknownCode}`}
        act={{ href: '/plan', label: 'Plan a batch' }}
      >
        Packs come here when a batch is sealed: by place, in order of use.
      </EmptyRoom>
    );
  }
  return (
    <div className="page">
      <div className="titleRow">
        <h1>In store</h1>
        <p className="soft">{empty ? 'nothing is left' : 'in order of use, first on the left'}</p>
      </div>
      {view.unknownCode !== undefined && <Problems problems={[{ message: `There is no pack ${view.unknownCode}.` }]} />}
      <div className="stack">
        {view.shelves.map((shelf) => (
          <ShelfDrawn key={shelf.placeId} shelf={shelf} />
        ))}
      </div>
      {view.latest.length > 0 && (
        <Fold className={styles.latest} title="What was done last">
          <ul className="rows">
            {view.latest.map((entry) => (
              <li key={entry.movementId}>
                <b>{entry.codes || 'the pot'}</b> {entry.said} <span className="note">{entry.when}</span>
              </li>
            ))}
          </ul>
        </Fold>
      )}
      {view.open && (
        <PackPanel
          pack={view.open}
          key={view.open.holdingId}
          onClose={() => router.push('/store', { scroll: false })}
        />
      )}
    </div>
  );
}

function ShelfDrawn({ shelf }: { shelf: Shelf }) {
  const [all, setAll] = useState(false);
  if (shelf.packs.length === 0) return null;
  const shown = all ? shelf.packs.length : Math.min(SHOWN, shelf.packs.length);
  return (
    <section aria-labelledby={`shelf-${shelf.placeId}`} className={`${styles.shelf} ${styles[shelf.kind]}`}>
      <div className="spread">
        <h2 id={`shelf-${shelf.placeId}`}>{shelf.name}</h2>
        <p className="soft">{shelf.said}</p>
      </div>
      <ul className={styles.packs}>
        {shelf.packs.map((pack, place) => (
          <PackOnShelf key={pack.holdingId} pack={pack} beyond={place >= shown} />
        ))}
      </ul>
      {shown < shelf.packs.length && (
        <Button variant="text" onClick={() => setAll(true)}>
          {shelf.packs.length - shown} more
        </Button>
      )}
    </section>
  );
}

/** A pack in its place; one beyond what a screen shows stands on paper alone. */
function PackOnShelf({ pack, beyond }: { pack: ShelfPack; beyond: boolean }) {
  const { inMass } = useUnits();
  return (
    <li className={beyond ? styles.beyond : undefined}>
      <Link href={`/store?pack=${pack.code}`} scroll={false} prefetch={false} className={styles.packLink}>
        <Tub hatch={pack.protein.hatch} full={pack.full} size={56} />
        <span className={styles.code}>{pack.code}</span>
        <span>
          {pack.whose}, {inMass(pack.grams)}
        </span>
        <span className={`note ${pack.tone === 'plain' ? '' : pack.tone}`}>
          {pack.until}
          {pack.notes.length > 0 && ` · ${pack.notes.join(', ')}`}
        </span>
      </Link>
    </li>
  );
}
