import { LinkButton } from '@/ui/LinkButton';
import type { KeptPlan } from './queries';
import { ShoppingList } from './ShoppingList';

/** The list alone, for a phone in the shop. */
export function ListOnPhone({ plan }: { plan: KeptPlan }) {
  return (
    <div className="page">
      <div className="titleRow">
        <h1>{plan.name}</h1>
        <p className="soft">{plan.about}</p>
      </div>
      <div style={{ maxWidth: 560 }} className="stack">
        <ShoppingList
          items={plan.list}
          cookDay={plan.cookDay}
          today={plan.today}
          planId={plan.id}
          said={plan.items}
          house={plan.house}
          uncounted={plan.uncounted}
        />
        <LinkButton variant="text" href={`/plan/${plan.id}`}>
          To the plan
        </LinkButton>
      </div>
    </div>
  );
}
