import Link from 'next/link';
import { HatchTile } from '@/ui/badges/badges';
import { EmptyRoom, ListRoom } from '@/ui/room';
import styles from './batches.module.css';
import type { BatchRow } from './list/queries';

const PLAN = { href: '/plan', label: 'Plan a batch' };

/** Every batch, newest first. */
export function BatchList({ rows, older }: { rows: readonly BatchRow[]; older: number | undefined }) {
  if (rows.length === 0) {
    return (
      <EmptyRoom title="Nothing was cooked yet" act={PLAN}>
        A batch begins with a plan: which recipe, for which dogs, for how many days.
      </EmptyRoom>
    );
  }
  return (
    <ListRoom title="Batches" aside="newest first" act={PLAN}>
      {rows.map((row) => (
        <li key={row.id} className={styles.row}>
          <HatchTile hatch={row.protein.hatch} width={56} height={56} />
          <div>
            <p className="rowName">
              <Link href={`/batches/${row.id}`}>{row.name}</Link>
            </p>
            <p className="note">{row.said}</p>
          </div>
          <p>
            <b>{row.state}</b> <span className="soft">{row.day}</span>
          </p>
        </li>
      ))}
      {older !== undefined && (
        <li>
          <Link href={`/batches?from=${older}`}>Older batches</Link>
        </li>
      )}
    </ListRoom>
  );
}
