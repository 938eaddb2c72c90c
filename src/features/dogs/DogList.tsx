import { figure } from '@/ui/figure';
import { writeKcal } from '@/core/quantity/write';
import { Link } from '@/ui/Link';
import { DogBadge } from '@/ui/badges/badges';
import { EmptyRoom, ListRoom } from '@/ui/room';
import { UnreadList } from '@/ui/Unread';
import { EnergyBar } from './EnergyBar';
import styles from './dogs.module.css';
import type { DogsView } from './queries';

const ADD = { href: '/dogs/new', label: 'Add a dog' };

/** Every dog with its day's energy on one axis. */
export function DogList({ view: { rows, archived, unread } }: { view: DogsView }) {
  if (rows.length === 0) {
    return (
      <EmptyRoom title="No dog yet" act={ADD}>
        A dog’s weight, age and work say how much it eats a day. Everything else follows from that.
      </EmptyRoom>
    );
  }
  const highest = Math.max(...rows.map((row) => row.energy.kcal));
  return (
    <ListRoom
      title="Who eats how much"
      aside="kcal a day: diamond in force, band what the method allows, dashed at rest"
      act={ADD}
    >
      {unread.length > 0 && (
        <li>
          <UnreadList things={unread} />
        </li>
      )}
      {rows.map((row, index) => (
        <li key={row.id} className={styles.row}>
          <DogBadge letters={row.letters} badge={row.badge} />
          <div className={styles.words}>
            <p className="rowName">
              <Link href={`/dogs/${row.id}`}>{row.name}</Link>
            </p>
            <p className="note">{row.said}</p>
          </div>
          <EnergyBar energy={row.energy} highest={highest} axis={index === rows.length - 1} />
          <p className={styles.kcal}>
            <span className="figure" {...figure('day kcal', row.id, row.energy.kcal)}>
              {writeKcal(row.energy.kcal)}
            </span>{' '}
            kcal
          </p>
        </li>
      ))}
      {archived.length > 0 && (
        <li className="note">
          Archived:{' '}
          {archived.map((dog) => (
            <Link key={dog.id} href={`/dogs/${dog.id}`} className={styles.archived}>
              {dog.name}
            </Link>
          ))}
        </li>
      )}
    </ListRoom>
  );
}
