'use client';

import { useDraggable } from '@dnd-kit/core';
import Button from '@mui/material/Button';
import { Link } from '@/ui/Link';
import type { KeyboardEvent } from 'react';
import styles from './ahead.module.css';
import type { AheadDay } from './queries';

interface PackOfDayProps {
  dog: { readonly dogId: number; readonly name: string };
  pack: AheadDay['packs'][number];
  /** The day before this one and the one after it, in words; undefined: there is none. */
  before: string | undefined;
  after: string | undefined;
  pending: boolean;
  /** It was moved a moment ago: the keys stay with it. */
  moved: boolean;
  /** Keeps it for a day that is so many days from this one. */
  onShift: (days: -1 | 1) => void;
  onFree: () => void;
}

/** A pack that feeds a dog on a day: taken by its code it can be dropped on another day, or moved there by the arrow keys. */
export function PackOfDay({ dog, pack, before, after, pending, moved, onShift, onFree }: PackOfDayProps) {
  const { setNodeRef, listeners, transform } = useDraggable({
    id: `${dog.dogId}|${pack.code}`,
    data: { holdingId: pack.holdingId },
  });
  const { code, holdingId } = pack;
  const onKeyDown = (event: KeyboardEvent) => {
    const days = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : undefined;
    if (days === undefined || (days === 1 ? after : before) === undefined || pending) return;
    event.preventDefault();
    onShift(days);
  };
  return (
    <span className={styles.pack}>
      {holdingId === undefined ? (
        <b>{code}</b>
      ) : (
        <Button
          ref={setNodeRef}
          className={styles.grip}
          variant="outlined"
          size="small"
          {...listeners}
          style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)`, zIndex: 5 } : {}}
          aria-label={`${code} for ${dog.name}: left or right keeps it for another day`}
          data-next-act={moved || undefined}
          onKeyDown={onKeyDown}
        >
          <span aria-hidden>⠿</span> {code}
        </Button>
      )}{' '}
      <span className="soft">{pack.said}</span>{' '}
      {holdingId !== undefined && (
        <span className={styles.shift}>
          {before !== undefined && (
            <Button
              variant="text"
              size="small"
              disabled={pending}
              aria-label={`Keep ${code} for ${dog.name} on ${before}`}
              onClick={() => onShift(-1)}
            >
              ‹ {before}
            </Button>
          )}
          {after !== undefined && (
            <Button
              variant="text"
              size="small"
              disabled={pending}
              aria-label={`Keep ${code} for ${dog.name} on ${after}`}
              onClick={() => onShift(1)}
            >
              {after} ›
            </Button>
          )}
          {pack.held && (
            <Button variant="text" size="small" disabled={pending} aria-label={`Let ${code} go`} onClick={onFree}>
              let it go
            </Button>
          )}
          <Link href={`/store?pack=${code}`} aria-label={`${code} in hand`}>
            in hand
          </Link>
        </span>
      )}
    </span>
  );
}
