'use client';

import Button from '@mui/material/Button';
import type { useCommand } from '@/ui/form/use-command';
import type { OpenPack } from './queries';

interface MoveToProps {
  pack: OpenPack;
  move: Pick<
    ReturnType<typeof useCommand<{ holdingIds: number[]; placeId: number }, { movementIds: number[] }>>,
    'run' | 'pending'
  >;
}

/** A pack to another place, one press each. */
export function MoveTo({ pack, move }: MoveToProps) {
  return pack.moveTo.map((place) => (
    <Button
      key={place.placeId}
      variant={place.placeId === pack.moveTo[0]?.placeId ? 'contained' : 'outlined'}
      size="large"
      disabled={move.pending}
      onClick={() => move.run({ holdingIds: [pack.holdingId], placeId: place.placeId })}
    >
      To the {place.name.toLowerCase()}
    </Button>
  ));
}
