import { Fold } from '@/ui/Fold';
import type { AwayThing } from '@/core/away';
import { AwayList } from '@/ui/AwayList';
import { LinkButton } from '@/ui/LinkButton';
import { putAway } from './actions';
import styles from './plans.module.css';
import type { PlanRow } from './queries';

/** Earlier plans: kept ones to go on with, all of them to copy. */
export function OtherPlans({ others, away }: { others: readonly PlanRow[]; away: readonly AwayThing[] }) {
  return (
    <>
      {others.length > 0 && (
        <Fold className={styles.others} title="Earlier plans">
          <ul className="rows">
            {others.map((other) => (
              <li key={other.id} className={styles.other}>
                <span>
                  <b>{other.name}</b> <span className="note">{other.said}</span>
                </span>
                <span className={styles.acts}>
                  <LinkButton
                    variant="text"
                    href={`/plan/${other.id}`}
                    aria-label={`Open ${other.name}, ${other.said}`}
                  >
                    {other.open ? 'Go on' : 'Look at it'}
                  </LinkButton>
                  <LinkButton
                    variant="text"
                    href={`/plan?copy=${other.id}`}
                    aria-label={`Copy ${other.name}, ${other.said}`}
                  >
                    Copy
                  </LinkButton>
                </span>
              </li>
            ))}
          </ul>
        </Fold>
      )}
      <p>
        <LinkButton variant="outlined" href="/plan/weeks">
          Weeks ahead: when to cook what
        </LinkButton>
      </p>
      <AwayList kind="plan" things={away} putAway={putAway} />
    </>
  );
}
