'use client';

import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';

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
          The pot cooks half as long again (common practice). Not for a slow cooker: thaw it first.
        </p>
      )}
    </div>
  );
}
