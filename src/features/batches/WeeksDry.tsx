'use client';

import Button from '@mui/material/Button';
import { useUnits } from '@/ui/units';
import type { WeeksDry as Wanted } from './compare/queries';

interface WeeksDryProps {
  of: Wanted;
  /** g of it that are not set aside to be dried yet, and may be. */
  open: number;
  onTake: () => void;
}

/** The weeks ahead count on a part of this pot that is dried: said where it is divided, and taken by a press. */
export function WeeksDry({ of, open, onTake }: WeeksDryProps) {
  const { inMass } = useUnits();
  if (open <= 0) return null;
  return (
    <p className="spread">
      <span>
        The weeks ahead count on {inMass(of.grams)} of it in the {of.machine}.
      </span>
      <Button variant="outlined" onClick={onTake}>
        Dry {inMass(open)}
      </Button>
    </p>
  );
}
