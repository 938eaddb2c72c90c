'use client';

import { sayThaw, thawOf } from '@/core/plan/shopping';
import { writeNumber } from '@/core/quantity/write';
import { Print, PaperLines } from '@/ui/print/Print';
import paper from '@/ui/print/print.module.css';
import type { KeptPlan, PlanRows } from './queries';
import { useUnits } from '@/ui/units';

/** A plan on one page: what to fetch, what goes in, what it comes to. */
export function PlanPrint({ plan, rows }: { plan: KeptPlan; rows: PlanRows }) {
  const { inMass } = useUnits();
  const fromFreezer = (key: string) =>
    plan.items.some((item) => item.foodKey === key && item.fetchedFrom === 'freezer');
  return (
    <Print>
      <h1>{plan.name}</h1>
      <p>{plan.about}</p>
      <div className={paper.columns}>
        <section>
          <h2>Pull and buy</h2>
          <PaperLines
            lines={plan.list.map((item) => ({
              key: item.key,
              what: (
                <>
                  {item.name}
                  {(item.packs ?? item.measure) && <em> {item.packs ?? item.measure}</em>}
                  {item.here.ready + item.here.frozen > 0 && (
                    <em> {inMass(item.here.ready + item.here.frozen)} in the house</em>
                  )}
                  {fromFreezer(item.key) && <em> {sayThaw(thawOf(item, plan.cookDay, plan.set), plan.today)}</em>}
                </>
              ),
              amount: item.amount,
            }))}
          />
          {plan.uncounted.length > 0 && <p>Not counted: {plan.uncounted.join('; ')}</p>}
        </section>
        {plan.batches.map((batch) => (
          <section key={batch.id}>
            <h2>
              {batch.name} × {writeNumber(batch.scale, 2)}
            </h2>
            <PaperLines
              lines={batch.lines.map((line, index) => ({
                key: index,
                what: (
                  <>
                    {line.name}
                    {line.measure && <em> {line.measure}</em>}
                    {line.note && <em> {line.note}</em>}
                  </>
                ),
                amount: inMass(line.grams),
              }))}
            />
          </section>
        ))}
        {rows.length > 0 && (
          <section>
            <h2>What that comes to</h2>
            <ul>
              {rows.map((row) => (
                <li key={row.label}>
                  {row.label}: <b>{row.said}</b>
                  {row.note && ` ${row.note}`}
                </li>
              ))}
            </ul>
          </section>
        )}
      </div>
    </Print>
  );
}
