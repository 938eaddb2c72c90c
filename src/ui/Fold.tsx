'use client';

import Accordion from '@mui/material/Accordion';
import AccordionDetails from '@mui/material/AccordionDetails';
import AccordionSummary from '@mui/material/AccordionSummary';
import { useState, type ReactNode } from 'react';

interface FoldProps {
  title: ReactNode;
  /** Whether it stands open at first. */
  open?: boolean;
  /** What is heavy, and keeps what is typed in it elsewhere, is made only when it is opened. */
  lazy?: boolean;
  className?: string;
  children: ReactNode;
}

/** Detail on demand: a line that opens what lies behind it. */
export function Fold({ title, open = false, lazy = false, className, children }: FoldProps) {
  const [shown, setShown] = useState(open);
  return (
    <Accordion
      className={className}
      expanded={shown}
      onChange={(_, next) => setShown(next)}
      slots={{ heading: 'div' }}
      slotProps={{ transition: { timeout: 0, unmountOnExit: lazy }, region: { role: undefined } }}
    >
      <AccordionSummary expandIcon={<span aria-hidden>›</span>}>{title}</AccordionSummary>
      <AccordionDetails>{children}</AccordionDetails>
    </Accordion>
  );
}
