'use client';

import { usePathname } from 'next/navigation';
import { useFocusOnChange } from './next-act';

/** Where another room was gone to, the focus goes on to its first act; a page that was loaded is left as it is. */
export function Arrival() {
  useFocusOnChange(usePathname());
  return null;
}
