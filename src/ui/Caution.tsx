import Alert from '@mui/material/Alert';
import type { ReactNode } from 'react';

/** The caution that stands near every plan. */
export const STANDING_CAUTION =
  'Hodman does the sums; it does not replace a vet. Pups, pregnant, nursing, old or ill dogs and any prescription diet go to ' +
  'a vet or a board-certified nutritionist first. Local rules on raw feeding and on selling pet food apply: cook for your own dogs.';

interface CautionProps {
  /** Danger to a dog or a person; else a caution. */
  danger?: boolean;
  /** Said aloud when it comes up by what was done: at once, or when there is a pause. A standing one is not. */
  role?: 'alert' | 'status' | 'note';
  className?: string;
  children: ReactNode;
}

/** A caution or a danger, at the head of what it is about. */
export function Caution({ danger = false, role = 'note', className, children }: CautionProps) {
  return (
    <Alert severity={danger ? 'error' : 'warning'} icon={false} role={role} className={className} component="div">
      {children}
    </Alert>
  );
}
