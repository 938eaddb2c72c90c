'use client';

import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';

interface SegmentsProps<Value extends string> {
  label: string;
  /** Undefined: nothing is chosen yet. */
  value: Value | undefined;
  options: readonly { readonly value: Value; readonly label: string }[];
  onChange: (value: Value) => void;
}

/** One of two or three, all of them in sight. */
export function Segments<Value extends string>({ label, value, options, onChange }: SegmentsProps<Value>) {
  return (
    <ToggleButtonGroup
      exclusive
      aria-label={label}
      value={value ?? null}
      onChange={(_, next: Value | null) => next !== null && onChange(next)}
    >
      {options.map((option) => (
        <ToggleButton key={option.value} value={option.value}>
          {option.label}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
}
