import { Fold } from '@/ui/Fold';
import { Link } from '@/ui/Link';
import { writeMoney, writeNumber } from '@/core/quantity/write';
import { LinkButton } from '@/ui/LinkButton';
import { UnreadList } from '@/ui/Unread';
import type { SuppliesView } from './queries';
import { AdditionRow } from './AdditionRow';
import styles from './supplies.module.css';

/** What stands in the cupboard with a label, and what may be proposed to close a recipe's gaps. */
export function Supplies({ view }: { view: SuppliesView }) {
  const [kept, away] = [view.supplies.filter((each) => !each.archived), view.supplies.filter((each) => each.archived)];
  return (
    <div className="page">
      <div className="spread">
        <div className="titleRow">
          <h1>Supplies</h1>
          <p className="soft">what has a label: supplements, premixes, bought food</p>
        </div>
        <LinkButton variant={kept.length === 0 ? 'contained' : 'outlined'} href="/recipes/supplies/new">
          Copy a label
        </LinkButton>
      </div>
      <UnreadList things={view.unread} />
      {kept.length === 0 && (
        <p className={styles.lead}>
          Iodine, chloride, EPA and DHA are in no food table: they come from labels alone. Copy the label of your kelp,
          fish oil or premix, and the balance knows them.
        </p>
      )}
      <ul className="rows">
        {kept.map(({ id, name, label }) => (
          <li key={id} className="spread">
            <span className="rowName">
              <Link href={`/recipes/supplies/${id}`}>{name}</Link>
            </span>
            <span className="note">
              1 {label.measure}
              {label.measure !== 'g' && ` is ${writeNumber(label.measureGrams, 3)} g`} ·{' '}
              {label.amounts.map((row) => `${row.nutrient} ${writeNumber(row.amount, 4)} ${row.unit}`).join(', ') ||
                'no row yet'}
              {label.price && ` · ${writeMoney(label.price.minor, view.currency)} for ${label.price.grams} g`}
            </span>
          </li>
        ))}
      </ul>
      {away.length > 0 && (
        <Fold title={`${away.length} put away`}>
          <ul>
            {away.map(({ id, name }) => (
              <li key={id}>
                <Link href={`/recipes/supplies/${id}`}>{name}</Link>
              </li>
            ))}
          </ul>
        </Fold>
      )}
      <section className={`stack ${styles.section}`} aria-labelledby="may-be">
        <h2 id="may-be">What may be proposed</h2>
        <p className="note">
          A cap is the most of it in 1000 kcal of a recipe. With a price, proposals can be the cheapest instead of the
          lightest.
        </p>
        <ul className="rows">
          {view.additions.map((addition) => (
            <AdditionRow key={addition.food.ndb} addition={addition} currency={view.currency} />
          ))}
        </ul>
      </section>
    </div>
  );
}
