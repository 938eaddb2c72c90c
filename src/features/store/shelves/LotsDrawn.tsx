'use client';

import ButtonBase from '@mui/material/ButtonBase';
import { Link } from '@/ui/Link';
import { packWidth } from '@/ui/charts/pack-width';
import { useUnits } from '@/ui/units';
import type { ShelfLot } from './lots/queries';
import styles from './shelves.module.css';

interface LotsDrawnProps {
  lots: readonly ShelfLot[];
  where: string;
  isWanted: ((words: string) => boolean) | undefined;
  inHand: number | undefined;
  chosen: ReadonlySet<number> | undefined;
  onChoose: (holdingId: number) => void;
}

/** The ingredients of a place, under its packs: jars and wrappers with their names, as wide as their room. */
export function LotsDrawn({ lots, where, isWanted, inHand, chosen, onChoose }: LotsDrawnProps) {
  const { inSum } = useUnits();
  if (lots.length === 0) return null;
  return (
    <ul className={styles.lots} aria-label={`Ingredients in the ${where}`}>
      {lots.map((lot) => {
        const said = `${lot.name}, ${inSum(lot.grams)}, ${[lot.until, ...lot.notes].join(', ')}`;
        const look = { className: styles.lot, 'data-tone': lot.tone === 'plain' ? undefined : lot.tone };
        const drawing = (
          <>
            <span aria-hidden>{lot.name}</span>
            <span className="note" aria-hidden>
              {inSum(lot.grams)}
            </span>
          </>
        );
        return (
          <li
            key={lot.holdingId}
            style={{ width: Math.max(112, packWidth(lot.grams)) }}
            data-away={(isWanted && !isWanted(lot.words)) || undefined}
          >
            {chosen ? (
              <ButtonBase
                {...look}
                aria-label={said}
                aria-pressed={chosen.has(lot.holdingId)}
                onClick={() => onChoose(lot.holdingId)}
              >
                {drawing}
              </ButtonBase>
            ) : (
              <Link
                href={`/store?lot=${lot.holdingId}`}
                scroll={false}
                {...look}
                aria-label={said}
                aria-current={lot.holdingId === inHand || undefined}
              >
                {drawing}
              </Link>
            )}
          </li>
        );
      })}
    </ul>
  );
}
