'use client';

import ButtonBase from '@mui/material/ButtonBase';
import Button from '@mui/material/Button';
import { kcalADay, lastsOf } from '@/core/portion/lasts';
import { useRef, useState } from 'react';
import { cellOf, figuresOf, isByTurns, isFull } from '@/core/portion/boxes';
import { countOf } from '@/core/quantity/count-words';
import { writeKcal, writeNumber } from '@/core/quantity/write';
import { nth, sure } from '@/core/sure';
import { FromInstrument } from '@/ui/counter/FromInstrument';
import { Keypad } from '@/ui/counter/Keypad';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { closeBoxes, dropBoxes, fillBox } from '../actions';
import sheet from '../batches.module.css';
import type { BatchView } from '../view';
import { BoxesDrawing } from './BoxesDrawing';
import styles from './boxes.module.css';
import { saysBone, writePart } from './write-part';

/** Boxes that are being built: one ingredient at hand, its g large, and all boxes to tick on the way. */
export function Boxes({ view }: { view: BatchView }) {
  const { inMass, readScale, scaleUnit, toType } = useUnits();
  const { id, plan, filled, ingredients } = sure(view.boxes.open);
  const left = (row: number) =>
    plan.boxes.flatMap((_, box) =>
      nth(nth(plan.rows, row).grams, box) > 0 && filled[cellOf(row, box)] === undefined ? [box] : [],
    );
  const firstOpen = plan.rows.findIndex((_, row) => left(row).length > 0);
  const [chosen, setChosen] = useState<number>();
  const [text, setText] = useState('');
  const field = useRef<HTMLInputElement>(null);
  const row = chosen ?? (firstOpen === -1 ? 0 : firstOpen);
  const fill = useCommand(fillBox, `fill-boxes-${id}`, () => {
    setText('');
    field.current?.focus();
  });
  const close = useCommand(closeBoxes, `close-boxes-${id}`);
  const drop = useCommand(dropBoxes, `drop-boxes-${id}`);
  const [asked, setAsked] = useState(false);
  if (ingredients.length < plan.rows.length)
    return (
      <div className="stack">
        <p className="caution" role="status">
          What these boxes are built of was divided anew meanwhile. Give them up, and lay them out again.
        </p>
        <div>
          <Button variant="outlined" disabled={drop.pending} onClick={() => drop.run({ boxesId: id })}>
            Give them up
          </Button>
        </div>
      </div>
    );
  const own = nth(ingredients, row);
  const waiting = left(row);
  const [next] = waiting;
  const full = plan.boxes.filter((_, box) => isFull(plan, filled, box)).length;
  const figures = figuresOf(plan, filled, ingredients);
  const kcal = figures.boxes.map((box) => box.kcal);
  const { portions, density } = sure(view.weighed);
  const { together: lasts } = lastsOf(figures.whole.kcal, [kcalADay(portions, density)]);
  const read = text.trim() === '' ? undefined : readScale(text);
  const target = next === undefined ? undefined : nth(nth(plan.rows, row).grams, next);
  const nameOf = (box: number) => {
    const { dogId } = nth(plan.boxes, box);
    return portions.find((each) => each.dogId === dogId)?.name;
  };
  const send = (box: number, grams?: number) =>
    fill.run({ boxesId: id, row, box, ...(grams === undefined ? {} : { grams }) });
  return (
    <section className={styles.boxes} aria-labelledby="boxes">
      <div className="stack">
        <div className="spread">
          <h2 id="boxes">{countOf(plan.boxes.length, 'box')} to build</h2>
          <p className="soft">{full} of them full</p>
        </div>
        <ul className={styles.ingredients}>
          {ingredients.map((each, index) => (
            <li key={each.shareId}>
              <ButtonBase
                className={styles.ingredient}
                aria-pressed={index === row}
                onClick={() => {
                  setChosen(index);
                  setText('');
                }}
              >
                {each.name}{' '}
                <span className="note">
                  {left(index).length === 0 ? 'in all of them' : `${left(index).length} to go`}
                </span>
              </ButtonBase>
            </li>
          ))}
        </ul>
        <BoxesDrawing plan={plan} filled={filled} row={row} names={ingredients.map(({ name }) => name)} />
        <p className="note">
          {writeKcal(Math.min(...kcal))} to {writeKcal(Math.max(...kcal))} kcal a box
          {saysBone(figures.whole) &&
            ` · bone ${writePart(figures.whole.bone)}, organs ${writePart(figures.whole.organs)} in all`}
          {lasts !== undefined && ` · about ${writeNumber(lasts, 1)} days for these dogs`}
          {isByTurns(plan) && '. Not every box holds everything: feed them in turn.'}
        </p>
      </div>
      <form
        className="stack"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          if (next === undefined) return;
          if (read === undefined) send(next);
          else if (read.ok) send(next, read.value);
        }}
      >
        <p className="soft">
          {own.name}
          {next === undefined
            ? ' is in all of them'
            : ` into box ${next + 1}${nameOf(next) === undefined ? '' : `, ${nameOf(next)}’s`}`}
        </p>
        {target !== undefined && <p className={styles.target}>{inMass(target)}</p>}
        {next !== undefined && (
          <>
            <FromInstrument
              kind="scale"
              write={inMass}
              onTake={(grams) => setText(toType(grams, String(Math.round(grams))))}
            />
            <Field
              label="On the scale, the box taken off"
              unit={scaleUnit}
              inputMode="decimal"
              autoComplete="off"
              inputRef={field}
              inputProps={{ 'data-next-act': true }}
              value={text}
              onChange={(event) => {
                fill.clear();
                setText(event.target.value);
              }}
              problem={read && !read.ok ? read.problem.message : fill.at('grams')}
              hint="empty: as much as is asked"
            />
            <div className={sheet.acts}>
              <Button type="submit" variant="contained" size="large" disabled={fill.pending}>
                It is in box {next + 1}
              </Button>
              {waiting.length > 1 && (
                <Button variant="outlined" disabled={fill.pending} onClick={() => fill.run({ boxesId: id, row })}>
                  It is in all {waiting.length}
                </Button>
              )}
            </div>
          </>
        )}
        <Problems problems={[...fill.atHead('grams'), ...close.problems, ...drop.problems]} />
        <ol className={styles.cells} aria-label={`Boxes with ${own.name}`}>
          {plan.boxes.map((_, box) => {
            const planned = nth(nth(plan.rows, row).grams, box);
            const lies = filled[cellOf(row, box)];
            if (planned === 0) return null;
            return (
              <li key={box}>
                <ButtonBase
                  className={styles.cell}
                  aria-pressed={lies !== undefined}
                  aria-label={`${own.name} in box ${box + 1}: ${lies === undefined ? `${inMass(planned)} to go in` : inMass(lies)}`}
                  onClick={() => {
                    if (fill.pending) return;
                    if (lies === undefined) send(box);
                    else fill.run({ boxesId: id, row, box, out: true });
                  }}
                >
                  <b>{box + 1}</b> <span>{inMass(lies ?? planned)}</span>
                </ButtonBase>
              </li>
            );
          })}
        </ol>
        <div className={sheet.acts}>
          <Button
            variant={firstOpen === -1 ? 'contained' : 'outlined'}
            size="large"
            disabled={full === 0 || close.pending}
            onClick={() => close.run({ boxesId: id })}
          >
            Close {full === 0 ? 'the full boxes' : full === 1 ? 'the full box' : `the ${full} full boxes`}
          </Button>
          {asked ? (
            <>
              <Button variant="outlined" disabled={drop.pending} onClick={() => drop.run({ boxesId: id })}>
                Give them up: all of it is in its shares again
              </Button>
              <Button variant="text" onClick={() => setAsked(false)}>
                keep building
              </Button>
            </>
          ) : (
            <Button variant="text" onClick={() => setAsked(true)}>
              give them up
            </Button>
          )}
        </div>
        <Keypad />
      </form>
    </section>
  );
}
