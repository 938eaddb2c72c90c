'use client';

import Button from '@mui/material/Button';
import type { PlanResult } from '@/core/plan/result';
import { nutrientName } from '@/core/nutrition/nutrients';
import { TOLD_FROM } from '@/core/plan/rounding';
import { writeNumber } from '@/core/quantity/write';
import { Why } from '@/ui/Why';
import styles from './plans.module.css';
import { useUnits } from '@/ui/units';

interface RoundingProps {
  result: PlanResult;
  taken: boolean;
  onTake: (taken: boolean) => void;
}

/** So many lines are named before the rest is behind the why. */
const NAMED = 2;

function signed(part: number): string {
  const percent = writeNumber(Math.abs(part) * 100, 1);
  const sign = percent === '0' ? '±' : part > 0 ? '+' : '−';
  return `${sign}${percent} %`;
}

/** The amounts as they can be measured or bought, what that moves, and one press to take or undo it. */
export function Rounding({ result, taken, onTake }: RoundingProps) {
  const { inMass } = useUnits();
  const { drift } = result;
  const moved = result.batches
    .flatMap((batch) => batch.takes)
    .filter((take) => Math.abs(take.rounded - take.grams) > 0.5)
    .sort((a, b) => Math.abs(b.rounded / b.grams - 1) - Math.abs(a.rounded / a.grams - 1));
  const nameOf = ({ of }: (typeof moved)[number]) => of.text;
  return (
    <div className={styles.rounding}>
      <p>
        <b>{taken ? 'Rounded to what you can measure:' : 'What you can measure:'}</b>{' '}
        {moved.length === 0 && 'the amounts as they are. '}
        {moved.slice(0, NAMED).map((take, index) => (
          <span key={index}>
            {index > 0 && '; '}
            {nameOf(take)} {take.roundedTo}, not {inMass(take.grams)}
          </span>
        ))}
        {moved.length > NAMED && `; ${moved.length - NAMED} more`}
        {moved.length > 0 && '. '}
        {moved.length > 0 && (
          <>
            {writeNumber(drift.days, 1)} days,{' '}
            <span className={Math.abs(drift.kcal) > TOLD_FROM ? 'caution' : undefined}>
              energy {signed(drift.kcal)}
            </span>
          </>
        )}
        {drift.nutrients.length > 0 &&
          `, ${drift.nutrients
            .slice(0, NAMED)
            .map(({ nutrient, part }) => `${nutrientName(nutrient)} ${signed(part)}`)
            .join(', ')}`}
        {moved.length > 0 && '.'}
      </p>
      <div className={styles.acts}>
        <Button variant="text" onClick={() => onTake(!taken)} disabled={moved.length === 0 && !taken}>
          {taken ? 'Undo it' : 'Take it'}
        </Button>
        <Why
          about="the rounding"
          of={{
            title: `Energy ${signed(drift.kcal)}, weight ${signed(drift.grams)}`,
            steps: [
              ...moved.map((take) => ({
                what: nameOf(take),
                sum: `${inMass(take.grams)} → ${take.roundedTo} (${inMass(take.rounded)})`,
              })),
              ...drift.nutrients.map(({ nutrient, part }) => ({
                what: `${nutrientName(nutrient)} in 1000 kcal`,
                sum: signed(part),
              })),
            ],
            source:
              'Eggs whole, packs as sold within a tenth, spoons to ⅛ tsp, cups to ¼, scales to 1 g below 100 g and 5 g above (common practice, no source).',
          }}
        />
      </div>
    </div>
  );
}
