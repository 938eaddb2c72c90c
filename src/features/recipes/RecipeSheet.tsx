'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useFieldArray, useForm, useWatch } from 'react-hook-form';
import { readLineAmount } from '@/core/recipe/entry';
import { writeGrams } from '@/core/quantity/write';
import { guessPart } from '@/core/recipe/part-of-food';
import type { WeighedLine } from '@/core/recipe/recipe';
import { DraftNote } from '@/ui/form/DraftNote';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useDraft } from '@/ui/form/use-draft';
import { saveRecipe } from './actions';
import { BalanceSheet } from './BalanceSheet';
import { LineRow } from './LineRow';
import type { KnownFood } from '@/core/food/food';
import type { KnownAddition, RecipeForm } from './queries';
import styles from './recipes.module.css';
import { recipeEntrySchema, type LineEntry, type RecipeEntry } from './schema';
import { Totals } from './Totals';

const EMPTY: LineEntry = { amount: '', ndb: '', preparation: '', part: 'muscle', moment: 'cook' };

/** A recipe as a sheet: the lines on the left, what they come to on the right, while they are typed. */
export function RecipeSheet({ form: given }: { form: RecipeForm }) {
  const router = useRouter();
  const slot = `recipe-${given.id ?? 'new'}-${given.version ?? 0}`;
  const form = useForm<RecipeEntry>({
    defaultValues: { ...given.entry, lines: given.entry.lines.length > 0 ? given.entry.lines : [EMPTY, EMPTY, EMPTY] },
    resolver: zodResolver(recipeEntrySchema),
  });
  const { known, learn } = useKnownFoods(given.foods, slot);
  const draft = useDraft(form, slot);
  const lines = useFieldArray({ control: form.control, name: 'lines' });
  const [tried, setTried] = useState(false);
  const save = useCommand(saveRecipe, slot, () => {
    draft.forget();
    router.push('/recipes');
  });
  const entry = useWatch({ control: form.control }) as RecipeEntry;
  const isBlank = (line: LineEntry) => line.amount.trim() === '' && line.ndb === '';
  const weighed = (entry.lines ?? []).map((line): WeighedLine | undefined => {
    const food = known.get(line.ndb);
    const read = food && readLineAmount(line.amount, food.food, food.measures, given.set);
    return food && read?.ok
      ? {
          text: line.preparation?.trim() || food.food.name,
          grams: read.value.grams,
          food: food.food,
          part: line.part,
          moment: line.moment,
        }
      : undefined;
  });
  const counted = weighed.filter((line) => line !== undefined);
  const uncounted = (entry.lines ?? []).filter((line, index) => !isBlank(line) && !weighed[index]).length;
  const shownFields = (entry.lines ?? []).flatMap((_, index) => [`lines.${index}.amount`, `lines.${index}.ndb`]);

  /** A proposed addition becomes a line like any other, before the blank paper at the end. */
  const take = (addition: KnownAddition, mass: number) => {
    learn(addition);
    const blank = (entry.lines ?? []).findIndex(isBlank);
    const line: LineEntry = {
      amount: writeGrams(mass),
      ndb: addition.food.ndb,
      preparation: '',
      part: guessPart(addition.food),
      moment: addition.moment,
    };
    lines.insert(blank === -1 ? (entry.lines ?? []).length : blank, line);
  };

  // Blank lines at the end are paper, not lines: they are not sent, and the rest keeps its place.
  const submit = (values: RecipeEntry) => {
    setTried(true);
    const kept = values.lines.filter((line) => !isBlank(line));
    if (kept.length < values.lines.length) form.setValue('lines', kept.length > 0 ? kept : [EMPTY]);
    save.run({ id: given.id, entry: { ...values, lines: kept } });
  };

  return (
    <form className="page" noValidate onSubmit={(event) => void form.handleSubmit(submit)(event)}>
      <h1 className="away">{given.id === undefined ? 'A new recipe' : given.entry.name}</h1>
      <div className={styles.columns}>
        <div className="stack">
          <div className={styles.title}>
            <Field
              label="Name of the recipe"
              placeholder="Venison, barley & parsnip"
              {...form.register('name')}
              problem={form.formState.errors.name?.message ?? save.at('name')}
              autoComplete="off"
            />
            {given.version !== undefined && (
              <p className="note">
                version {given.version} · a change makes version {given.version + 1}; batches keep the one they were
                cooked from · <Link href={`/plan?recipe=${given.id}`}>plan a batch</Link>
              </p>
            )}
          </div>
          <DraftNote draft={draft} />
          <Problems problems={save.atHead('name', ...shownFields)} />
          <ol className={styles.lines}>
            {lines.fields.map((field, index) => (
              <LineRow
                key={field.id}
                form={form}
                index={index}
                known={known}
                learn={learn}
                hazards={given.hazards}
                set={given.set}
                problemAt={save.at}
                tried={tried && !isBlank(entry.lines?.[index] ?? EMPTY)}
                onRemove={() => {
                  save.clear();
                  lines.remove(index);
                }}
              />
            ))}
          </ol>
          <div className={styles.acts}>
            <Button variant="outlined" onClick={() => lines.append(EMPTY)}>
              One more line
            </Button>
            <Button type="submit" variant="contained" size="large" disabled={save.pending}>
              {given.id === undefined ? 'Keep this recipe' : `Keep as version ${(given.version ?? 0) + 1}`}
            </Button>
          </div>
        </div>
        <div className="stack">
          <Totals lines={counted} factors={given.factors} uncounted={uncounted} />
          {counted.length > 0 && (
            <BalanceSheet
              lines={counted}
              factors={given.factors}
              profiles={given.profiles}
              uncounted={uncounted}
              additions={given.additions}
              set={given.set}
              onTake={take}
            />
          )}
        </div>
      </div>
    </form>
  );
}

/** The foods that the form has met, kept over a reload with the draft that names them. */
function useKnownFoods(first: readonly KnownFood[], slot: string) {
  const key = `hodman-foods-${slot}`;
  const [known, setKnown] = useState<ReadonlyMap<string, KnownFood>>(() => {
    const kept = typeof sessionStorage === 'undefined' ? null : sessionStorage.getItem(key);
    const before = kept ? (JSON.parse(kept) as KnownFood[]) : [];
    return new Map([...first, ...before].map((each) => [each.food.ndb, each]));
  });
  const learn = (food: KnownFood) => {
    const next = new Map(known).set(food.food.ndb, food);
    setKnown(next);
    sessionStorage.setItem(key, JSON.stringify([...next.values()]));
  };
  return { known, learn };
}
