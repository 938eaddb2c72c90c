'use client';

import { Link } from '@/ui/Link';
import { usePathname } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { writeMinutes } from '@/core/plan/stove';
import { ring, useLit } from '@/ui/alarm';
import type { RunningTimer } from './queries';
import styles from './bell.module.css';

/** ms: after the page has settled, between two askings, and between two rings. */
const FIRST = 2000;
const EVERY = 15_000;
const AGAIN = 60_000;

/** Rings in every room when a timer is up, and says which one while it runs elsewhere than on this sheet. */
export function Bell() {
  const path = usePathname();
  const [heard, setHeard] = useState<{ readonly timers: readonly RunningTimer[]; readonly at: number }>();
  const [now, setNow] = useState(0);
  useEffect(() => {
    let next: ReturnType<typeof setTimeout>;
    const ask = async () => {
      try {
        const answer = await fetch('/api/timers');
        if (answer.ok) setHeard({ timers: (await answer.json()) as RunningTimer[], at: performance.now() });
      } catch {
        // The house does not answer: what is known of its timers still holds.
      }
      next = setTimeout(() => void ask(), EVERY);
    };
    next = setTimeout(() => void ask(), FIRST);
    return () => clearTimeout(next);
  }, [path]);
  const runs = (heard?.timers.length ?? 0) > 0;
  useEffect(() => {
    if (!runs) return;
    const tick = setInterval(() => setNow(performance.now()), 1000);
    return () => clearInterval(tick);
  }, [runs]);
  useLit(runs);
  const timers = (heard?.timers ?? []).map((timer) => ({
    ...timer,
    left: timer.left - Math.max(0, now - (heard?.at ?? 0)),
  }));
  useRinging(timers);
  const [first] = timers.filter((timer) => path !== timer.href.split('?')[0]);
  if (!first) return null;
  return (
    <aside className={styles.bell} aria-label="What rings next">
      <p role={first.left <= 0 ? 'alert' : undefined}>
        <Link href={first.href}>
          {first.recipe}, {first.name}
        </Link>{' '}
        <b>
          {first.alarm !== undefined
            ? first.alarm
            : first.left > 0
              ? `${writeMinutes(Math.ceil(first.left / 60_000))} to go`
              : first.left > -60_000
                ? 'time is up'
                : `rang ${writeMinutes(-first.left / 60_000)} ago`}
        </b>
      </p>
    </aside>
  );
}

/** Once when a timer is up, and every minute again until somebody has come. */
function useRinging(timers: readonly RunningTimer[]): void {
  const told = useRef(new Map<string, number>());
  useEffect(() => {
    for (const { href, key, name, left, alarm } of timers) {
      if (left > 0) continue;
      const id = `${href} ${key}`;
      const minute = Math.floor(-left / AGAIN);
      if ((told.current.get(id) ?? -1) >= minute) continue;
      told.current.set(id, minute);
      ring(alarm === undefined ? `${name}: time is up` : `${name}: ${alarm}`);
    }
  }, [timers]);
}
