'use client';

import Button from '@mui/material/Button';
import { useWatch } from 'react-hook-form';
import type { KnownFood } from '@/core/food/food';
import { boneIn } from '@/core/recipe/bone';
import { Field } from '@/ui/form/Field';
import styles from '../recipes.module.css';
import type { SheetForm } from './use-sheet-form';

/** Bone in a line: its usual share, or how much of it there is here; one press says that it was boned. */
export function AskBone({ sheet, index, known }: { sheet: SheetForm; index: number; known: KnownFood }) {
  const { form, reading } = sheet;
  const line = useWatch({ control: form.control, name: `lines.${index}` });
  const bone = boneIn(line.preparation ?? '', known.food);
  const typed = (line.bone ?? '').trim();
  if (!bone && typed === '') return null;
  const set = (value: string) => form.setValue(`lines.${index}.bone`, value, { shouldDirty: true });
  if (typed === '0')
    return (
      <p className={styles.small}>
        <span className="note">boned: no bone is counted</span>
        <Button variant="text" size="small" onClick={() => set('')}>
          bone is in
        </Button>
      </p>
    );
  const read = reading.each[index];
  const wrong = read && !read.ok && read.problem.field === 'bone' ? read.problem.message : undefined;
  return (
    <div className={styles.weighOnce} role="group" aria-label={`Bone in line ${index + 1}`}>
      <Field
        label="Bone"
        unit="%"
        inputMode="decimal"
        autoComplete="off"
        placeholder={bone?.share === undefined ? '?' : String(Math.round(bone.share * 100))}
        {...form.register(`lines.${index}.bone`)}
        problem={wrong}
      />
      <Button variant="outlined" size="small" onClick={() => set('0')}>
        I bone it
      </Button>
      <p className="note" role="status">
        {bone?.share === undefined
          ? 'How much of its weight is bone? Until that is said the whole line counts as meat, its calcium as unknown.'
          : `About ${Math.round(bone.share * 100)} % of its weight is bone (common practice, no source): calcium and phosphorus are unknown.`}
      </p>
    </div>
  );
}
