'use client';

import { closestCenter, DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { Fragment } from 'react';
import { useFieldArray } from 'react-hook-form';
import { moveLine, removeLine } from '@/core/recipe/rearrange';
import styles from '../recipes.module.css';
import { ComponentHead } from './ComponentHead';
import { LineRow } from './LineRow';
import type { SheetForm } from './use-sheet-form';
import { nth } from '@/core/sure';

interface LineListProps {
  sheet: SheetForm;
  onRearranged: () => void;
}

/** The lines in their order, under the vessel that they are cooked in; taken by the handle with finger, mouse or keys. */
export function LineList({ sheet, onRearranged }: LineListProps) {
  const { form, entry } = sheet;
  const lines = useFieldArray({ control: form.control, name: 'lines' });
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const components = entry.components ?? [];
  const sections = components.length > 1 ? components.map((_, place) => place) : [undefined];

  const move = (from: number, to: number) => {
    sheet.mark();
    onRearranged();
    const moved = moveLine(form.getValues('lines'), from, to);
    const target = entry.lines[to]?.component;
    moved[to] = target === undefined ? nth(moved, to) : { ...nth(moved, to), component: target };
    // Moved in place, so that the handle keeps its focus; then the bonds follow.
    lines.move(from, to);
    moved.forEach((line, index) => {
      form.setValue(`lines.${index}.perLine`, line.perLine);
      form.setValue(`lines.${index}.component`, line.component);
    });
  };
  const remove = (index: number) => {
    sheet.mark();
    onRearranged();
    form.setValue('lines', removeLine(form.getValues('lines'), index), { shouldDirty: true });
  };

  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={({ active, over }) => {
        const from = lines.fields.findIndex((field) => field.id === active.id);
        const to = lines.fields.findIndex((field) => field.id === over?.id);
        if (from !== -1 && to !== -1 && from !== to) move(from, to);
      }}
    >
      <SortableContext items={lines.fields.map((field) => field.id)} strategy={verticalListSortingStrategy}>
        {sections.map((place) => (
          <Fragment key={place ?? 'all'}>
            <ComponentHead sheet={sheet} place={place ?? 0} />
            <ol
              className={styles.lines}
              aria-label={place === undefined ? 'Lines' : `Lines of ${nth(components, place).name}`}
            >
              {lines.fields.map((field, index) =>
                place === undefined || (entry.lines[index]?.component ?? 0) === place ? (
                  <LineRow key={field.id} id={field.id} index={index} sheet={sheet} onRemove={() => remove(index)} />
                ) : null,
              )}
            </ol>
          </Fragment>
        ))}
      </SortableContext>
    </DndContext>
  );
}
