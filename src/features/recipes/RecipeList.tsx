import { figure } from '@/ui/figure';
import { AwayList } from '@/ui/AwayList';
import { writeKcal } from '@/core/quantity/write';
import { leastOf } from '@/core/recipe/sheet';
import { Link } from '@/ui/Link';
import { LinkButton } from '@/ui/LinkButton';
import { HatchTile } from '@/ui/badges/badges';
import { EmptyRoom, ListRoom } from '@/ui/room';
import { UnreadList } from '@/ui/Unread';
import { putAway } from './actions';
import type { RecipesView } from './queries';
import styles from './recipes.module.css';

const WRITE = { href: '/recipes/new', label: 'Write a recipe' };

/** Every recipe in its own words, with the protein that its batches carry. */
export function RecipeList({ view: { rows, unread, away } }: { view: RecipesView }) {
  if (rows.length + unread.length === 0 && away.length === 0) {
    return (
      <EmptyRoom title="No recipe yet" act={WRITE}>
        Write one down as you cook it: “2 lb”, “1 1/2 cups”, “2 large”. The grams and the energy follow from the food
        table. Or <Link href="/recipes/files">bring in a file</Link> that you have.
      </EmptyRoom>
    );
  }
  return (
    <ListRoom
      title="Recipes"
      aside="kcal per 100 g of what goes in, before cooking"
      act={WRITE}
      ways={[
        { href: '/recipes/rotation', label: 'in turn' },
        { href: '/recipes/supplies', label: 'supplies' },
        { href: '/recipes/files', label: 'as files' },
      ]}
    >
      {unread.length > 0 && (
        <li>
          <UnreadList things={unread} />
        </li>
      )}
      {rows.map((row) => (
        <li key={row.recipeId} className={styles.row}>
          <HatchTile hatch={row.protein.hatch} width={56} height={56} />
          <div className={styles.words}>
            <p className="rowName">
              <Link href={`/recipes/${row.recipeId}`}>{row.name}</Link>
            </p>
            <p className="note">{row.lines}</p>
            {row.note && <p className="note">next time: {row.note}</p>}
          </div>
          <p className={styles.per}>
            <span className="rowName" {...figure('recipe kcal', row.recipeId, row.sheet.kcalPer100)}>
              {row.sheet.kcalPer100 === undefined ? '?' : `${leastOf(row.sheet)}${writeKcal(row.sheet.kcalPer100)}`}
            </span>{' '}
            kcal, {row.protein.word}
          </p>
          <LinkButton variant="outlined" href={`/plan?recipe=${row.recipeId}`} aria-label={`Plan it: ${row.name}`}>
            Plan it
          </LinkButton>
        </li>
      ))}
      {away.length > 0 && (
        <li>
          <AwayList kind="recipe" things={away} putAway={putAway} />
        </li>
      )}
    </ListRoom>
  );
}
