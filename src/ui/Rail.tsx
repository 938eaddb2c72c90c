'use client';

import BottomNavigation from '@mui/material/BottomNavigation';
import BottomNavigationAction from '@mui/material/BottomNavigationAction';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useLinkStatus } from 'next/link';
import { Link } from './Link';
import { usePathname, useRouter } from 'next/navigation';
import { useHotkeys } from 'react-hotkeys-hook';
import { useState, type ReactNode } from 'react';
import { ROOMS } from './rooms';
import { useShortcutsOn } from './shortcuts';
import styles from './rail.module.css';

/** A quiet mark on the tag of a room that is slow to come. */
function OnTheWay() {
  const { pending } = useLinkStatus();
  return <span className={styles.onTheWay} data-pending={pending || undefined} aria-hidden />;
}

/** On a phone: the rooms that are not gone to with wet hands. */
function More({ isHere }: { isHere: (room: string) => boolean }) {
  const [at, setAt] = useState<HTMLElement | null>(null);
  const rooms = ROOMS.filter((room) => !room.onPhone);
  return (
    <>
      <BottomNavigationAction
        label="more"
        showLabel
        className={`${styles.tag} ${styles.more}`}
        aria-haspopup="menu"
        aria-expanded={at !== null}
        aria-current={rooms.some((room) => isHere(room.path)) ? 'page' : undefined}
        onClick={(event) => setAt(event.currentTarget)}
      />
      <Menu anchorEl={at} open={at !== null} onClose={() => setAt(null)}>
        {rooms.map((room) => (
          <MenuItem
            key={room.path}
            component={Link}
            href={room.path}
            selected={isHere(room.path)}
            onClick={() => setAt(null)}
          >
            {room.name}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}

/** What hangs on the rail and is no room. */
const Apart = ({ children }: { children: ReactNode }) => <span className={styles.apart}>{children}</span>;

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
    <BottomNavigationAction
      key={room.path}
      component={Link}
      href={room.path}
      showLabel
      label={
        <>
          {room.name}
          <OnTheWay />
        </>
      }
      className={`${styles.tag} ${room.onPhone ? '' : styles.elsewhere}`}
      aria-current={isHere(room.path) ? 'page' : undefined}
      aria-keyshortcuts={on ? room.key : undefined}
    />
  );
  return (
    <nav className={styles.rail} aria-label="Rooms">
      <BottomNavigation component="div" className={styles.tags}>
        {ROOMS.slice(0, -1).map(tag)}
        <Apart>{children}</Apart>
        {ROOMS.slice(-1).map(tag)}
        <More isHere={isHere} />
      </BottomNavigation>
    </nav>
  );
}
