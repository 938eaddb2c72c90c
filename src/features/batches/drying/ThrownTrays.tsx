'use client';

import Button from '@mui/material/Button';
import { Problems } from '@/ui/form/Problems';
import { useUnits } from '@/ui/units';
import { useHow, type DryingProps } from './use-drying';

/** Trays that were thrown away, with the reason, and the way back where that was a slip. */
export function ThrownTrays({ view, share }: DryingProps) {
  const { inMass } = useUnits();
  const how = useHow(view, share);
  if (share.thrown.length === 0) return null;
  return (
    <div className="stack">
      <ul className="rows" aria-label="Thrown away">
        {share.thrown.map(({ id, grams, why }) => (
          <li key={id} className="spread">
            <span>
              {inMass(grams)} on a tray thrown away: {why}
            </span>
            <Button
              variant="text"
              size="small"
              disabled={how.pending}
              onClick={() => how.say({ what: 'not thrown', tray: id })}
            >
              it was not
            </Button>
          </li>
        ))}
      </ul>
      <Problems problems={how.problems} />
    </div>
  );
}
