'use client';

import { LinkButton } from '@/ui/LinkButton';
import styles from './plans.module.css';
import type { KeptPlan } from './queries';
import { ShoppingList } from './ShoppingList';
import { useUnits } from '@/ui/units';

/** A plan that is being cooked, or was: it stands as it is. */
export function PlanInHand({ plan }: { plan: KeptPlan }) {
  const { inMass } = useUnits();
  return (
    <div className="page">
      <div className="titleRow">
        <h1>{plan.name}</h1>
        <p className="soft">{plan.about}</p>
      </div>
      <p>It is in the pot, or was. Copy it to plan the like again.</p>
      <div className="twoColumns">
        <div className="stack">
          {plan.batches.map((batch) => (
            <section key={batch.id} aria-label={batch.name}>
              <div className="spread">
                <h2>{batch.name}</h2>
                <LinkButton variant="text" href={`/batches/${batch.id}`} aria-label={`Run sheet of ${batch.name}`}>
                  Run sheet
                </LinkButton>
              </div>
              <ul className="rows">
                {batch.lines.map((line, index) => (
                  <li key={index} className="spread">
                    <span>
                      {line.name} <span className="note">{line.note}</span>
                    </span>
                    <b>{inMass(line.grams)}</b>
                  </li>
                ))}
              </ul>
            </section>
          ))}
        </div>
        <div className="stack">
          <ShoppingList
            items={plan.list}
            cookDay={plan.cookDay}
            today={plan.today}
            planId={plan.id}
            said={plan.items}
            house={plan.house}
            uncounted={plan.uncounted}
          />
          <div className={styles.acts}>
            <LinkButton variant="outlined" href={`/plan?copy=${plan.id}`}>
              Copy it
            </LinkButton>
            <LinkButton variant="text" href={`/plan/${plan.id}/print`}>
              On paper
            </LinkButton>
          </div>
        </div>
      </div>
    </div>
  );
}
