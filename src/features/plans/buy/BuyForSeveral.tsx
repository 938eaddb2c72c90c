'use client';

import Checkbox from '@mui/material/Checkbox';
import { Link } from '@/ui/Link';
import { useOptimistic } from 'react';
import { countOf } from '@/core/quantity/count-words';
import { asOneItem } from '@/core/plan/buy-several';
import { usualLot } from '@/core/plan/list-entry';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { LinkButton } from '@/ui/LinkButton';
import { useUnits } from '@/ui/units';
import { buyForSeveral } from '../actions';
import styles from '../plans.module.css';
import type { BuyView } from './queries';

/** What is bought once for all pots of the coming days: ticked, it is in the house, and on every plan's own list. */
export function BuyForSeveral({ view, spans }: { view: BuyView; spans: readonly number[] }) {
  const { set } = useUnits();
  // What was just pressed stands until the page that knows it is here.
  const [items, press] = useOptimistic(view.items, (now, pressed: { readonly key: string; readonly ticked: boolean }) =>
    now.map((each) => (each.key === pressed.key ? { ...each, ticked: pressed.ticked } : each)),
  );
  const tick = useCommand(buyForSeveral, 'buy-several');
  const { plans, places } = view;
  return (
    <div className="page stack">
      <div className="titleRow">
        <h1>To buy for {countOf(plans.length, 'pot')}</h1>
        <p className="soft">cooked within {countOf(view.days, 'day')}; what is in the house is counted</p>
      </div>
      <div className={styles.acts}>
        {spans.map((days) => (
          <LinkButton
            key={days}
            variant={days === view.days ? 'contained' : 'outlined'}
            href={`/plan/buy?days=${days}`}
            aria-label={`${countOf(days / 7, 'week')}${days === view.days ? ', shown' : ''}`}
          >
            {countOf(days / 7, 'week')}
          </LinkButton>
        ))}
      </div>
      <Problems problems={tick.problems} />
      <section aria-labelledby="buy" className={styles.list}>
        <h2 id="buy">{items.length === 0 ? 'Nothing is missing' : 'In the shop'}</h2>
        <ul>
          {items.map((each) => (
            <li key={each.key} data-ticked={each.ticked || undefined}>
              <Checkbox
                checked={each.ticked}
                disabled={tick.pending}
                slotProps={{ input: { 'aria-label': `${each.name}: got it for all` } }}
                onChange={(_, ticked) => {
                  const got = ticked ? usualLot(asOneItem(each), places, set) : undefined;
                  const input = {
                    planIds: [...each.planIds],
                    foodKey: each.key,
                    name: each.name.slice(0, 80),
                    ticked,
                    ...(got ? { got } : {}),
                  };
                  tick.run(input, () => press({ key: each.key, ticked }));
                }}
              />
              <span>
                {each.name}
                <span className="note">
                  {' '}
                  · {each.forDays}
                  {each.packs && ` · ${each.packs}`}
                </span>
              </span>
              <b>{each.amount}</b>
            </li>
          ))}
        </ul>
      </section>
      <section aria-labelledby="bought-for">
        <h2 id="bought-for">For</h2>
        <ul className="rows">
          {plans.map(({ planId, said }) => (
            <li key={planId}>
              <Link href={`/plan/${planId}`}>{said}</Link>
            </li>
          ))}
        </ul>
        {plans.length === 0 && <p>No kept plan is cooked in these days.</p>}
      </section>
    </div>
  );
}
