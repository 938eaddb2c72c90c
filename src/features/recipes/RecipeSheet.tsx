'use client';

import Button from '@mui/material/Button';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { toWeigh, writePounds } from '@/core/quantity/write';
import { isBlank } from '@/core/recipe/entry';
import type { LineEntry } from '@/core/recipe/entry-schema';
import { MOST_LINES } from '@/core/recipe/free-line';
import { guessPart } from '@/core/recipe/part-of-food';
import { isPreviewed } from '@/core/recipe/preview';
import { insertLines } from '@/core/recipe/rearrange';
import { recipeSheet } from '@/core/recipe/sheet';
import { sayUnread } from '@/core/unreadable';
import { Caution } from '@/ui/Caution';
import { Why } from '@/ui/Why';
import { DraftNote } from '@/ui/form/DraftNote';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { BalanceSheet } from './BalanceSheet';
import type { KnownAddition, RecipeForm } from './queries';
import { PutAway } from '@/ui/AwayList';
import { useFocusOnChange } from '@/ui/next-act';
import { useOnward } from '@/ui/setup/setup';
import { useUnits } from '@/ui/units';
import type { NewRecipeForm } from './start/queries';
import { StartRecipe } from './start/StartRecipe';
import { putAway } from './actions';
import styles from './recipes.module.css';
import { ForWhom } from './sheet/ForWhom';
import { LineList } from './sheet/LineList';
import { NotebookField, type NotebookHandle } from './sheet/NotebookField';
import { EMPTY, useSheetForm } from './sheet/use-sheet-form';
import { SumLine, Totals } from './Totals';
import { uncountedLines } from '@/core/recipe/uncounted';
import { sure } from '@/core/sure';

