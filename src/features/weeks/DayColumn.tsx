'use client';

import { useDraggable, useDroppable } from '@dnd-kit/core';
import { isFree } from '@/core/weeks/said';
import type { WeeksDay } from './queries';
import styles from './weeks.module.css';

interface DayColumnProps {
  day: WeeksDay;
  index: number;
  x: number;
  y: number;
  width: number;
  height: number;
  said: string;
  disabled: boolean;
  onDay: (index: number) => void;
}

/** A day of the picture: pressed it is the day in hand; a cook day is taken from here and dropped on a free one. */
export function DayColumn({ day, index, said, disabled, onDay, ...place }: DayColumnProps) {
  const {
    setNodeRef: take,
    listeners,
    isDragging,
  } = useDraggable({
    id: `cook ${index}`,
    data: { index },
    disabled: disabled || day.pots.length === 0,
  });
  const { setNodeRef: put, isOver } = useDroppable({
    id: `day ${index}`,
    data: { index },
    disabled: disabled || !isFree(day),
  });
  return (
    <rect
      ref={(node) => {
        // It is measured as every element is, though its type says it is none of HTML.
        const element = node as unknown as HTMLElement | null;
        take(element);
        put(element);
      }}
      {...place}
      className={[
        styles.column,
        isDragging ? styles.taken : '',
        isOver ? styles.over : '',
        day.pots.length > 0 ? styles.grip : '',
      ]
        .filter(Boolean)
        .join(' ')}
      data-said={said}
      onClick={() => onDay(index)}
      {...listeners}
    />
  );
}
