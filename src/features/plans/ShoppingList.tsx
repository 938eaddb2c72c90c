'use client';

import { useState } from 'react';
import type { LocalDate } from '@/core/calendar/local-date';
import { usualLot } from '@/core/plan/list-entry';
import type { FetchedFrom, ShoppingItem } from '@/core/plan/shopping';
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
}

/** What to buy and to take out, merged over the plan; of a kept plan it is ticked off, and is in the house by its tick. */
export function ShoppingList({ items, cookDay, today, planId, said, house }: ShoppingListProps) {
  const { set } = useUnits();
  // What was just pressed stands until the answer is here.
  const [pressed, setPressed] = useState<Readonly<Record<string, Pick<PlanItem, 'ticked' | 'fetchedFrom'>>>>({});
  const [noted, setNoted] = useState(false);
  const letGo = (foodKey: string, of: Pick<PlanItem, 'ticked' | 'fetchedFrom'>) =>
    setPressed((now) =>
      Object.fromEntries(
        Object.entries(now).filter(
          ([key, { ticked, fetchedFrom }]) => key !== foodKey || of.ticked !== ticked || of.fetchedFrom !== fetchedFrom,
        ),
      ),
    );
  const save = useCommand(setPlanItem, `list-${planId ?? 0}`, (_, answered) => {
    // What was pressed since waits for its own answer.
    letGo(answered.foodKey, answered);
    setNoted(true);
  });
  const say = (item: ShoppingItem, ticked: boolean, fetchedFrom: FetchedFrom) => {
    if (planId === undefined) return;
    setPressed((now) => ({ ...now, [item.key]: { ticked, fetchedFrom } }));
    setNoted(false);
    const got = ticked && fetchedFrom === 'shop' ? usualLot(item, house.places, set) : undefined;
    const thaw = Math.max(0, item.grams - item.here.ready);
    save.run({
      planId,
      foodKey: item.key,
      name: item.name.slice(0, 80),
      ticked,
      fetchedFrom,
      ...(got ? { got } : {}),
      ...(ticked && fetchedFrom === 'freezer' ? { thaw } : {}),
    });
  };
  return (
    <section aria-labelledby="list" className={styles.list}>
      <div className="spread">
        <h2 id="list">Pull and buy</h2>
        <p role="status" className="note">
          {save.pending ? 'noting …' : noted ? 'Noted.' : ''}
        </p>
      </div>
      <Problems problems={save.problems} />
      <ul>
        {items.map((item) => {
          const own = said.find(({ foodKey }) => foodKey === item.key);
          // A refused press is no press.
          const now = save.problems.length > 0 ? undefined : pressed[item.key];
          return (
            <ListItem
              key={item.key}
              item={item}
              said={now ? { foodKey: item.key, holdingId: undefined, lot: undefined, ...own, ...now } : own}
              cookDay={cookDay}
              today={today}
              house={house}
              isKept={planId !== undefined}
              onSay={(ticked, from) => say(item, ticked, from)}
            />
          );
        })}
      </ul>
    </section>
  );
}
