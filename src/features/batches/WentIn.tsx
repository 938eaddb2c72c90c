'use client';

import { figure } from '@/ui/figure';
import { Fold } from '@/ui/Fold';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { mayGoInFrozen } from '@/core/cook/frozen';
import type { StepKey } from '@/core/batch/steps';
import type { KnownFood } from '@/core/food/food';
import { guessPart } from '@/core/recipe/part-of-food';
import { Keypad } from '@/ui/counter/Keypad';
import { FoodField } from '@/ui/food/FoodField';
import { NotCounted } from '@/ui/food/NotCounted';
import { Field } from '@/ui/form/Field';
import { useCommand } from '@/ui/form/use-command';
import { Problems } from '@/ui/form/Problems';
import { useUnits } from '@/ui/units';
import { Why } from '@/ui/Why';
import { cookBatch, correctLine, tryLine } from './actions';
import styles from './batches.module.css';
import type { BatchView, SheetLine } from './view';
import { WentFrozen } from './lots/WentFrozen';
import { useCorrection } from './use-correction';
import { WhatFollows } from './WhatFollows';

/** What went in, as it was weighed; each line can be put right, and a forgotten one set down. */
export function WentIn({ view, onOpen }: { view: BatchView; onOpen: (step: StepKey) => void }) {
  const { inMass } = useUnits();
  const [open, setOpen] = useState<number | 'another'>();
  return (
    <section className="stack" aria-labelledby="weigh-out">
      <div className="spread">
        <h2 id="weigh-out">What went in</h2>
        <p className="soft">Something else went in? It can be put right at any time.</p>
      </div>
      <NotCounted lines={view.uncounted} />
      <ul className="rows">
        {view.lines.map((line) => (
          <li key={line.line}>
            <div className={styles.wentLine}>
              <span>
                {line.name}
                {line.frozen && <span className="note"> frozen</span>}
                {line.lot !== undefined && <span className="note"> lot {line.lot}</span>}
                {line.taken !== undefined && <span className="note"> {line.taken}</span>}
              </span>
              <b>{inMass(line.toWeigh)}</b>
              <Button
                variant="text"
                size="small"
                aria-expanded={open === line.line}
                aria-label={`Put right: ${line.name}`}
                onClick={() => setOpen(open === line.line ? undefined : line.line)}
              >
                put right
              </Button>
            </div>
            {open === line.line && (
              <>
                {mayGoInFrozen(line) && <FrozenOf view={view} line={line} />}
                <LotOf view={view} line={line} onDone={() => setOpen(undefined)} />
                <LineOtherwise view={view} line={line} onOpen={onOpen} onDone={() => setOpen(undefined)} />
              </>
            )}
          </li>
        ))}
      </ul>
      {open === 'another' ? (
        <LineOtherwise view={view} onOpen={onOpen} onDone={() => setOpen(undefined)} />
      ) : (
        <div>
          <Button variant="outlined" onClick={() => setOpen('another')}>
            Something more went in
          </Button>
        </div>
      )}
      {view.cost && (
        <p>
          What went in cost <b {...figure('pot cost', view.id, view.cost.minor)}>{view.cost.said}</b>
          {view.cost.aKilo && `, ${view.cost.aKilo} a kg of the food`}. <Why of={view.cost.why} about="what it cost" />
        </p>
      )}
      {view.struck.length > 0 && (
        <Fold title="What was struck out">
          <ul className="rows">
            {view.struck.map((each, index) => (
              <li key={index}>
                {each.said} <span className="note">{each.when}</span>
              </li>
            ))}
          </ul>
        </Fold>
      )}
      <p className="note">The food as it was on that day: changing the recipe later changes nothing here.</p>
    </section>
  );
}

