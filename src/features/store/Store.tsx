'use client';

import Button from '@mui/material/Button';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { countOf } from '@/core/quantity/count-words';
import { addUp } from '@/core/add-up';
import { wantedBy } from '@/core/stock/find';
import { Fold } from '@/ui/Fold';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { EmptyRoom } from '@/ui/room';
import { useShortcutsOn } from '@/ui/shortcuts';
import { PackInHand } from './pack/PackInHand';
import type { StoreView } from './queries';
import { Several } from './shelves/Several';
import { ShelfDrawn } from './shelves/ShelfDrawn';
import styles from './store.module.css';
import { useDone } from './use-done';

/** The places with their packs in order of use; a press takes a pack in hand, which stands beside them. */
export function Store({ view }: { view: StoreView }) {
  const router = useRouter();
  const [wanted, setWanted] = useState('');
  const [chosen, setChosen] = useState<ReadonlySet<number>>();
  const done = useDone('store-back');
  const [on] = useShortcutsOn();
  useHotkeys('l', () => router.push('/store/table'), { enabled: on });
  useHotkeys('escape', () => view.open && router.push('/store', { scroll: false }));
  const packs = view.shelves.flatMap((shelf) => shelf.packs);
  const isWanted = wantedBy(wanted);
  const found = isWanted && packs.filter((pack) => isWanted(pack.words));
  if (packs.length === 0 && view.latest.length === 0 && !view.open) {
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
  const inHand = chosen ? packs.filter((pack) => chosen.has(pack.holdingId)) : [];
  const isBeside = view.open !== undefined || chosen !== undefined;
  return (
    <div className={`page ${isBeside ? styles.withPack : ''}`}>
      <div className={styles.places}>
        <div className={`titleRow ${styles.title}`}>
          <h1>{packs.length === 0 ? 'Nothing in store' : `${countOf(packs.length, 'pack')} in store`}</h1>
          <p className="soft">first on the left, as wide as its room</p>
          <p className={styles.ways}>
            <Button
              variant="text"
              size="small"
              aria-pressed={chosen !== undefined}
              onClick={() => setChosen(chosen ? undefined : new Set())}
            >
              {chosen ? 'one at a time' : 'several at once'}
            </Button>
            <Link href="/store/ahead">eight weeks ahead</Link>
            <Link href="/store/count">count what is there</Link>
            <Link href="/store/power">power cut</Link>
            <Link href="/store/trace">recall</Link>
            <Link href="/store/waste">not eaten</Link>
            <Link href="/store/table" aria-keyshortcuts={on ? 'l' : undefined}>
              as a table
            </Link>
          </p>
        </div>
        {view.unknownCode !== undefined && (
          <Problems problems={[{ message: `There is no pack ${view.unknownCode}.` }]} />
        )}
        <Problems problems={done.problems} />
        <div className={styles.find}>
          <Field
            label="Which packs?"
            hint="code, dog, recipe, protein, mark or date"
            autoComplete="off"
            value={wanted}
            onChange={(event) => setWanted(event.target.value)}
          />
          {found && (
            <p role="status" className="soft">
              {found.length === 0 ? 'none of them' : countOf(found.length, 'pack')}
              {chosen && found.length > 0 && (
                <Button
                  variant="text"
                  size="small"
                  onClick={() => setChosen(new Set([...chosen, ...found.map(({ holdingId }) => holdingId)]))}
                >
                  choose {found.length === 1 ? 'it' : 'them'}
                </Button>
              )}
            </p>
          )}
        </div>
        {view.shelves.map((shelf) => (
          <ShelfDrawn
            key={shelf.placeId}
            shelf={shelf}
            isWanted={isWanted}
            inHand={view.open?.holdingId}
            chosen={chosen}
            onChoose={(id) => {
              const next = new Set(chosen);
              if (!next.delete(id)) next.add(id);
              setChosen(next);
            }}
          />
        ))}
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
      </div>
      {chosen ? (
        <Several
          packs={inHand}
          places={view.shelves}
          grams={addUp(inHand, (pack) => pack.grams)}
          onDone={(said, movementIds) => {
            done.tell(said, movementIds);
            setChosen(new Set());
          }}
        />
      ) : (
        view.open && (
          <PackInHand
            pack={view.open}
            key={view.open.holdingId}
            onDone={done.tell}
            onClose={() => router.push('/store', { scroll: false })}
          />
        )
      )}
      {done.bar}
    </div>
  );
}
