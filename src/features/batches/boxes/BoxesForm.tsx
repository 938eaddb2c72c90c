'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useState } from 'react';
import { z } from 'zod';
import { boxesSchema, figuresOf, isByTurns, readBoxes } from '@/core/portion/boxes';
import { writeKcal } from '@/core/quantity/write';
import { sure } from '@/core/sure';
import { Fold } from '@/ui/Fold';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { Segments } from '@/ui/form/Segments';
import { useCommand } from '@/ui/form/use-command';
import { useDraftStorage } from '@/ui/form/use-draft-storage';
import { useUnits } from '@/ui/units';
import { planBoxes } from '../actions';
import type { BatchView } from '../view';
import styles from './boxes.module.css';
import { saysBone, writePart } from './write-part';

const typedBoxes = boxesSchema.extend({
  rows: z.array(boxesSchema.shape.rows.element.extend({ taken: z.boolean() })),
  placeId: z.number(),
});

/** Boxes as they are to be: how many, what of each ingredient goes in, and what a box is to hold in all. */
export function BoxesForm({ view }: { view: BatchView }) {
  const { inMass, scaleUnit, set } = useUnits();
  const own = view.boxes.atHand.filter(({ batchId }) => batchId === view.id);
  const places = [...new Map(own.map(({ placeId, place }) => [placeId, place]))];
  const [typed, setTyped, forget] = useDraftStorage(`boxes-${view.id}`, typedBoxes, {
    count: '',
    target: '',
    rows: [],
    placeId: places[0]?.[0] ?? 0,
  });
  const [tried, setTried] = useState(false);
  const plan = useCommand(planBoxes, `boxes-${view.id}`, () => forget(typed));
  const at = own.some(({ placeId }) => placeId === typed.placeId) ? typed.placeId : places[0]?.[0];
  // This batch's own first, then what else goes to the same place.
  const offered = [...own, ...view.boxes.atHand.filter(({ batchId }) => batchId !== view.id)].filter(
    ({ placeId, isDry }) => placeId === at && isDry === own.find((each) => each.placeId === at)?.isDry,
  );
  const rows = offered.map((each) => ({
    of: each,
    typed: typed.rows.find(({ shareId }) => shareId === each.shareId) ?? {
      shareId: each.shareId,
      size: '',
      into: '',
      taken: each.batchId === view.id,
    },
  }));
  const taken = rows.filter((row) => row.typed.taken);
  const entry = {
    count: typed.count,
    target: typed.target,
    rows: taken.map(({ typed: { shareId, size, into } }) => ({ shareId, size, into })),
  };
  const ingredients = taken.map((row) => row.of);
  const read = taken.length > 0 && typed.count.trim() !== '' ? readBoxes(entry, ingredients, set) : undefined;
  const said = read && !read.ok ? read.problem : undefined;
  const problemAt = (field: string) => (said?.field === field ? said.message : plan.at(field));
  const change = (part: Partial<typeof typed>) => {
    plan.clear();
    setTyped({ ...typed, ...part });
  };
  const changeRow = (shareId: number, part: Partial<(typeof typed)['rows'][number]>) =>
    change({ rows: rows.map((row) => (row.typed.shareId === shareId ? { ...row.typed, ...part } : row.typed)) });
  const figures = read?.ok ? figuresOf(read.value, {}, ingredients) : undefined;
  const kcal = figures?.boxes.map((box) => box.kcal) ?? [];
  const sameBatch = own.filter(({ placeId }) => placeId === at);
  const byDays = view.apart === 'components' && sameBatch.length > 1 && sure(view.weighed).portions.length > 0;
  const shown = ['count', 'target', ...taken.flatMap((_, index) => [`rows.${index}.size`, `rows.${index}.into`])];
  if (own.length === 0) return <p className="soft">Divide it first: what goes into boxes is a share.</p>;
  const byFigures = (
    <form
      className="stack"
      noValidate
      aria-label="Boxes to build"
      onSubmit={(event) => {
        event.preventDefault();
        setTried(true);
        if (read?.ok) plan.run({ batchId: view.id, of: { by: 'figures', entry } });
      }}
    >
      <div className={styles.head}>
        <Field
          label="How many boxes"
          inputMode="numeric"
          autoComplete="off"
          value={typed.count}
          onChange={(event) => change({ count: event.target.value })}
          problem={problemAt('count') ?? (tried && typed.count.trim() === '' ? 'How many boxes?' : undefined)}
        />
        <Field
          label="A box is to hold"
          unit={scaleUnit}
          inputMode="decimal"
          autoComplete="off"
          value={typed.target}
          onChange={(event) => change({ target: event.target.value })}
          problem={problemAt('target')}
          hint="empty: what comes together"
        />
      </div>
      <ul className={styles.rows}>
        {rows.map(({ of, typed: row }) => {
          const index = taken.findIndex((each) => each.of === of);
          return (
            <li key={of.shareId} className={styles.row}>
              <FormControlLabel
                control={<Checkbox checked={row.taken} onChange={(_, on) => changeRow(of.shareId, { taken: on })} />}
                label={
                  <span>
                    {of.name}
                    {of.batchId !== view.id && of.name !== of.of && ` of ${of.of}`}{' '}
                    <span className="note">{inMass(of.grams)} at hand</span>
                  </span>
                }
              />
              {row.taken && (
                <>
                  <Field
                    label={`${of.name} in a box`}
                    unit={scaleUnit}
                    inputMode="decimal"
                    autoComplete="off"
                    value={row.size}
                    onChange={(event) => changeRow(of.shareId, { size: event.target.value })}
                    problem={problemAt(`rows.${index}.size`)}
                    hint="empty: spread evenly"
                  />
                  <Field
                    label={`Boxes with ${of.name}`}
                    inputMode="numeric"
                    autoComplete="off"
                    value={row.into}
                    onChange={(event) => changeRow(of.shareId, { into: event.target.value })}
                    problem={problemAt(`rows.${index}.into`)}
                    hint="empty: all"
                  />
                </>
              )}
            </li>
          );
        })}
      </ul>
      <div>
        <Button type="submit" variant={byDays ? 'outlined' : 'contained'} size="large" disabled={plan.pending}>
          Lay them out
        </Button>
      </div>
      <Problems problems={plan.atHead(...shown)} />
      {figures && read?.ok && (
        <p role="status">
          <b>{inMass(figures.whole.grams / figures.boxes.length)}</b> and{' '}
          {Math.max(...kcal) - Math.min(...kcal) < 1
            ? writeKcal(Math.max(...kcal))
            : `${writeKcal(Math.min(...kcal))} to ${writeKcal(Math.max(...kcal))}`}{' '}
          kcal a box
          {saysBone(figures.whole) &&
            ` · bone ${writePart(figures.whole.bone)}, organs ${writePart(figures.whole.organs)}`}
          {isByTurns(read.value) && (
            <span className="note">
              {' '}
              Not every box holds everything: all {figures.boxes.length} together are balanced. Feed them in turn.
            </span>
          )}
        </p>
      )}
    </form>
  );
  return (
    <div className="stack">
      {places.length > 1 && (
        <Segments
          label="Where the boxes go"
          value={String(at)}
          options={places.map(([id, name]) => ({ value: String(id), label: name }))}
          onChange={(placeId) => change({ placeId: Number(placeId) })}
        />
      )}
      {byDays && (
        <div>
          <Button
            variant="contained"
            size="large"
            disabled={plan.pending}
            onClick={() =>
              plan.run({
                batchId: view.id,
                of: { by: 'days', shareIds: sameBatch.map(({ shareId }) => shareId) },
              })
            }
          >
            A box for each dog and day
          </Button>
        </div>
      )}
      {byDays ? <Fold title="or by figures of your own">{byFigures}</Fold> : byFigures}
    </div>
  );
}
