'use client';

import { addDays, writeDay, type LocalDate } from '@/core/calendar/local-date';
import type { PlanResult } from '@/core/plan/result';
import { explainToFetch, gramsToFetch } from '@/core/plan/shopping';
import { countOf } from '@/core/quantity/count-words';
import { Why } from '@/ui/Why';
import { useUnits } from '@/ui/units';
import styles from './plans.module.css';

/** The answer before everything else: how much is to be fetched, and until when the dogs are provided for. */
export function PlanAnswer({ result, today }: { result: PlanResult; today: LocalDate }) {
  const { inSum } = useUnits();
  const { read, days, shopping } = result;
  return (
    <p className={styles.answer}>
      <span>
        <b className="figure">{inSum(gramsToFetch(shopping))}</b> to fetch{' '}
        <Why of={explainToFetch(shopping, inSum)} about="what is to be fetched" />
      </span>
      <span>
        <b className="figure">{countOf(days, 'day')}</b> provided for, to{' '}
        {writeDay(addDays(read.firstDay, days - 1), today)}
      </span>
    </p>
  );
}
