'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import { useState } from 'react';
import { Choice } from '@/ui/form/Choice';
import { AskBack } from '@/ui/form/AskBack';
import { Problems } from '@/ui/form/Problems';
import { figureDay } from '@/ui/figure';
import { useCommand } from '@/ui/form/use-command';
import { Tub } from '@/ui/badges/badges';
import { moveTo } from './actions';
import styles from './today.module.css';
import type { TodayView } from './view';
import { nth } from '@/core/sure';

/** So many stand there at first; the others are ticked as well. */
const SHOWN = 6;

/** Packs that tomorrow needs and that lie in the freezer: one press moves those that are ticked. */
export function Tonight({
  packs,
  frozen,
  placeId,
  day,
}: Pick<TodayView, 'frozen' | 'day'> & { packs: TodayView['tonight']; placeId: number }) {
  const [all, setAll] = useState(false);
  const [left, setLeft] = useState<readonly number[]>([]);
  const [swaps, setSwaps] = useState<ReadonlyMap<number, number>>(new Map());
  const [swapping, setSwapping] = useState<readonly number[]>([]);
  const move = useCommand(moveTo, 'tonight', () => {
    setLeft([]);
    setSwaps(new Map());
    setSwapping([]);
  });
  const moving = packs.filter((pack) => !left.includes(pack.holdingId));
  const isLate = packs.some(({ late }) => late);
  // One that goes in the place of two is moved once.
  const holdingIds = [...new Set(moving.map(({ holdingId }) => swaps.get(holdingId) ?? holdingId))];
  if (packs.length === 0) {
    return (
      <section className={styles.tonight} aria-labelledby="tonight">
        <h2 id="tonight">Tonight</h2>
        <p>Nothing needs to leave the freezer for tomorrow.</p>
      </section>
    );
  }
  const row = (pack: TodayView['tonight'][number]) => (
    <li key={pack.holdingId} className={styles.thaw}>
      <Tub hatch={pack.hatch} />
      <div>
        <label htmlFor={`thaw-${pack.holdingId}`} {...figureDay('out of the freezer', pack.code, day)}>
          <b>{pack.code}</b> <span className="soft">{pack.said}</span>
        </label>
        {pack.others.length > 0 && !swapping.includes(pack.holdingId) && (
          <Button
            variant="text"
            size="small"
            className={styles.screen}
            aria-label={`another in the place of ${pack.code}`}
            onClick={() => setSwapping([...swapping, pack.holdingId])}
          >
            another
          </Button>
        )}
      </div>
      <Checkbox
        id={`thaw-${pack.holdingId}`}
        checked={!left.includes(pack.holdingId)}
        onChange={(_, on) => setLeft(on ? left.filter((id) => id !== pack.holdingId) : [...left, pack.holdingId])}
      />
      {swapping.includes(pack.holdingId) && (
        <div className={styles.swap}>
          <Choice
            isFocused
            label={`In the place of ${pack.code}`}
            hideLabel
            value={String(swaps.get(pack.holdingId) ?? '')}
            options={[
              { value: '', label: `${pack.code}, or …` },
              ...pack.others
                .flatMap((at) => frozen[at] ?? [])
                .map(({ holdingId, said }) => ({ value: String(holdingId), label: said })),
            ]}
            onChange={(id) => {
              const next = new Map(swaps);
              next.delete(pack.holdingId);
              if (id !== '') next.set(pack.holdingId, Number(id));
              setSwaps(next);
            }}
          />
        </div>
      )}
    </li>
  );
  return (
    <section className={styles.tonight} aria-labelledby="tonight">
      <h2 id="tonight">Tonight, to the fridge</h2>
      <ul>{packs.slice(0, SHOWN).map(row)}</ul>
      {packs.length > SHOWN && (
        <>
          <ul className={all ? undefined : 'onPaper'}>{packs.slice(SHOWN).map(row)}</ul>
          <Button variant="text" aria-expanded={all} onClick={() => setAll(!all)}>
            {all ? 'only the first' : `and ${packs.length - SHOWN} more, ticked too`}
          </Button>
        </>
      )}
      <Problems problems={move.atHead('fits')} />
      <AskBack command={move} field="fits" label="They fit" answer={{ fits: true }} />
      <Button
        variant="outlined"
        fullWidth
        size="large"
        disabled={moving.length === 0 || move.pending}
        onClick={() => move.run({ holdingIds, placeId })}
      >
        {moving.length === 1 && swaps.size === 0 ? `Moved ${nth(moving, 0).code}` : `Moved all ${holdingIds.length}`}
      </Button>
      {isLate && (
        <p className={`note ${styles.screen}`}>
          Forgotten last night? Sealed, in cold water changed every half hour, about 1 h for each kg; then feed it at
          once (USDA). Never on the counter. Dry food needs no thawing.
        </p>
      )}
    </section>
  );
}
