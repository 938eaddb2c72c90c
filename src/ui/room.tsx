import type { ReactNode } from 'react';
import { LinkButton } from './LinkButton';

interface Act {
  readonly href: string;
  readonly label: string;
}

interface RoomProps {
  readonly title: string;
  readonly aside?: string;
  readonly act: Act;
  /** Other ways from here, quieter than the act. */
  readonly ways?: readonly Act[];
  /** What stands under the rows. */
  readonly end?: ReactNode;
  readonly children: ReactNode;
}

/** A room with nothing in it yet: says what to do first. */
export function EmptyRoom({ title, aside, act, children }: RoomProps) {
  return (
    <div className="page">
      <div className="titleRow">
        <h1>{title}</h1>
        {aside && <p className="soft">{aside}</p>}
      </div>
      <div className="emptyState">
        <p>{children}</p>
        <LinkButton variant="contained" size="large" href={act.href}>
          {act.label}
        </LinkButton>
      </div>
    </div>
  );
}

/** A room that lists what it keeps: its title, the act that adds to it, and the rows. */
export function ListRoom({ title, aside, act, ways = [], end, children }: RoomProps) {
  return (
    <div className="page">
      <div className="spread">
        <div className="titleRow">
          <h1>{title}</h1>
          {aside && <p className="soft">{aside}</p>}
        </div>
        <div className="spread">
          {ways.map((way) => (
            <LinkButton key={way.href} variant="text" href={way.href}>
              {way.label}
            </LinkButton>
          ))}
          <LinkButton variant="outlined" href={act.href}>
            {act.label}
          </LinkButton>
        </div>
      </div>
      <ul className="rows">{children}</ul>
      {end}
    </div>
  );
}
