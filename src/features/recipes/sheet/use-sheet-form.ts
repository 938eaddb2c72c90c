'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useForm, useWatch, type UseFormReturn } from 'react-hook-form';
import type { KnownFood } from '@/core/food/food';
import { measuredRecipe } from '@/core/plan/figures';
import { recipeFit } from '@/core/plan/recipe-fit';
import type { UnitSet } from '@/core/quantity/units';
import { atPreview, boughtAt, linesAt, type ReckonedLine } from '@/core/recipe/bases';
import { isBlank, readLines, type ReadEntry } from '@/core/recipe/entry';
import { recipeEntrySchema, type LineAsk, type LineEntry, type RecipeEntry } from '@/core/recipe/entry-schema';
import type { Hazard } from '@/core/recipe/hazards';
import { isPreviewed, previewOf, USUAL_DAYS } from '@/core/recipe/preview';
import type { Basis } from '@/core/recipe/recipe';
import { guessPart } from '@/core/recipe/part-of-food';
import { withoutBlank } from '@/core/recipe/rearrange';
import { stateOf } from '@/core/recipe/written';
import { uncountedOf } from '@/core/recipe/uncounted';
import { useCommand } from '@/ui/form/use-command';
import { useDraft } from '@/ui/form/use-draft';
import { saveMeaning, saveRecipe } from '../actions';
import type { RecipeForm } from '../queries';
import { firstMissing, goTo } from './first-missing';
import { useKnownFoods } from './use-known-foods';
import { useUndo } from './use-undo';
import { nth } from '@/core/sure';

const BY_DOG: ReadonlySet<Basis> = new Set(['dog and day', 'body weight and day']);

export const EMPTY: LineEntry = { amount: '', ndb: '', preparation: '', part: 'muscle', moment: 'cook' };

/** What the lines of the sheet need to know of it. */
export interface SheetForm {
  readonly form: UseFormReturn<RecipeEntry>;
  readonly entry: RecipeEntry;
  readonly known: ReadonlyMap<string, KnownFood>;
  readonly learn: (...foods: readonly KnownFood[]) => void;
  readonly set: UnitSet;
  readonly hazards: readonly Hazard[];
  readonly reading: ReadEntry;
  /** What the lines come to for the preview. */
  readonly reckoned: readonly ReckonedLine[];
  /** What of each typed line is bought for the preview, in g. */
  readonly bought: ReadonlyMap<number, number>;
  readonly tried: boolean;
  /** Called before lines are put in, taken out or matched anew: an undo then takes back just that. */
  readonly mark: () => void;
  readonly problemAt: (field: string) => string | undefined;
  /** Takes one of the foods that a line asks about; the household means it by these words from now on. */
  readonly answer: (index: number, choice: LineAsk['choices'][number]) => void;
}

/** A recipe while it is written: its draft, what core reads of it, what it comes to, and the way to keep it. */
export function useSheetForm(given: RecipeForm, onKept: () => void) {
  const slot = `recipe-${given.id ?? 'new'}-${given.version ?? 0}`;
  const form = useForm<RecipeEntry, unknown, RecipeEntry>({
    defaultValues: given.entry,
    resolver: zodResolver(recipeEntrySchema),
  });
  const { known, learn } = useKnownFoods(given.foods, slot);
  const draft = useDraft(form, slot, recipeEntrySchema);
  const undo = useUndo(form);
  const [tried, setTried] = useState(false);
  const [missing, setMissing] = useState<string>();
  const save = useCommand(saveRecipe, slot, () => {
    draft.forget();
    onKept();
  });
  const meaning = useCommand(saveMeaning, `meaning-${slot}`);
  const entry = useWatch({ control: form.control }) as RecipeEntry;
  const lines = entry.lines ?? [];
  const reading = readLines(lines, (key) => known.get(key), given.set);
  // Until the cook says for whom, lines by dog and day are shown for all dogs and a week, and said so.
  const preview = entry.preview ?? (given.dogs.length > 0 ? previewOf(given.dogs, USUAL_DAYS) : undefined);
  const at = atPreview(preview);
  const masses = boughtAt(reading.written, at);
  const reckoned: readonly ReckonedLine[] = linesAt(reading.written, at);
  const words = uncountedOf(lines, given.set);
  const unread = lines.filter((line, index) => !isBlank(line) && !reading.each[index]?.ok).length;

  // What a meal of it weighs is known once every line is read.
  const forDogs = given.dogs.filter((dog) => isPreviewed(entry.preview, dog));
  const fit =
    unread > 0
      ? undefined
      : recipeFit(measuredRecipe(reading.written, given.pots, given.factors), masses, forDogs, given.id);

  const answer: SheetForm['answer'] = (index, choice) => {
    undo.mark();
    const asked = lines[index]?.ask?.words;
    // Its own amount is only this line's; the same words elsewhere on the sheet are answered with it.
    const meant = choice.amount === undefined && asked !== undefined && asked !== '';
    const chosen = known.get(choice.ndb);
    lines.forEach((line, at) => {
      if (at !== index && !(meant && line.ask?.words === asked)) return;
      form.setValue(`lines.${at}.ask`, undefined);
      form.setValue(`lines.${at}.ndb`, choice.ndb, { shouldDirty: true });
      if (choice.amount !== undefined) form.setValue(`lines.${at}.amount`, choice.amount);
      if (!chosen) return;
      form.setValue(`lines.${at}.part`, guessPart(chosen.food));
      form.setValue(`lines.${at}.state`, stateOf(chosen.food.name));
    });
    if (meant) meaning.run({ words: asked, key: choice.ndb });
  };

  // Blank lines are paper, not lines: they are not sent, and the rest keeps its place.
  const submit = (values: RecipeEntry) => {
    setTried(true);
    const kept = withoutBlank(values.lines);
    if (kept.length < values.lines.length) form.setValue('lines', kept);
    const missing = firstMissing({ ...values, lines: kept }, (key) => known.get(key), given.set);
    setMissing(missing?.said);
    if (missing) {
      // After the sheet has shown what is missing, so that the field is there to be gone to.
      setTimeout(() => goTo(missing), 0);
      return;
    }
    const byDog = reading.written.some(({ basis }) => BY_DOG.has(basis));
    save.run({
      id: given.id,
      entry: { ...values, lines: kept, ...(byDog && preview ? { preview } : {}) },
    });
  };
  const sheet: SheetForm = {
    form,
    entry: { ...entry, lines },
    known,
    learn,
    set: given.set,
    hazards: given.hazards,
    reading,
    reckoned,
    bought: new Map(
      reading.places.flatMap((place, index) => {
        // Without a dog a line by dog and day has no weight yet: unknown, not 0.
        const unknown = masses[index] === 0 && BY_DOG.has(nth(reading.written, index).basis);
        return unknown ? [] : [[place, nth(masses, index)] as const];
      }),
    ),
    tried,
    mark: undo.mark,
    problemAt: save.at,
    answer,
  };
  return {
    sheet,
    draft,
    undo,
    save,
    reckoned,
    words,
    unread,
    fit,
    missing,
    submit: () => void form.handleSubmit(submit)(),
  };
}
