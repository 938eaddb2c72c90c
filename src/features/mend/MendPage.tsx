'use client';

import Button from '@mui/material/Button';
import { Link } from '@/ui/Link';
import { sayUnread, type CannotBeRead, type Mend, type UnreadKind } from '@/core/unreadable';
import { Caution } from '@/ui/Caution';
import { LinkButton } from '@/ui/LinkButton';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { mend } from './actions';

interface Way {
  /** Where it stands once it can be read. */
  readonly room: (id: number) => { readonly href: string; readonly label: string };
  /** What a press does, and what it comes to; absent: only the cook can. */
  readonly press?: { readonly label: string; readonly said: string };
  /** What the cook can do by hand. */
  readonly byHand?: (id: number) => { readonly href: string; readonly label: string };
}

const WAYS: Readonly<Record<UnreadKind, Way>> = {
  supply: {
    room: () => ({ href: '/recipes/supplies', label: 'To the supplies' }),
    byHand: (id) => ({ href: `/recipes/supplies/${id}`, label: 'Type its label again' }),
  },
  recipe: {
    room: (id) => ({ href: `/recipes/${id}`, label: 'To the recipe' }),
    press: { label: 'Read its lines again', said: 'The amounts are there in your own words: they are read once more.' },
    byHand: (id) => ({ href: `/recipes/${id}`, label: 'Open the recipe' }),
  },
  plan: {
    room: (id) => ({ href: `/plan/${id}`, label: 'To the plan' }),
    press: {
      label: 'Write it again',
      said: 'Its dogs, its days and its recipes are known. How the recipes share the meals is not: each goes into every meal, in equal parts.',
    },
  },
  batch: {
    room: (id) => ({ href: `/batches/${id}`, label: 'To the batch' }),
    press: {
      label: 'Reckon it again',
      said: 'What was weighed and packed is kept. What went in is taken from its recipe, by the figures that its foods have today.',
    },
  },
  dog: {
    room: (id) => ({ href: `/dogs/${id}`, label: 'To its room' }),
    press: {
      label: 'Let go of what cannot be read',
      said: 'Its ration is by the table then, and what cannot be read goes off its lists. Say in its room what it is to be instead.',
    },
  },
  pack: {
    room: () => ({ href: '/store', label: 'To the Store' }),
    press: {
      label: 'Take what is known',
      said: 'Its weight, place and dates are kept. It is for any dog then; what was found without a batch is what its code says, with no day that anybody knows.',
    },
  },
};

/** One thing that cannot be read, and the ways to mend it. */
export function MendPage({ asked: { kind, id }, what }: { asked: Mend; what: CannotBeRead | undefined }) {
  const mending = useCommand(mend, `mend-${kind}-${id}`);
  const { room, press, byHand } = WAYS[kind];
  const hand = byHand?.(id);
  if (!what)
    return (
      <div className="page stack">
        <h1>It can be read</h1>
        <p role="status">Nothing of it is to be mended.</p>
        <p>
          <Link href={room(id).href}>{room(id).label}</Link>
        </p>
      </div>
    );
  return (
    <div className="page stack">
      <h1>{what.name}</h1>
      <Caution>{sayUnread(what)}</Caution>
      {press && <p>{press.said}</p>}
      <Problems problems={mending.problems} />
      <p>
        {press && (
          <Button variant="contained" disabled={mending.pending} onClick={() => mending.run({ kind, id })}>
            {press.label}
          </Button>
        )}{' '}
        {hand && (
          <LinkButton variant={press ? 'outlined' : 'contained'} href={hand.href}>
            {hand.label}
          </LinkButton>
        )}
      </p>
      <p className="soft">
        As it was before, it is in the <Link href="/household#backups">backups</Link>.
      </p>
    </div>
  );
}
