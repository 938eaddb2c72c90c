import { figure } from '@/ui/figure';
import { Link } from '@/ui/Link';
import { HatchTile } from '@/ui/badges/badges';
import { LinkButton } from '@/ui/LinkButton';
import { EmptyRoom, ListRoom } from '@/ui/room';
import { UnreadList } from '@/ui/Unread';
import styles from './list/list.module.css';
import type { BatchesView, BatchRow } from './list/queries';
import { SmallFlow } from './SmallFlow';

const PLAN = { href: '/plan', label: 'Plan a batch' };

/** Every pot as its flow in small, newest first: what went in, what it came to, where it is by now and until when. */
export function BatchList({ view, older }: { view: BatchesView; older: number | undefined }) {
  if (view.rows.length === 0) {
    return (
      <EmptyRoom title="Nothing was cooked yet" act={PLAN}>
        A batch begins with a plan: which recipe, for which dogs, for how many days.
      </EmptyRoom>
    );
  }
  return (
    <ListRoom title="Batches" aside={view.aside} act={PLAN} end={<Learned said={view.learned} older={older} />}>
      {view.unread.length > 0 && (
        <li>
          <UnreadList things={view.unread} />
        </li>
      )}
      {view.rows.map((row) => (
        <Row key={row.id} row={row} />
      ))}
    </ListRoom>
  );
}

function Row({ row }: { row: BatchRow }) {
  const open = row.next !== undefined;
  return (
    <li className={`${styles.row} ${open ? styles.open : ''}`}>
      <HatchTile hatch={row.protein.hatch} width={52} height={52} />
      <div className={styles.words}>
        <p className="rowName">
          <Link href={`/batches/${row.id}`}>{row.name}</Link>
        </p>
        <p>
          {row.day} <b>{row.state}</b>
        </p>
        <p className="note" {...figure('pot density', row.id, row.density)}>
          <span {...figure('pot yield', row.id, row.net)}>{row.said}</span>
        </p>
      </div>
      <SmallFlow
        protein={row.protein}
        went={row.went}
        net={row.net}
        ends={row.ends.map(({ kind, grams }) => ({ grams, solid: kind !== 'eaten' && !kind.startsWith('to ') }))}
        planned={row.planned}
      />
      <ul className={styles.ends}>
        {row.ends.map((end) => (
          <li key={end.said} className={end.kind === 'eaten' ? 'soft' : styles.there}>
            {end.said}
          </li>
        ))}
        {open && <li>{row.next}</li>}
      </ul>
      {open ? (
        <LinkButton variant="contained" href={`/batches/${row.id}`} aria-label={`Go on with ${row.name}, ${row.day}`}>
          Go on
        </LinkButton>
      ) : (
        <LinkButton variant="outlined" href={`/batches/${row.id}`} aria-label={`Open ${row.name}, ${row.day}`}>
          Open
        </LinkButton>
      )}
    </li>
  );
}

/** What the next pot may learn from the last ones. */
function Learned({ said, older }: { said: readonly string[]; older: number | undefined }) {
  return (
    <div className="stack">
      {older !== undefined && (
        <p>
          <Link href={`/batches?from=${older}`}>Older batches</Link>
        </p>
      )}
      {said.map((each) => (
        <p key={each} className="note">
          {each}
        </p>
      ))}
    </div>
  );
}
