'use client';

import { figure } from '@/ui/figure';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import { litresSaid } from '@/core/stock/room';
import { DogBadge } from '@/ui/badges/badges';
import { hatchFill } from '@/ui/badges/hatch-defs';
import { packWidth } from '@/ui/charts/pack-width';
import { useUnits } from '@/ui/units';
import { LotsDrawn } from './LotsDrawn';
import styles from './shelves.module.css';
import type { Shelf, ShelfPack } from './queries';

/** Drawn at first; the rest of a full place comes with a press. */
const SHOWN = 60;

interface ShelfDrawnProps {
  shelf: Shelf;
  /** Which packs are looked for; the others stand back. */
  isWanted: ((words: string) => boolean) | undefined;
  inHand: number | undefined;
  /** Several are chosen at once; undefined: a press takes one in hand. */
  chosen: ReadonlySet<number> | undefined;
  onChoose: (holdingId: number) => void;
}

/** A place as it stands open: its packs as wide as their room, first to be used on the left, and what room is free. */
export function ShelfDrawn({ shelf, isWanted, inHand, chosen, onChoose }: ShelfDrawnProps) {
  const { set } = useUnits();
  const [all, setAll] = useState(false);
  const { free, packs: more } = shelf.room;
  const shown = all || isWanted ? shelf.packs.length : Math.min(SHOWN, shelf.packs.length);
  if (shelf.packs.length === 0 && shelf.lots.length === 0 && free === undefined) return null;
  return (
    <section aria-labelledby={`shelf-${shelf.placeId}`} className={styles.shelf}>
      <div className={styles.name}>
        <h2 id={`shelf-${shelf.placeId}`}>{shelf.name}</h2>
        <p className="note">{shelf.said}</p>
        {free !== undefined && (
          <p className={`note ${free < 0 ? 'caution' : ''}`}>
            {free < 0
              ? `${litresSaid(-free, set)} more than it is said to hold`
              : `${litresSaid(free, set)} of ${litresSaid(free + shelf.room.used, set)} free`}
          </p>
        )}
      </div>
      <div>
        <ul className={`${styles.box} ${styles[shelf.kind]}`} aria-label={`In the ${shelf.name.toLowerCase()}`}>
          {shelf.packs.map((pack, place) => (
            <li
              key={pack.holdingId}
              className={place >= shown ? styles.beyond : undefined}
              style={{ width: packWidth(pack.room) }}
              data-away={(isWanted && !isWanted(pack.words)) || undefined}
            >
              <PackDrawn
                pack={pack}
                isInHand={chosen ? chosen.has(pack.holdingId) : pack.holdingId === inHand}
                onChoose={chosen && onChoose}
              />
            </li>
          ))}
          {free !== undefined && free > 0 && (
            <li className={styles.free} aria-hidden>
              {more === undefined ? litresSaid(free, set) : `room for ${more > 99 ? 'many' : more} more`}
            </li>
          )}
        </ul>
        {shown < shelf.packs.length && (
          <Button variant="text" size="small" onClick={() => setAll(true)}>
            {shelf.packs.length - shown} more
          </Button>
        )}
        <LotsDrawn
          lots={shelf.lots}
          where={shelf.name.toLowerCase()}
          isWanted={isWanted}
          inHand={inHand}
          chosen={chosen}
          onChoose={onChoose}
        />
        {shelf.presses.map(({ said, tone }) => (
          <p key={said} className={`${styles.presses} ${tone}`}>
            {said}
          </p>
        ))}
      </div>
    </section>
  );
}

interface PackDrawnProps {
  pack: ShelfPack;
  isInHand: boolean;
  onChoose: ((holdingId: number) => void) | undefined;
}

/** A pack in its place: the hatch of its protein as far as it is full, its code, and whom it is for. */
function PackDrawn({ pack, isInHand, onChoose }: PackDrawnProps) {
  const { inMass } = useUnits();
  const said = `${pack.code}, ${pack.whose}, ${inMass(pack.grams)}, ${pack.protein.word}, ${[pack.until, ...pack.notes].join(', ')}`;
  const drawing = (
    <>
      <svg className={styles.hatch} aria-hidden>
        <rect
          width="100%"
          height={`${Math.round(Math.min(1, pack.full) * 100)}%`}
          y={`${Math.round((1 - Math.min(1, pack.full)) * 100)}%`}
          fill={hatchFill(pack.protein.hatch)}
        />
      </svg>
      <span className={styles.code} data-long={pack.code.length > 4 || undefined} aria-hidden>
        {pack.code}
      </span>
      <span className={styles.tags} aria-hidden>
        {pack.tags.slice(0, 2).map((tag) => (
          <DogBadge key={tag.badge} {...tag} size={20} />
        ))}
      </span>
      <span className={styles.paper} aria-hidden>
        {pack.whose}, {inMass(pack.grams)} · {pack.until}
        {pack.notes.length > 0 && ` · ${pack.notes.join(', ')}`}
      </span>
    </>
  );
  const look = {
    ...figure('pack grams', pack.code, pack.grams),
    className: styles.pack,
    'data-tone': pack.tone === 'plain' ? undefined : pack.tone,
  };
  return onChoose ? (
    <ButtonBase {...look} aria-label={said} aria-pressed={isInHand} onClick={() => onChoose(pack.holdingId)}>
      {drawing}
    </ButtonBase>
  ) : (
    <Link
      href={`/store?pack=${pack.code}`}
      scroll={false}
      {...look}
      aria-label={said}
      aria-current={isInHand || undefined}
    >
      {drawing}
    </Link>
  );
}
