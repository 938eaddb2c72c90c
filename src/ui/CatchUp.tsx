'use client';

import { useLayoutEffect } from 'react';
import { catchUp } from './early';

/** At the end of every page: everything above it listens by now, and nothing was typed since. */
export function CatchUp() {
  useLayoutEffect(() => catchUp(), []);
  return null;
}
