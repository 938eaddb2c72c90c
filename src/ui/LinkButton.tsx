'use client';

import Button, { type ButtonProps } from '@mui/material/Button';
import { Link } from './Link';

type LinkButtonProps = Pick<ButtonProps, 'variant' | 'size' | 'children' | 'aria-label'> & { href: string };

/** A link that looks like what to press next. */
export function LinkButton(props: LinkButtonProps) {
  return <Button {...props} component={Link} />;
}
