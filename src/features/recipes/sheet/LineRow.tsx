'use client';

import ButtonBase from '@mui/material/ButtonBase';
import Button from '@mui/material/Button';
import { useState, type KeyboardEvent } from 'react';
import type { KnownFood } from '@/core/food/food';
import { isBlank } from '@/core/recipe/entry';
import { sayHazard } from '@/core/recipe/hazards';
import { measureAsked } from '@/core/recipe/measure-asked';
import { guessPart } from '@/core/recipe/part-of-food';
import { sayWhatGoes, stateOf } from '@/core/recipe/written';
import { Caution } from '@/ui/Caution';
import { Field } from '@/ui/form/Field';
import { FoodField } from '@/ui/food/FoodField';
import { AskBone } from './AskBone';
import { AskFood } from './AskFood';
import styles from '../recipes.module.css';
import { LineMore, sayBasis } from './LineMore';
import { useLine } from './use-line';
import type { SheetForm } from './use-sheet-form';
import { WeighOnce } from './WeighOnce';
import { useUnits } from '@/ui/units';
import { sure } from '@/core/sure';

interface LineRowProps {
  id: string;
  index: number;
  sheet: SheetForm;
  /** It was pressed: its amount is in hand. */
  chosen: boolean;
  /** The focus came into it: it stays open until it is left. */
  onHand: () => void;
  onRemove: () => void;
  /** On to the next line. */
  onOn: () => void;
}

/** One line of a recipe: the cook's words on the left, the grams on the right; the rest behind a press. */
export function LineRow({ id, index, sheet, chosen, onHand, onRemove, onOn }: LineRowProps) {
  const { inMass } = useUnits();
  const { form, known, learn, set, problemAt, tried, bought, mark } = sheet;
  const { line, read, hurts, item, handle } = useLine(sheet, id, index);
  const [more, setMore] = useState(false);
  const number = index + 1;
  /** Enter goes on to the next line; the recipe is kept by its own press. */
  const goOn = (event: KeyboardEvent) => {
    if (event.key !== 'Enter') return;
    event.preventDefault();
    onOn();
  };
  const remove = (
    <ButtonBase
      className={styles.remove}
      aria-label={`Remove line ${number}`}
      onClick={onRemove}
      onKeyDown={(event) => {
        if (event.key !== 'Tab' || event.shiftKey) return;
        event.preventDefault();
        onOn();
      }}
    >
      ×
    </ButtonBase>
  );
  if (line.words === true) {
    return (
      <li {...item} className={styles.line}>
        {handle}
        <div className={styles.asWords}>
          <p>{line.preparation}</p>
          <p className="caution">Kept as words, not counted{line.aside ? `: ${line.aside}` : ''}.</p>
        </div>
        <Button
          variant="text"
          size="small"
          onClick={() => form.setValue(`lines.${index}.words`, false, { shouldDirty: true })}
        >
          find its food
        </Button>
        {remove}
      </li>
    );
  }
  const food = line.ask ? undefined : known.get(line.ndb);
  const shown = tried && !isBlank(line);
  const touched = form.formState.touchedFields.lines?.[index]?.amount === true || shown;
  const field = read && !read.ok ? read.problem.field : undefined;
  const message = (name: string) =>
    field === name && read && !read.ok ? read.problem.message : food ? undefined : problemAt(`lines.${index}.${name}`);
  const amountProblem = food && (touched || line.amount !== '') ? message('amount') : undefined;
  const unit = field === 'amount' ? measureAsked(line.amount, food?.food, set) : undefined;
  const foodProblem =
    !food && !line.ask && (shown || problemAt(`lines.${index}.ndb`)) ? 'Choose a food from the table.' : undefined;
  const mass = bought.get(index);
  const otherState =
    food && line.state !== undefined && line.state !== stateOf(food.food.name) ? line.state : undefined;

  return (
    <li
      {...item}
      className={styles.line}
      onFocus={(event) => {
        // Typing here keeps it open. A press on one of its questions does not: nothing may move away under a finger.
        if (!chosen && event.target instanceof HTMLInputElement) onHand();
      }}
    >
      {handle}
      <Field
        label={`Amount of line ${number}`}
        hideLabel
        placeholder="2 lb, 1 1/2 cups"
        autoComplete="off"
        autoFocus={chosen}
        onKeyDown={goOn}
        {...form.register(`lines.${index}.amount`)}
        problem={foodProblem || unit ? undefined : amountProblem}
      />
      <div className={styles.what}>
        <FoodField
          label={`Food of line ${number}`}
          value={food ?? null}
          problem={foodProblem ?? problemAt(`lines.${index}.ndb`)}
          onChange={(chosen: KnownFood | null) => {
            mark();
            if (chosen) {
              learn(chosen);
              form.setValue(`lines.${index}.part`, guessPart(chosen.food));
              form.setValue(`lines.${index}.state`, stateOf(chosen.food.name));
            }
            form.setValue(`lines.${index}.ask`, undefined);
            form.setValue(`lines.${index}.ndb`, chosen?.food.ndb ?? '', { shouldDirty: true });
          }}
        />
        {line.ask && <AskFood ask={line.ask} number={number} onChoose={(choice) => sheet.answer(index, choice)} />}
        {food && <AskBone sheet={sheet} index={index} known={food} />}
        {line.aside && food && <p className="note">{line.aside}</p>}
        {unit && food && <WeighOnce known={food} unit={unit} set={set} why={amountProblem} onWeighed={learn} />}
        <div className={styles.small}>
          <input
            className={styles.quiet}
            aria-label={`Your words for line ${number}`}
            placeholder="in your words"
            autoComplete="off"
            onKeyDown={goOn}
            {...form.register(`lines.${index}.preparation`)}
          />
          <ButtonBase
            className={styles.quiet}
            aria-expanded={more}
            aria-label={`More about line ${number}`}
            onClick={() => setMore(!more)}
          >
            {sayBasis(line)} ▾
          </ButtonBase>
          {read?.ok && read.value.how !== 'weighed' && <span className="note">{read.value.how}</span>}
          {read?.ok && sayRange(read.value.quantity, inMass) && (
            <span className="note">{sayRange(read.value.quantity, inMass)}</span>
          )}
        </div>
        {hurts.map(({ hazard }) => (
          <Caution key={hazard.id} danger={hazard.level === 'never'} role="status">
            {sayHazard(hazard)}
          </Caution>
        ))}
        {otherState && (
          <p className="caution">
            Weighed {otherState}, but this row is of {stateOf(sure(food).food.name)} food: choose the row that you
            weigh.
          </p>
        )}
        {more && <LineMore index={index} sheet={sheet} problem={message} />}
        {!more && field !== undefined && field !== 'amount' && field !== 'ndb' && field !== 'bone' && (
          <p className="danger">{read && !read.ok && read.problem.message}</p>
        )}
      </div>
      <p className={styles.grams}>
        {mass === undefined ? '?' : mass === 0 ? 'not taken' : inMass(mass)}
        {read?.ok && sayWhatGoes(read.value.line) && <span className="note">{sayWhatGoes(read.value.line)}</span>}
      </p>
      {remove}
    </li>
  );
}

/** A range counts as its middle, and says so. */
export function sayRange(
  quantity: { kind: string; low: number; high: number },
  inMass: (grams: number) => string,
): string | undefined {
  if (quantity.low === quantity.high) return undefined;
  return quantity.kind === 'mass'
    ? `${inMass(quantity.low)} to ${inMass(quantity.high)}: the middle counts`
    : 'a range: the middle counts';
}
