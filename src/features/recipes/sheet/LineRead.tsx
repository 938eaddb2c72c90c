'use client';

import ButtonBase from '@mui/material/ButtonBase';
import { sayHazard } from '@/core/recipe/hazards';
import { sayWhatGoes } from '@/core/recipe/written';
import { Caution } from '@/ui/Caution';
import { fillOfPart } from '@/ui/badges/part-fill';
import { useUnits } from '@/ui/units';
import styles from './lines.module.css';
import { AskBone } from './AskBone';
import { sayRange } from './LineRow';
import { useLine } from './use-line';
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
  const { known, bought } = sheet;
  const { line, read, part, hurts, item, handle } = useLine(sheet, id, index);
  const source = known.get(line.ndb);
  const food = source?.food;
  const words = line.preparation?.trim() || (food?.name ?? '');
  const mass = bought.get(index);
  const goes = read?.ok ? sayWhatGoes(read.value.line) : undefined;
  const range = read?.ok ? sayRange(read.value.quantity, inMass) : undefined;
  return (
    <li {...item} className={styles.read}>
      {handle}
      <ButtonBase
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
      </ButtonBase>
      {source && (line.bone ?? '').trim() !== '0' && (
        <div className={styles.asks}>
          <AskBone sheet={sheet} index={index} known={source} />
        </div>
      )}
      {hurts.map(({ hazard }) => (
        <Caution key={hazard.id} danger={hazard.level === 'never'} role="status" className={styles.hurt}>
          {sayHazard(hazard)}
        </Caution>
      ))}
    </li>
  );
}
