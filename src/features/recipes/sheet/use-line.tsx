'use client';

import ButtonBase from '@mui/material/ButtonBase';
import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { useWatch } from 'react-hook-form';
import { hazardsIn } from '@/core/recipe/hazards';
import { partOf } from '@/core/recipe/written';
import styles from '../recipes.module.css';
import type { SheetForm } from './use-sheet-form';

/** What a line is to itself, read or open: its place in the order with the handle to move it, and what in it hurts. */
export function useLine({ form, reading, hazards }: SheetForm, id: string, index: number) {
  const line = useWatch({ control: form.control, name: `lines.${index}` });
  const { setNodeRef, attributes, listeners, transform, transition } = useSortable({ id });
  const read = reading.each[index];
  const part = read?.ok ? partOf(read.value.line) : line.part;
  return {
    line,
    read,
    part,
    hurts: hazardsIn(
      [{ ndb: line.ndb, words: line.preparation ?? '', part, moment: line.moment, strained: line.strained ?? false }],
      hazards,
    ),
    item: {
      ref: setNodeRef,
      style: { transform: CSS.Translate.toString(transform), transition },
      'data-line': index,
    },
    handle: (
      <ButtonBase className={styles.handle} aria-label={`Move line ${index + 1}`} {...attributes} {...listeners}>
        ⠿
      </ButtonBase>
    ),
  };
}
