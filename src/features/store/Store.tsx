'use client';

import Button from '@mui/material/Button';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { countOf } from '@/core/quantity/count-words';
import { addUp } from '@/core/add-up';
import { countHeld, wantedBy } from '@/core/stock/find';
import { Fold } from '@/ui/Fold';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { EmptyRoom } from '@/ui/room';
import { UnreadList } from '@/ui/Unread';
import { useShortcutsOn } from '@/ui/shortcuts';
import { ComeIn } from './lot/ComeIn';
import { LotInHand } from './lot/LotInHand';
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
  const [isComing, setComing] = useState(false);
  const done = useDone('store-back');
  const [on] = useShortcutsOn();
  useHotkeys('l', () => router.push('/store/table'), { enabled: on });
  useHotkeys('escape', () => (view.open ?? view.openLot) && router.push('/store', { scroll: false }));
  const packs = view.shelves.flatMap((shelf) => shelf.packs);
  const isWanted = wantedBy(wanted);
  const lots = view.shelves.flatMap((shelf) => shelf.lots.map((lot) => ({ ...lot, code: lot.name })));
  const found = isWanted && {
    packs: packs.filter((pack) => isWanted(pack.words)),
    lots: lots.filter((lot) => isWanted(lot.words)),
  };
  const several = {
    packs: packs.filter((pack) => chosen?.has(pack.holdingId)),
    lots: lots.filter((lot) => chosen?.has(lot.holdingId)),
  };
  if (packs.length + view.unread.length === 0 && view.latest.length === 0 && !view.open && !isComing) {
    return (
      <EmptyRoom
        title="Nothing in store"
        aside={view.unknownCode && `there is no pack ${view.unknownCode}`}
        act={{ href: '/plan', label: 'Plan a batch' }}
      >
        Packs come here when a batch is sealed, ingredients when they are ticked off a plan’s list.{' '}
        <Button variant="text" onClick={() => setComing(true)}>
          Something is here already
        </Button>
      </EmptyRoom>
    );
  }
  const isBeside = view.open !== undefined || view.openLot !== undefined || isComing || chosen !== undefined;
  const putDown = () => router.push('/store', { scroll: false });
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
            <Button variant="text" size="small" aria-pressed={isComing} onClick={() => setComing(!isComing)}>
              something came in
            </Button>
            <Link href="/store/ahead">eight weeks ahead</Link>
            <Link href="/store/count">count what is there</Link>
            <Link href="/store/power">power cut</Link>
            <Link href="/store/trace">recall</Link>
            <Link href="/store/value">what it costs</Link>
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
        <UnreadList things={view.unread} />
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
              {found.packs.length + found.lots.length === 0
                ? 'none of them'
                : countHeld(found.packs.length, found.lots.length)}
              {chosen && found.packs.length + found.lots.length > 0 && (
                <Button
                  variant="text"
                  size="small"
                  onClick={() =>
                    setChosen(
                      new Set([...chosen, ...[...found.packs, ...found.lots].map(({ holdingId }) => holdingId)]),
                    )
                  }
                >
                  choose {found.packs.length + found.lots.length === 1 ? 'it' : 'them'}
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
            inHand={view.open?.holdingId ?? view.openLot?.holdingId}
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
      {isComing ? (
        <ComeIn
          house={view.house}
          onDone={(said, movementIds) => done.tell(said, movementIds)}
          onClose={() => setComing(false)}
        />
      ) : chosen ? (
        <Several
          packs={several.packs}
          lots={several.lots}
          places={view.shelves}
          grams={addUp([...several.packs, ...several.lots], (held) => held.grams)}
          onDone={(said, movementIds) => {
            done.tell(said, movementIds);
            setChosen(new Set());
          }}
        />
      ) : view.openLot ? (
        <LotInHand
          key={view.openLot.holdingId}
          lot={view.openLot}
          house={view.house}
          onDone={done.tell}
          onClose={putDown}
        />
      ) : (
        view.open && <PackInHand pack={view.open} key={view.open.holdingId} onDone={done.tell} onClose={putDown} />
      )}
      {done.bar}
    </div>
  );
}
