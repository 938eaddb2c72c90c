'use client';

import { Fold } from './Fold';
import Button from '@mui/material/Button';
import type { Away, AwayThing } from '@/core/away';
import { Problems } from './form/Problems';
import { useCommand, type HouseAction } from './form/use-command';

interface AwayListProps {
  kind: Away['kind'];
  things: readonly AwayThing[];
  putAway: HouseAction<Away, void>;
}

/** What was put away, folded: each can be brought back. */
export function AwayList({ kind, things, putAway }: AwayListProps) {
  const back = useCommand(putAway, `away-${kind}`);
  if (things.length === 0) return null;
  return (
    <Fold title={<>{things.length} put away</>}>
      <Problems problems={back.problems} />
      <ul className="rows">
        {things.map(({ id, name }) => (
          <li key={id} className="spread">
            <span>{name}</span>
            <Button
              variant="text"
              aria-label={`Bring ${name} back`}
              disabled={back.pending}
              onClick={() => back.run({ kind, id, away: false })}
            >
              bring back
            </Button>
          </li>
        ))}
      </ul>
    </Fold>
  );
}

interface PutAwayProps extends AwayThing {
  kind: Away['kind'];
  putAway: HouseAction<Away, void>;
  onDone?: () => void;
}

/** Puts one thing away; it can be brought back. */
export function PutAway({ kind, id, name, putAway, onDone }: PutAwayProps) {
  const away = useCommand(putAway, `away-${kind}`, onDone);
  return (
    <>
      <Button
        variant="text"
        aria-label={`Put ${name} away`}
        disabled={away.pending}
        onClick={() => away.run({ kind, id, away: true })}
      >
        put away
      </Button>
      <Problems problems={away.problems} />
    </>
  );
}
