'use client';

import ButtonBase from '@mui/material/ButtonBase';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import { amountsOf, type SchoolMark, type Spread } from '@/core/dog/spread';
import { writeNumber } from '@/core/quantity/write';
import { energyAxis } from '@/ui/charts/energy-axis';
import { Choice } from '@/ui/form/Choice';
import { useUnits } from '@/ui/units';
import { CupScale } from './CupScale';
import styles from './dogs.module.css';
import type { DogView, KnownRecipe } from './queries';
import { nth, sure } from '@/core/sure';

const WIDTH = 300;
const ROW = 32;

interface SchoolsProps {
  view: DogView;
  spread: Spread;
  recipe: KnownRecipe;
  onRecipe: (recipeId: number) => void;
}

/** Every school on one kcal axis, the energy method's range behind them all; a row gives its sum. */
export function Schools({ view, spread, recipe, onRecipe }: SchoolsProps) {
  const { inMass } = useUnits();
  const inForce = spread.marks.find((mark) => mark.inForce) ?? nth(spread.marks, 0);
  const [key, setKey] = useState(inForce.key);
  const chosen = spread.marks.find((mark) => mark.key === key) ?? inForce;
  const known = spread.marks.flatMap((mark) => (mark.kcal ? [Math.min(mark.kcal.high, mark.kcal.mark * 1.6)] : []));
  const highest = Math.max(...known, spread.energy.rer) * 1.04;
  const axis = energyAxis(highest, WIDTH);
  const missing = [...new Set(spread.marks.flatMap((mark) => (mark.missing?.includes('cup') ? [mark.missing] : [])))];
  return (
    <section aria-labelledby="schools" className="stack">
      <div className="spread">
        <div className="titleRow">
          <h2 id="schools">By every school</h2>
          <p className="note">
            {recipe.facts.measured ? 'weighed' : 'not cooked yet, as predicted'}, {writeNumber(recipe.facts.density, 2)}{' '}
            kcal/g
          </p>
        </div>
        <div className={styles.recipe}>
          <Choice
            label="A day of"
            hideLabel
            value={String(recipe.recipeId)}
            options={view.recipes.map((each) => ({ value: String(each.recipeId), label: each.facts.name }))}
            onChange={(value) => onRecipe(Number(value))}
          />
        </div>
      </div>
      <p className={styles.lead}>{spread.said}</p>
      <ul className={styles.schools} aria-label="Schools">
        {spread.marks.map((mark, index) => (
          <li key={mark.key}>
            <ButtonBase
              className={styles.school}
              aria-pressed={mark.key === chosen.key}
              onClick={() => setKey(mark.key)}
              onFocus={() => setKey(mark.key)}
              onPointerEnter={() => setKey(mark.key)}
            >
              <span className={styles.schoolName}>
                {(index === 0 || nth(spread.marks, index - 1).school !== mark.school) && <b>{mark.school}</b>}
              </span>
              <span className={styles.rule}>{mark.rule}</span>
              <Row
                mark={mark}
                axis={axis}
                rer={spread.energy.rer}
                range={inForce.kcal ?? sure(nth(spread.marks, 0).kcal)}
              />
              <span className={mark.inForce ? styles.inForce : styles.answer}>
                {mark.kcal ? (
                  <>
                    {writeNumber(mark.kcal.mark, 0)} <span className="away">kcal</span> ·{' '}
                    {inMass(amountsOf(mark.kcal.mark, recipe.facts).grams)}
                  </>
                ) : (
                  '—'
                )}
                {mark.inForce && <span className="away"> in force</span>}
              </span>
            </ButtonBase>
          </li>
        ))}
        <li aria-hidden className={styles.axis}>
          <span className={styles.unit}>kcal a day</span>
          <svg viewBox={`-8 0 ${WIDTH + 16} 20`} width="100%">
            {axis.ticks.map((tick) => (
              <text key={tick.kcal} x={tick.x} y="14" textAnchor="middle" fontSize="12" fill="var(--slate-soft)">
                {tick.kcal}
              </text>
            ))}
          </svg>
        </li>
      </ul>
      <SumOf mark={chosen} recipe={recipe} />
      {missing.length > 0 && <CupScale recipe={recipe} />}
      <div className="spread">
        <p className="note">
          Diamond: in force. Band behind: what its method allows. Dashed: at rest, {writeNumber(spread.energy.rer, 0)}{' '}
          kcal.
        </p>
        {!view.dog.archived && <Link href={`/dogs/${view.dog.id}/rules`}>Compare another rule</Link>}
      </div>
    </section>
  );
}

function Row({
  mark,
  axis,
  rer,
  range,
}: {
  mark: SchoolMark;
  axis: ReturnType<typeof energyAxis>;
  rer: number;
  range: { readonly low: number; readonly high: number };
}) {
  const middle = ROW / 2;
  const end = (kcal: number) => Math.min(axis.x(kcal), WIDTH + 8);
  return (
    <svg viewBox={`-8 0 ${WIDTH + 16} ${ROW}`} className={styles.mark} aria-hidden>
      {range.high > range.low && (
        <rect
          x={axis.x(range.low)}
          width={Math.max(2, end(range.high) - axis.x(range.low))}
          height={ROW}
          fill="var(--kale)"
          opacity="0.13"
        />
      )}
      {axis.ticks.map((tick) => (
        <path key={tick.kcal} d={`M${tick.x} 0V${ROW}`} stroke="var(--edge)" />
      ))}
      <path d={`M${axis.x(rer)} 0V${ROW}`} stroke="var(--slate)" strokeDasharray="3 4" />
      {mark.kcal && (
        <>
          {mark.kcal.high > mark.kcal.low && (
            <rect
              x={axis.x(mark.kcal.low)}
              y={middle - 4}
              width={Math.max(2, end(mark.kcal.high) - axis.x(mark.kcal.low))}
              height="8"
              fill={mark.inForce ? 'var(--carrot)' : 'var(--slate)'}
              opacity="0.4"
            />
          )}
          {mark.inForce ? (
            <path d={`M${axis.x(mark.kcal.mark)} ${middle - 11}l11 11l-11 11l-11 -11Z`} fill="var(--carrot)" />
          ) : (
            <circle cx={axis.x(mark.kcal.mark)} cy={middle} r="6.5" fill="var(--slate)" />
          )}
        </>
      )}
    </svg>
  );
}

/** The sum of the row at hand, written out, with what it comes to in every measure. */
function SumOf({ mark, recipe }: { mark: SchoolMark; recipe: KnownRecipe }) {
  const { inMass } = useUnits();
  const amounts = mark.kcal && amountsOf(mark.kcal.mark, recipe.facts);
  return (
    <div className={styles.sum} aria-live="polite">
      <p>
        <b>{mark.explanation.title}</b>
        {amounts && (
          <>
            {' '}
            = {inMass(amounts.grams)}
            {amounts.cups !== undefined && ` = ${writeNumber(amounts.cups, 2)} cups`} = {writeNumber(amounts.pieces, 1)}{' '}
            one-ounce pieces a day
          </>
        )}
      </p>
      {mark.missing && <p className="caution">{mark.missing}</p>}
      {mark.explanation.steps.map((step) => (
        <p key={step.what} className="note">
          {step.what}: {step.sum}
        </p>
      ))}
      <p className="note">{mark.explanation.source}</p>
    </div>
  );
}
