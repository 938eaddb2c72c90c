'use client';

import ButtonBase from '@mui/material/ButtonBase';
import Dialog from '@mui/material/Dialog';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Field } from '@/ui/form/Field';
import rail from '@/ui/rail.module.css';
import { ROOMS } from '@/ui/rooms';
import { useShortcutsOn } from '@/ui/shortcuts';
import { useAnswers } from '@/ui/use-answers';
import type { Found } from './queries';
import styles from './find.module.css';

/** `/` finds a dog, a recipe or a pack by its code; `?` lists the keys. */
export function Find() {
  const [open, setOpen] = useState<'find' | 'keys'>();
  const [typed, setTyped] = useState('');
  const router = useRouter();
  // The way is gone when the dialog has left: a pack's own dialog that came sooner would be hidden with the page.
  const [going, setGoing] = useState<string>();
  const [on] = useShortcutsOn();
  const { answers, silent } = useAnswers<Found>('/api/find', open === 'find' ? typed : '');
  useHotkeys('slash', () => setOpen('find'), { enabled: on, preventDefault: true });
  useHotkeys('?, shift+?', () => setOpen('keys'), { enabled: on, preventDefault: true, useKey: true });
  const code = typed.trim().toUpperCase();
  const close = () => {
    setOpen(undefined);
    setTyped('');
  };
  return (
    <>
      <ButtonBase className={rail.tag} aria-keyshortcuts={on ? '/' : undefined} onClick={() => setOpen('find')}>
        Find
      </ButtonBase>
      <Dialog
        open={open === 'find'}
        onClose={close}
        aria-labelledby="find-title"
        fullWidth
        maxWidth="xs"
        slotProps={{
          transition: {
            onExited: () => {
              if (going !== undefined) router.push(going);
              setGoing(undefined);
            },
          },
        }}
      >
        <div className={styles.dialog}>
          <h2 id="find-title">Find</h2>
          <form
            noValidate
            onSubmit={(event) => {
              event.preventDefault();
              // A whole code and Enter: the pack is in the hand, and is shown large.
              const [exact] = answers.filter(({ name, href }) => name === code && href.startsWith('/store?pack='));
              if (!exact) return;
              setGoing(`/p/${code}`);
              close();
            }}
          >
            <Field
              label="A dog, a recipe, a pack’s code"
              value={typed}
              onChange={(event) => setTyped(event.target.value)}
              autoFocus
              autoComplete="off"
            />
          </form>
          <ul className="rows" aria-live="polite">
            {answers.map((found) => (
              <li key={found.href}>
                <Link
                  href={found.href}
                  onClick={(event) => {
                    if (event.metaKey || event.ctrlKey || event.shiftKey) return;
                    event.preventDefault();
                    setGoing(found.href);
                    close();
                  }}
                >
                  <b>{found.name}</b>
                </Link>{' '}
                <span className="note">{found.what}</span>
              </li>
            ))}
          </ul>
          {typed.trim() !== '' && answers.length === 0 && (
            <p className="soft">
              {silent ? 'Hodman did not answer. Type on to ask again.' : 'Nothing here is called that.'}
            </p>
          )}
        </div>
      </Dialog>
      <Dialog open={open === 'keys'} onClose={close} aria-labelledby="keys-title" fullWidth maxWidth="xs">
        <div className={styles.dialog}>
          <h2 id="keys-title">Keys</h2>
          <dl className={styles.keys}>
            {ROOMS.map((room) => (
              <div key={room.key}>
                <dt>{room.key}</dt>
                <dd>{room.name}</dd>
              </div>
            ))}
            <div>
              <dt>/</dt>
              <dd>find</dd>
            </div>
            <div>
              <dt>?</dt>
              <dd>this list</dd>
            </div>
          </dl>
          <p className="note">They can be switched off in Household.</p>
        </div>
      </Dialog>
    </>
  );
}
