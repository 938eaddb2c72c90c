'use client';

import { Link } from '@/ui/Link';
import { WASTE_REASONS, type WasteReason } from '@/core/stock/waste';
import { writeKcal, writeMoney } from '@/core/quantity/write';
import { HatchTile } from '@/ui/badges/badges';
import { hatchFill } from '@/ui/badges/hatch-defs';
import { stackedBar } from '@/ui/charts/stacked-bar';
import { useUnits } from '@/ui/units';
import styles from './waste.module.css';
import type { WasteView } from './queries';
import type { Hatch } from '@/core/recipe/protein';

const [WIDTH, HIGH] = [560, 30];

/** A reason has a hatch of its own, told by its word beside it. */
const LOOK: Readonly<Record<WasteReason, Hatch>> = {
  'left in the bowl': 'dots',
  'power cut': 'crossed',
  'spoiled or past its date': 'waves',
  'recalled or a dog was ill': 'upright',
  'not found': 'level',
  'other words': 'diagonal',
  'nobody said': 'bricks',
};

/** What nobody ate, month by month and why: a bar as long as it weighed. */
export function Waste({ view }: { view: WasteView }) {
  const { inSum } = useUnits();
  const { months } = view;
  const most = Math.max(1, ...months.map(({ grams }) => grams));
  const used = WASTE_REASONS.filter((reason) =>
    months.some(({ reasons }) => reasons.some((each) => each.reason === reason)),
  );
  return (
    <div className="page stack">
      <div className="titleRow">
        <h1>{months.length === 0 ? 'Nothing was wasted' : 'Not eaten'}</h1>
        <p className="soft">
          thrown away or lost in the last twelve months · <Link href="/store/value">what it costs</Link> ·{' '}
          <Link href="/store">to the Store</Link>
        </p>
      </div>
      {months.length === 0 && <p>What is thrown away or not found stands here, by its reason.</p>}
      <ul className={styles.months}>
        {months.map((month) => (
          <li key={month.month}>
            <b>{month.said}</b>
            <span>
              {inSum(month.grams)}, {writeKcal(month.kcal)} kcal
              {month.minor !== undefined &&
                `, ${month.isAtLeast ? 'at least ' : ''}${writeMoney(month.minor, view.currency)}`}
            </span>
            <svg viewBox={`0 0 ${WIDTH} ${HIGH}`} width="100%" aria-hidden>
              {stackedBar(month.reasons, ({ grams }) => grams / most, WIDTH).map(({ of, x, width }) => (
                <rect
                  key={of.reason}
                  x={x}
                  width={Math.max(2, width)}
                  height={HIGH}
                  fill={hatchFill(LOOK[of.reason])}
                  stroke="var(--slate)"
                />
              ))}
            </svg>
            <span className="note">
              {month.reasons.map(({ reason, grams }) => `${reason} ${inSum(grams)}`).join(' · ')}
            </span>
          </li>
        ))}
      </ul>
      {used.length > 0 && (
        <ul className={styles.legend} aria-label="Reasons">
          {used.map((reason) => (
            <li key={reason}>
              <HatchTile hatch={LOOK[reason]} width={24} height={16} /> {reason}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
