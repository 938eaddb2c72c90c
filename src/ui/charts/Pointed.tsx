'use client';

import Tooltip from '@mui/material/Tooltip';
import { useState, type ReactElement, type PointerEvent } from 'react';

/**
 * Says what a mark of a drawing means while it is pointed at: each mark carries its sentence as `data-said`. For the
 * eye alone; what a drawing says must stand beside it in words as well.
 */
export function Pointed({ children }: { children: ReactElement }) {
  const [said, setSaid] = useState('');
  const point = (event: PointerEvent) =>
    setSaid((event.target as Element).closest('[data-said]')?.getAttribute('data-said') ?? '');
  return (
    <Tooltip title={said} followCursor describeChild enterDelay={0} onPointerMove={point}>
      {children}
    </Tooltip>
  );
}
