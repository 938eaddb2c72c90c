'use client';

import { useDroppable } from '@dnd-kit/core';
import type { LocalDate } from '@/core/calendar/local-date';

interface DropDaysProps {
  dogId: number;
  days: readonly { readonly day: LocalDate }[];
  y: number;
  xOf: (index: number) => number;
  cell: number;
  high: number;
  /** Said of each day to the pointer. */
  saidOf: (index: number) => string;
  /** A day was pressed. */
  onDay: (index: number) => void;
}

/** The days of one dog's strip, on each of which a pack can be dropped: it is kept for that day. */
export function DropDays({ dogId, days, saidOf, onDay, ...at }: DropDaysProps) {
  return (
    <>
      {days.map(({ day }, index) => (
        <DropDay
          key={day}
          id={`${dogId}|${day}`}
          x={at.xOf(index)}
          said={saidOf(index)}
          onDay={() => onDay(index)}
          {...at}
        />
      ))}
    </>
  );
}

function DropDay({
  id,
  x,
  y,
  cell,
  high,
  said,
  onDay,
}: {
  id: string;
  x: number;
  y: number;
  cell: number;
  high: number;
  said: string;
  onDay: () => void;
}) {
  const { setNodeRef, isOver } = useDroppable({ id });
  return (
    <rect
      // It measures by the box on the screen, which an SVG's rectangle has as well.
      ref={(node) => setNodeRef(node as unknown as HTMLElement | null)}
      x={x}
      y={y - 2}
      width={cell}
      height={high + 4}
      fill="transparent"
      stroke={isOver ? 'var(--carrot)' : 'none'}
      strokeWidth="3"
      data-said={said}
      style={{ cursor: 'pointer' }}
      onClick={onDay}
    />
  );
}
