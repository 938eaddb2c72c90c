'use client';

import { closestCenter, DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { Fragment, useState } from 'react';
import { useFieldArray } from 'react-hook-form';
import { isBlank } from '@/core/recipe/entry';
import { proteinOf } from '@/core/recipe/protein';
import { moveLine, removeLine } from '@/core/recipe/rearrange';
import { MOMENTS, type Moment } from '@/core/recipe/recipe';
import styles from '../recipes.module.css';
import { useFocusOnChange } from '@/ui/next-act';
import readStyles from './lines.module.css';
import { LineRead } from './LineRead';
import { ComponentHead } from './ComponentHead';
import { LineRow } from './LineRow';
import type { SheetForm } from './use-sheet-form';
import { nth } from '@/core/sure';

/** When the lines under it go in. */
const MOMENT_HEADS: Readonly<Record<Moment, string>> = {
  cook: 'Cooked',
  'off heat': 'Off the heat',
  'stir-in': 'Stirred in after cooling',
  raw: 'Not cooked',
  bowl: 'In the bowl',
};

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
  const places = components.length > 1 ? components.map((_, place) => place) : [0];
  const protein = proteinOf(sheet.reckoned);
  const [chosen, setChosen] = useState<string>();
  // Past the last line the focus goes on to keeping the recipe.
  useFocusOnChange(chosen);
  const componentOf = (index: number) => (places.length > 1 ? (entry.lines[index]?.component ?? 0) : 0);
  /** A line that asks something, or says nothing yet, stands open; the rest are read. */
  const isOpen = (id: string, index: number) => {
    const line = entry.lines[index];
    const read = sheet.reading.each[index];
    return id === chosen || !line || line.words === true || line.ask !== undefined || isBlank(line) || !read?.ok;
  };
  // From the last control of a line on to the next one, in the order in which they are read.
  const inOrder = places.flatMap((place) =>
    MOMENTS.flatMap((moment) =>
      lines.fields.flatMap(({ id }, index) =>
        componentOf(index) === place && (entry.lines[index]?.moment ?? 'cook') === moment ? [{ id, index }] : [],
      ),
    ),
  );
  const goOn = (id: string) => setChosen(inOrder[inOrder.findIndex((each) => each.id === id) + 1]?.id);

  const move = (from: number, to: number) => {
    sheet.mark();
    onRearranged();
    const moved = moveLine(form.getValues('lines'), from, to);
    const target = entry.lines[to];
    moved[to] = {
      ...nth(moved, to),
      ...(target?.component === undefined ? {} : { component: target.component }),
      ...(target === undefined ? {} : { moment: target.moment }),
    };
    // Moved in place, so that the handle keeps its focus; then the bonds follow.
    lines.move(from, to);
    moved.forEach((line, index) => {
      form.setValue(`lines.${index}.perLine`, line.perLine);
      form.setValue(`lines.${index}.component`, line.component);
      form.setValue(`lines.${index}.moment`, line.moment);
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
      <SortableContext items={inOrder.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
        {places.map((place) => (
          <Fragment key={place}>
            <ComponentHead sheet={sheet} place={place} />
            {MOMENTS.map((moment) => {
              const own = inOrder.filter(
                ({ index }) => componentOf(index) === place && (entry.lines[index]?.moment ?? 'cook') === moment,
              );
              if (own.length === 0) return null;
              const name =
                places.length > 1 ? `${MOMENT_HEADS[moment]}, ${nth(components, place).name}` : MOMENT_HEADS[moment];
              return (
                <Fragment key={moment}>
                  {moment !== 'cook' && <h2 className={readStyles.moment}>{MOMENT_HEADS[moment]}</h2>}
                  <ol className={styles.lines} aria-label={`Lines: ${name}`}>
                    {own.map(({ id, index }) =>
                      isOpen(id, index) ? (
                        <LineRow
                          key={id}
                          id={id}
                          index={index}
                          sheet={sheet}
                          chosen={id === chosen}
                          onHand={() => setChosen(id)}
                          onRemove={() => remove(index)}
                          onOn={() => goOn(id)}
                        />
                      ) : (
                        <LineRead
                          key={id}
                          id={id}
                          index={index}
                          sheet={sheet}
                          protein={protein}
                          onOpen={() => setChosen(id)}
                        />
                      ),
                    )}
                  </ol>
                </Fragment>
              );
            })}
          </Fragment>
        ))}
      </SortableContext>
    </DndContext>
  );
}
