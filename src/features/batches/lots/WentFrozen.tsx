'use client';

import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { IF_FROZEN } from '@/core/cook/frozen';

interface WentFrozenProps {
  frozen: boolean;
  disabled?: boolean;
  onChange: (frozen: boolean) => void;
}

/** Whether meat goes into the pot frozen: it cooks longer then. */
export function WentFrozen({ frozen, disabled = false, onChange }: WentFrozenProps) {
  return (
    <div>
      <FormControlLabel
        label="frozen when it goes in"
        control={<Checkbox checked={frozen} disabled={disabled} onChange={(_, on) => onChange(on)} />}
      />
      {frozen && (
        <p className="note" role="status">
          {IF_FROZEN}
        </p>
      )}
    </div>
  );
}
