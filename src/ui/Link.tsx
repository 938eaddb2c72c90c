'use client';

import NextLink from 'next/link';
import type { ComponentProps } from 'react';

/**
 * A way to another room, fetched when it is pressed: every room is made from the house's data of that moment, so that
 * what could be had ahead of the press holds nothing and costs the house its work all the same.
 */
export const Link = (props: Omit<ComponentProps<typeof NextLink>, 'prefetch'>) => (
  <NextLink {...props} prefetch={false} />
);
