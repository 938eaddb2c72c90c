'use client';

import Link, { useLinkStatus } from 'next/link';
import { usePathname, useRouter } from 'next/navigation';
import { useHotkeys } from 'react-hotkeys-hook';
import type { ReactNode } from 'react';
import { ROOMS } from './rooms';
import { useShortcutsOn } from './shortcuts';
import styles from './rail.module.css';

/** A quiet mark on the tag of a room that is slow to come. */
function OnTheWay() {
  const { pending } = useLinkStatus();
  return <span className={styles.onTheWay} data-pending={pending || undefined} aria-hidden />;
}

/** The rooms as tags on a rail; the one you are in hangs lower. Single letters go to rooms unless switched off. */
export function Rail({ children }: { children?: ReactNode }) {
  const path = usePathname();
  const router = useRouter();
  const [on] = useShortcutsOn();
  useHotkeys(
    ROOMS.map((room) => room.key).join(','),
    (event) => {
      const room = ROOMS.find((each) => each.key === event.key.toLowerCase());
      if (room) router.push(room.path);
    },
    { enabled: on },
  );
  const isHere = (room: string) => (room === '/' ? path === '/' : path === room || path.startsWith(`${room}/`));
  const tag = (room: (typeof ROOMS)[number]) => (
    <Link
      key={room.path}
      href={room.path}
      prefetch={false}
      className={styles.tag}
      aria-current={isHere(room.path) ? 'page' : undefined}
      aria-keyshortcuts={on ? room.key : undefined}
    >
      {room.name}
      <OnTheWay />
    </Link>
  );
  return (
    <nav className={styles.rail} aria-label="Rooms">
      <div className={styles.tags}>
        {ROOMS.slice(0, -1).map(tag)}
        <span className={styles.apart}>{children}</span>
        {ROOMS.slice(-1).map(tag)}
      </div>
    </nav>
  );
}