/** A recipe as a sheet: the lines on the left, what they come to on the right, while they are typed. */
export function RecipeSheet({ form: given }: { form: RecipeForm & Partial<NewRecipeForm> }) {
  const router = useRouter();
  const onward = useOnward('recipe');
  const { set } = useUnits();
  const { sheet, draft, undo, save, reckoned, words, unread, fit, missing, submit } = useSheetForm(given, () =>
    given.id === undefined ? onward('/recipes') : router.push('/recipes'),
  );
  const { form, entry, learn } = sheet;
  const sums = recipeSheet(reckoned, given.factors);
  const { lines } = entry;
  const shownFields = lines.flatMap((_, index) => [`lines.${index}.amount`, `lines.${index}.ndb`]);

  /** Lines that were found or proposed go before the blank paper at the end. */
  const put = (added: readonly LineEntry[]) => {
    save.clear();
    sheet.mark();
    const blank = lines.findIndex(isBlank);
    form.setValue('lines', insertLines(form.getValues('lines'), blank === -1 ? lines.length : blank, added), {
      shouldDirty: true,
    });
  };
  const take = (taken: readonly { readonly addition: KnownAddition; readonly grams: number }[]) => {
    learn(...taken.map(({ addition }) => addition));
    put(
      taken.map(({ addition, grams: mass }) => ({
        amount: set === 'us' ? writePounds(mass) : `${toWeigh(mass)} g`,
        ndb: addition.food.ndb,
        preparation: '',
        part: guessPart(addition.food),
        moment: addition.moment,
      })),
    );
  };

  // Lines that are typed and unread are read first; what they asked is shown before anything is kept.
  const notebook = useRef<NotebookHandle>(null);
  const [said, setSaid] = useState('');
  const [proposalsAt, setProposalsAt] = useState<HTMLDivElement | null>(null);
  const [keeping, setKeeping] = useState(false);
  const keep = async () => {
    if (notebook.current?.hasText() && !(await notebook.current.read())) return;
    setKeeping(true);
  };
  const latest = useRef(submit);
  useEffect(() => {
    latest.current = submit;
  });
  useEffect(() => {
    if (!keeping) return;
    latest.current();
    // The press is answered once, with the lines as they now stand.
    const done = setTimeout(() => setKeeping(false), 0);
    return () => clearTimeout(done);
  }, [keeping]);

  const notebookField = (
    <NotebookField
      room={MOST_LINES - lines.length}
      handle={notebook}
      said={said}
      onSaid={setSaid}
      first={lines.every(isBlank)}
      onFound={(found) => {
        learn(...found.lines.flatMap(({ known, choices }) => [known ?? [], choices.map((each) => each.known)].flat()));
        put(found.lines.map((line) => line.entry));
      }}
    />
  );
  const begun = given.id !== undefined || lines.length > 0 || (entry.name ?? '') !== '';
  // The page of a notebook gives way to the sheet: its name is asked first.
  useFocusOnChange(begun);
  if (!begun && given.examples)
    return (
      <div className="page">
        <StartRecipe
          examples={given.examples}
          set={given.set}
          factors={given.factors}
          profiles={given.profiles}
          notebook={notebookField}
          onExample={(example) => {
            learn(...example.foods);
            form.reset({ ...given.entry, ...example.entry }, { keepDefaultValues: true });
          }}
          onBlank={() => form.setValue('lines', [EMPTY], { shouldDirty: true })}
        />
      </div>
    );

  return (
    <form
      className="page"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      {given.unread && (
        <Caution>{sayUnread(given.unread)} The words stand: say what is asked for again, and keep it.</Caution>
      )}
      <h1 className="away">{given.id === undefined ? 'A new recipe' : given.entry.name}</h1>
      <div className={styles.columns}>
        <div className="stack">
          <div className={styles.title}>
            <Field
              label="Name of the recipe"
              placeholder="Venison, barley & parsnip"
              inputProps={entry.name === '' ? { 'data-next-act': true } : undefined}
              {...form.register('name')}
              problem={form.formState.errors.name?.message ?? save.at('name')}
              autoComplete="off"
            />
            {given.version !== undefined && (
              <p className="note">
                version {given.version} · a change makes version {given.version + 1}; batches keep the one they were
                cooked from · <Link href={`/plan?recipe=${given.id}`}>plan a batch</Link> ·{' '}
                <Link href={`/recipes/${given.id}/print`}>on paper</Link> ·{' '}
                <Link href={`/recipes/files?recipe=${given.id}`}>as a file</Link>{' '}
                <PutAway
                  kind="recipe"
                  id={sure(given.id)}
                  name={entry.name}
                  putAway={putAway}
                  onDone={() => router.push('/recipes')}
                />
              </p>
            )}
          </div>
          <DraftNote draft={draft} />
          <SumLine sheet={sums} recipeId={given.id} />
          {fit && (
            <Caution danger={fit.isTooMuch}>
              {fit.said} <Why of={fit.why} about="the fullest meal of it" />
            </Caution>
          )}
          <Problems problems={save.atHead('name', ...shownFields)} />
          {lines.length > 0 && <LineList sheet={sheet} onRearranged={save.clear} />}
          <div ref={setProposalsAt} />
          {lines.length < MOST_LINES && notebookField}
          <div className={styles.acts}>
            <div className={styles.small}>
              <Button
                variant="outlined"
                onClick={() => form.setValue('lines', [...form.getValues('lines'), EMPTY], { shouldDirty: true })}
              >
                One more line
              </Button>
              <Button variant="text" disabled={!undo.undo} onClick={undo.undo}>
                undo
              </Button>
              <Button variant="text" disabled={!undo.redo} onClick={undo.redo}>
                redo
              </Button>
              <Button variant="text" onClick={() => addVessel()}>
                cook some of it apart
              </Button>
            </div>
          </div>
          <Field
            label="Next time"
            placeholder="less water, kale cut finer"
            autoComplete="off"
            hint={given.noted && `so far: ${given.noted}`}
            {...form.register('note')}
          />
          <div>
            <Button type="submit" variant="contained" size="large" data-next-act disabled={save.pending}>
              {given.id === undefined ? 'Keep this recipe' : `Keep as version ${(given.version ?? 0) + 1}`}
            </Button>
            {missing && <Caution role="alert">{missing}</Caution>}
          </div>
          {reckoned.length > 0 && (
            <Totals
              sheet={sums}
              lines={reckoned}
              factors={given.factors}
              unread={unread}
              shapes={given.shapes}
              shape={entry.shape}
              known={sheet.known}
              onShape={(shape) => form.setValue('shape', shape, { shouldDirty: true })}
            />
          )}
        </div>
        <div className={`stack ${styles.balanceSide}`}>
          {reckoned.length > 0 && (
            <>
              <ForWhom
                dogs={given.dogs}
                preview={entry.preview}
                onChange={(preview) => form.setValue('preview', preview, { shouldDirty: true })}
              />
              <BalanceSheet
                lines={[...reckoned, ...uncountedLines(words)]}
                factors={given.factors}
                profiles={given.profiles}
                unread={unread}
                additions={given.additions}
                set={given.set}
                dogs={given.dogs.filter((dog) => isPreviewed(entry.preview, dog))}
                labels={given.labels}
                currency={given.currency}
                onTake={take}
                onUndo={undo.undo}
                proposalsAt={proposalsAt}
              />
            </>
          )}
        </div>
      </div>
    </form>
  );

  function addVessel() {
    const components = entry.components ?? [{ name: 'pot' }];
    form.setValue('components', [...components, { name: '' }], { shouldDirty: true });
    if (lines.every((line) => !isBlank(line))) put([{ ...EMPTY, component: components.length }]);
  }
}
