'use client';

import Button from '@mui/material/Button';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import { isDried } from '@/core/preserve/shelf-life';
import { FOUND_KINDS, typedExpected, type FoundEntry } from '@/core/stock/found';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { PrintLabels } from '@/ui/labels/PrintLabels';
import { EmptyRoom } from '@/ui/room';
import { useUnits } from '@/ui/units';
import { foundPacks } from '../actions';
import styles from '../store.module.css';
import { useDone } from '../use-done';
import type { FoundView } from './queries';

const KIND_WORDS = {
  cooked: 'cooked, wet',
  raw: 'raw',
  dehydrated: 'dehydrated',
  'freeze-dried': 'freeze-dried',
} as const;

const FIELDS = ['count', 'grams', 'kcalPer100', 'waterPer100', 'packedOn', 'placeId'];

/** Packs that lay in the freezer before the first pot was written down: so many alike, each gets a code. */
export function Found({ view }: { view: FoundView }) {
  const { scaleUnit } = useUnits();
  const [first] = view.recipes;
  const freezer = view.places.find(({ kind }) => kind === 'freezer') ?? view.places[0];
  const [entry, setEntry] = useState<FoundEntry>({
    recipeId: first?.id ?? 1,
    kind: 'cooked',
    placeId: freezer?.id ?? 1,
    count: '1',
    grams: '',
    ...typedExpected(first?.expected, 'cooked'),
    packedOn: '',
  });
  const [dogId, setDogId] = useState<number>();
  const [made, setMade] = useState<{ readonly codes: readonly string[]; readonly ids: readonly number[] }>();
  const done = useDone('found-back');
  const save = useCommand(foundPacks, 'found-packs', ({ codes, holdingIds, movementIds }) => {
    done.tell(`${codes.join(', ')}: write the codes on them.`, movementIds);
    setMade({ codes, ids: holdingIds });
    setEntry((now) => ({ ...now, grams: '', count: '1' }));
  });
  const change = (part: Partial<FoundEntry>) => {
    save.clear();
    const next = { ...entry, ...part };
    const isOther = part.recipeId !== undefined || part.kind !== undefined;
    const expected = view.recipes.find(({ id }) => id === next.recipeId)?.expected;
    setEntry(isOther ? { ...next, ...typedExpected(expected, next.kind) } : next);
  };
  if (!first)
    return (
      <EmptyRoom title="No recipe yet" act={{ href: '/recipes/new', label: 'Write a recipe' }}>
        A pack that was found is of some recipe: that is where its code and its energy come from.
      </EmptyRoom>
    );
  const place = view.places.find(({ id }) => id === entry.placeId);
  return (
    <div className="page stack">
      <div className="titleRow">
        <h1>Found, and nobody sealed it here</h1>
        <p className="soft">
          <Link href="/store">to the Store</Link>
        </p>
      </div>
      <form
        className="stack"
        style={{ maxWidth: 640 }}
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          save.run(dogId === undefined ? entry : { ...entry, dogId });
        }}
      >
        <div className={styles.foundFields}>
          <Choice
            label="It is"
            value={String(entry.recipeId)}
            options={view.recipes.map(({ id, name }) => ({ value: String(id), label: name }))}
            onChange={(id) => change({ recipeId: Number(id) })}
          />
          <Choice
            label="It was"
            value={entry.kind}
            options={FOUND_KINDS.map((value) => ({ value, label: KIND_WORDS[value] }))}
            onChange={(kind) => change({ kind })}
          />
          <Field
            label="How many alike"
            inputMode="numeric"
            autoComplete="off"
            value={entry.count}
            onChange={(event) => change({ count: event.target.value })}
            problem={save.at('count')}
          />
          <Field
            label="Each holds"
            unit={scaleUnit}
            inputMode="decimal"
            autoComplete="off"
            value={entry.grams}
            onChange={(event) => change({ grams: event.target.value })}
            problem={save.at('grams')}
          />
          <Choice
            label="It lies in the"
            value={String(entry.placeId)}
            options={view.places.map(({ id, name }) => ({ value: String(id), label: name.toLowerCase() }))}
            onChange={(id) => change({ placeId: Number(id) })}
          />
          <Field
            label="Packed on"
            type="date"
            value={entry.packedOn}
            onChange={(event) => change({ packedOn: event.target.value })}
            problem={save.at('packedOn') ?? save.at('placeId')}
            hint={place?.kind === 'freezer' ? 'empty: nobody knows, it is fed first' : 'without it, away with it'}
          />
          <Choice
            label="For"
            value={String(dogId ?? '')}
            options={[
              { value: '', label: 'any of them' },
              ...view.dogs.map(({ id, name }) => ({ value: String(id), label: name })),
            ]}
            onChange={(id) => {
              save.clear();
              setDogId(id === '' ? undefined : Number(id));
            }}
          />
          <Field
            label="In 100 g of it"
            unit="kcal"
            inputMode="decimal"
            autoComplete="off"
            value={entry.kcalPer100}
            onChange={(event) => change({ kcalPer100: event.target.value })}
            problem={save.at('kcalPer100')}
            hint="perhaps: as the recipe comes to"
          />
          {isDried(entry.kind) && (
            <Field
              label="Water for 100 g"
              unit="mL"
              inputMode="decimal"
              autoComplete="off"
              value={entry.waterPer100}
              onChange={(event) => change({ waterPer100: event.target.value })}
              problem={save.at('waterPer100')}
              hint="perhaps: as the recipe comes to"
            />
          )}
        </div>
        <Problems problems={save.atHead(...FIELDS)} />
        <div>
          <Button type="submit" variant="contained" size="large" disabled={save.pending}>
            It is in the books
          </Button>
        </div>
      </form>
      <Problems problems={done.problems} />
      {made && (
        <section aria-labelledby="made">
          <h2 id="made">{made.codes.join(', ')}</h2>
          <PrintLabels holdingIds={[...made.ids]} />
        </section>
      )}
      {done.bar}
    </div>
  );
}
