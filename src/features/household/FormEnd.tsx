import Button from '@mui/material/Button';
import type { ReactNode } from 'react';

interface FormEndProps {
  pending: boolean;
  onDone: () => void;
  /** What else may be done with it. */
  children?: ReactNode;
}

/** The end of a small form: kept, or left as it was. */
export function FormEnd({ pending, onDone, children }: FormEndProps) {
  return (
    <div className="spread">
      <Button type="submit" variant="contained" disabled={pending}>
        Keep it
      </Button>
      <Button variant="text" onClick={onDone}>
        Never mind
      </Button>
      {children}
    </div>
  );
}
