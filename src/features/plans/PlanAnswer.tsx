'use client';

import { addUp } from '@/core/add-up';
import { addDays, writeDay, type LocalDate } from '@/core/calendar/local-date';
import type { PlanResult } from '@/core/plan/result';
import { countOf } from '@/core/quantity/count-words';
import { useUnits } from '@/ui/units';
import styles from './plans.module.css';

/** The answer before everything else: how much is to be fetched, and until when the dogs are provided for. */
export function PlanAnswer({ result, today }: { result: PlanResult; today: LocalDate }) {
  const { inSum } = useUnits();
  const { read, days, shopping } = result;
  const whole = Math.max(1, Math.floor(days + 1e-6));
  return (
    <p className={styles.answer}>
      <span>
        <b className="figure">{inSum(addUp(shopping, (item) => item.grams))}</b> to fetch
      </span>
      <span>
        <b className="figure">{countOf(whole, 'day')}</b> provided for, to{' '}
        {writeDay(addDays(read.firstDay, whole - 1), today)}
      </span>
    </p>
  );
}
