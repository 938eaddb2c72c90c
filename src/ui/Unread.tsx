import { Link } from './Link';
import { sayUnread, type CannotBeRead } from '@/core/unreadable';
import { Caution } from './Caution';

const mendOf = ({ kind, id }: CannotBeRead) => `/mend/${kind}/${id}`;

/** What cannot be read, where it would stand, each with the way to mend it. */
export function UnreadList({ things }: { things: readonly CannotBeRead[] }) {
  if (things.length === 0) return null;
  return (
    <div className="stack unread">
      {things.map((what) => (
        <Caution key={`${what.kind}-${what.id}`}>
          {sayUnread(what)} <Link href={mendOf(what)}>Mend it</Link>
        </Caution>
      ))}
    </div>
  );
}

/** A page of something that cannot be read. */
export function UnreadPage({ what }: { what: CannotBeRead }) {
  return (
    <div className="page stack">
      <h1>{what.name}</h1>
      <UnreadList things={[what]} />
    </div>
  );
}