/** Whether a line went in frozen, said when it was cooked or later. */
function FrozenOf({ view, line }: { view: BatchView; line: SheetLine }) {
  const keep = useCommand(cookBatch, `frozen-${view.id}-${line.line}`);
  return (
    <>
      <WentFrozen
        frozen={line.frozen === true}
        disabled={keep.pending}
        onChange={(on) => keep.run({ batchId: view.id, of: { act: 'frozen', line: line.line, on } })}
      />
      <Problems problems={keep.problems} />
    </>
  );
}

/** The lot or label date of a line, said when it was cooked or found on the wrapper later. */
function LotOf({ view, line, onDone }: { view: BatchView; line: SheetLine; onDone: () => void }) {
  const [lot, setLot] = useState(line.lot ?? '');
  const keep = useCommand(cookBatch, `lot-${view.id}-${line.line}`, onDone);
  return (
    <form
      className={styles.otherwise}
      noValidate
      aria-label={`Lot of ${line.name}`}
      onSubmit={(event) => {
        event.preventDefault();
        keep.run({ batchId: view.id, of: { act: 'lot', line: line.line, lot } });
      }}
    >
      <Field
        label="Lot or label date"
        autoComplete="off"
        value={lot}
        onChange={(event) => setLot(event.target.value)}
        problem={keep.problems[0]?.message}
        hint="as it is printed; it stays with this batch"
      />
      <div>
        <Button type="submit" variant="outlined" disabled={keep.pending || lot.trim() === (line.lot ?? '')}>
          Keep the lot
        </Button>
      </div>
    </form>
  );
}

interface LineOtherwiseProps {
  view: BatchView;
  line?: SheetLine;
  onOpen: (step: StepKey) => void;
  onDone: () => void;
}

/** One line put right: another weight, another food, or one that was forgotten. */
function LineOtherwise({ view, line, onOpen, onDone }: LineOtherwiseProps) {
  const { readScale, scaleUnit, toType } = useUnits();
  const [weight, setWeight] = useState(line ? toType(line.toWeigh) : '');
  const [food, setFood] = useState<KnownFood | null>(null);
  const [unread, setUnread] = useState<string>();
  const right = useCorrection(tryLine, correctLine, `line-${view.id}-${line?.line ?? 'another'}`, onDone);
  const submit = () => {
    const read = readScale(weight);
    setUnread(read.ok ? undefined : read.problem.message);
    if (!read.ok) return;
    right.ask({
      batchId: view.id,
      revision: view.revision,
      grams: read.value,
      ...(line ? { line: line.line } : {}),
      ...(food ? { ndb: food.food.ndb, part: line?.part ?? guessPart(food.food) } : {}),
    });
  };
  return (
    <form
      className={styles.otherwise}
      noValidate
      aria-label={line ? `${line.name} put right` : 'Something more that went in'}
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <Problems problems={right.problems.filter(({ field }) => field !== 'grams' && field !== 'ndb')} />
      <div className={styles.otherwiseFields}>
        <Field
          label="It weighed"
          unit={scaleUnit}
          inputMode="decimal"
          autoComplete="off"
          value={weight}
          onChange={(event) => {
            right.leave();
            setWeight(event.target.value);
          }}
          problem={unread ?? right.at('grams')}
          hint="as it lay on the scale"
        />
        <div>
          <p className={styles.caption}>{line ? 'It was not that, but' : 'What it was'}</p>
          <FoodField
            label={line ? `What ${line.name} really was` : 'What more went in'}
            value={food}
            onChange={(chosen) => {
              right.leave();
              setFood(chosen);
            }}
            problem={right.at('ndb')}
          />
        </div>
      </div>
      {!right.follows && !right.mayStand && (
        <div className={styles.acts}>
          <Button type="submit" variant="contained" disabled={right.pending}>
            See what follows
          </Button>
          <Button variant="text" onClick={onDone}>
            leave it
          </Button>
        </div>
      )}
      <WhatFollows view={view} of={right} onPacks={() => onOpen('pack')} />
      <Keypad />
    </form>
  );
}
