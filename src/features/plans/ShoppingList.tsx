'use client';

import { useOptimistic, useState } from 'react';
import type { LocalDate } from '@/core/calendar/local-date';
import { usualLot } from '@/core/plan/list-entry';
import type { FetchedFrom, ShoppingItem } from '@/core/plan/shopping';
import { NotCounted } from '@/ui/food/NotCounted';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { setPlanItem } from './actions';
import { ListItem } from './ListItem';
import type { ListHouse, PlanItem } from './list-view';
import styles from './plans.module.css';

interface ShoppingListProps {
  items: readonly ShoppingItem[];
  cookDay: LocalDate;
  today: LocalDate;
  /** The kept plan that it belongs to: without one there is nothing to tick yet. */
  planId: number | undefined;
  said: readonly PlanItem[];
  house: ListHouse;
  /** Lines that were kept as words. */
  uncounted: readonly string[];
}

type Pressed = Pick<PlanItem, 'foodKey' | 'ticked' | 'fetchedFrom'>;

/** What to buy and to take out, merged over the plan; of a kept plan it is ticked off, and is in the house by its tick. */
export function ShoppingList({ items, cookDay, today, planId, said, house, uncounted }: ShoppingListProps) {
  const { set } = useUnits();
  // What was just pressed stands until the page that knows it is here: a next press begins from it.
  const [asSaid, press] = useOptimistic(said, (now, { foodKey, ticked, fetchedFrom }: Pressed) => {
    const own = now.find((item) => item.foodKey === foodKey) ?? { foodKey, holdingId: undefined, lot: undefined };
    return [...now.filter((item) => item.foodKey !== foodKey), { ...own, ticked, fetchedFrom }];
  });
  const [noted, setNoted] = useState(false);
  const save = useCommand(setPlanItem, `list-${planId ?? 0}`, () => setNoted(true));
  const say = (item: ShoppingItem, ticked: boolean, fetchedFrom: FetchedFrom) => {
    if (planId === undefined) return;
    setNoted(false);
    const got = ticked && fetchedFrom === 'shop' ? usualLot(item, house.places, set) : undefined;
    const thaw = Math.max(0, item.grams - item.here.ready);
    const input = {
      planId,
      foodKey: item.key,
      name: item.name.slice(0, 80),
      ticked,
      fetchedFrom,
      ...(got ? { got } : {}),
      ...(ticked && fetchedFrom === 'freezer' ? { thaw } : {}),
    };
    save.run(input, () => press(input));
  };
  return (
    <section aria-labelledby="list" className={styles.list}>
      <div className="spread">
        <h2 id="list">Pull and buy</h2>
        <p role="status" className="note">
          {save.pending ? 'noting …' : noted ? 'Noted.' : ''}
        </p>
      </div>
      <NotCounted lines={uncounted} />
      <Problems problems={save.problems} />
      <ul>
        {items.map((item) => (
          <ListItem
            key={item.key}
            item={item}
            said={asSaid.find(({ foodKey }) => foodKey === item.key)}
            cookDay={cookDay}
            today={today}
            house={house}
            isKept={planId !== undefined}
            onSay={(ticked, from) => say(item, ticked, from)}
          />
        ))}
      </ul>
    </section>
  );
}
