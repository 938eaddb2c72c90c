'use client';

import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { useWatch } from 'react-hook-form';
import { hazardsIn, sayHazard } from '@/core/recipe/hazards';
import { partOf, sayWhatGoes } from '@/core/recipe/written';
import { fillOfPart } from '@/ui/badges/part-fill';
import { useUnits } from '@/ui/units';
import styles from './lines.module.css';
import { AskBone } from './AskBone';
import { sayRange } from './LineRow';
import type { SheetForm } from './use-sheet-form';
import type { Protein } from '@/core/recipe/protein';

interface LineReadProps {
  id: string;
  index: number;
  sheet: SheetForm;
  protein: Protein;
  onOpen: () => void;
}

/** A line to be read: the cook's words large, grams beside, the table's name as the small print. A press opens it. */
export function LineRead({ id, index, sheet, protein, onOpen }: LineReadProps) {
  const { inMass } = useUnits();
  const { form, known, hazards, reading, bought } = sheet;
  const line = useWatch({ control: form.control, name: `lines.${index}` });
  const { setNodeRef, attributes, listeners, transform, transition } = useSortable({ id });
  const read = reading.each[index];
  const source = known.get(line.ndb);
  const food = source?.food;
  const words = line.preparation?.trim() || (food?.name ?? '');
  const mass = bought.get(index);
  const part = read?.ok ? partOf(read.value.line) : line.part;
  const goes = read?.ok ? sayWhatGoes(read.value.line) : undefined;
  const range = read?.ok ? sayRange(read.value.quantity, inMass) : undefined;
  const hurts = hazardsIn(
    [{ ndb: line.ndb, words: line.preparation ?? '', part, moment: line.moment, strained: line.strained ?? false }],
    hazards,
  );
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={styles.read}
      data-line={index}
    >
      <button
        type="button"
        className={styles.handle}
        aria-label={`Move line ${index + 1}`}
        {...attributes}
        {...listeners}
      >
        ⠿
      </button>
      <button
        type="button"
        className={styles.open}
        aria-label={`Change line ${index + 1}: ${line.amount} ${words}`}
        onClick={onOpen}
      >
        <svg width="26" height="26" aria-hidden>
          <rect
            x="1"
            y="1"
            width="24"
            height="24"
            fill={fillOfPart(part, protein)}
            stroke="var(--slate)"
            strokeWidth="1.5"
          />
        </svg>
        <span className={styles.words}>
          {line.amount} {words}
          <span className={styles.print}>
            {[food && food.name !== words ? food.name : undefined, goes, range].filter(Boolean).join(' · ')}
          </span>
        </span>
        <b className={styles.grams}>{mass === undefined ? '?' : mass === 0 ? 'not taken' : inMass(mass)}</b>
      </button>
      {source && (line.bone ?? '').trim() !== '0' && (
        <div className={styles.asks}>
          <AskBone sheet={sheet} index={index} known={source} />
        </div>
      )}
      {hurts.map(({ hazard }) => (
        <p key={hazard.id} className={hazard.level === 'never' ? styles.never : styles.hurt} role="status">
          {sayHazard(hazard)}
        </p>
      ))}
    </li>
  );
}
