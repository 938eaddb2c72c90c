'use client';

import Button from '@mui/material/Button';
import type { WeeksAsk } from '@/core/weeks/ask';
import { isFree, wholePots, withSaid, type SaidPots } from '@/core/weeks/said';
import { addDays } from '@/core/calendar/local-date';
import { countOf } from '@/core/quantity/count-words';
import { HatchTile } from '@/ui/badges/badges';
import { Choice } from '@/ui/form/Choice';
import { useState } from 'react';
import type { WeeksDay, WeeksView } from './queries';
import styles from './weeks.module.css';

interface OneDayProps {
  view: WeeksView;
  /** What is asked, with what was typed and not solved yet. */
  ask: WeeksAsk;
  at: number;
  onDay: (index: number) => void;
  disabled: boolean;
  /** Something was said of a day: the rest is solved around it. */
  onSay: (ask: WeeksAsk) => void;
  onMove: (from: WeeksDay, to: WeeksDay) => void;
}

/** The day in hand: what is cooked and eaten on it and why, and what the cook wants otherwise. */
export function OneDay({ view, ask, at, onDay, disabled, onSay, onMove }: OneDayProps) {
  const day = view.days[at];
  if (!day) return null;
  return (
    <section aria-labelledby="one-day" className="stack">
      <div className={styles.day}>
        <Button variant="outlined" disabled={at === 0} aria-label="The day before" onClick={() => onDay(at - 1)}>
          ‹
        </Button>
        <h2 id="one-day" aria-live="polite">
          {day.said}
        </h2>
        <Button
          variant="outlined"
          disabled={at === view.days.length - 1}
          aria-label="The day after"
          onClick={() => onDay(at + 1)}
        >
          ›
        </Button>
      </div>
      <div className={styles.two}>
        <Cooked view={view} ask={ask} day={day} at={at} disabled={disabled} onSay={onSay} onMove={onMove} />
        <div>
          <h3>Eaten</h3>
          <ul className="rows">
            {day.eats.map(({ name, word, from }) => (
              <li key={name} className="spread">
                <b>{name}</b>{' '}
                <span className="soft">
                  {word}
                  {from}
                </span>
              </li>
            ))}
          </ul>
          <Without view={view} ask={ask} day={day} disabled={disabled} onSay={onSay} />
        </div>
      </div>
    </section>
  );
}

function Cooked({
  view: { recipes, days },
  ask,
  day,
  at,
  disabled,
  onSay,
  onMove,
}: Omit<OneDayProps, 'onDay'> & { day: WeeksDay }) {
  const offered = recipes.filter(({ recipeId, why }) => ask.recipeIds.includes(recipeId) && why === undefined);
  const [recipeId, setRecipeId] = useState(offered[0]?.recipeId ?? 0);
  const pots = wholePots(day.pots);
  const say = (next: SaidPots | null | undefined) => onSay(withSaid(ask, day.day, next));
  const more = (id: number, by: number) =>
    say(
      pots
        .map((pot) => (pot.recipeId === id ? { ...pot, potfuls: pot.potfuls + by } : pot))
        .filter(({ potfuls }) => potfuls > 0),
    );
  const chance = (from: readonly WeeksDay[]) => from.find(isFree);
  const earlier = chance(days.slice(0, at).reverse());
  const later = chance(days.slice(at + 1));
  return (
    <div className="stack">
      <h3>{pots.length > 0 ? 'Cooked' : 'Nothing is cooked'}</h3>
      {day.pots.map(({ recipeId: id, name, hatch, potfuls, why, dried }) => (
        <div key={id} className={styles.pot}>
          <HatchTile hatch={hatch} width={28} height={20} />
          <b>{name}</b>
          <Button
            variant="outlined"
            disabled={disabled}
            aria-label={`A potful less of ${name}`}
            onClick={() => more(id, -1)}
          >
            −
          </Button>
          <span className="rowName">{potfuls}</span>
          <Button
            variant="outlined"
            disabled={disabled || potfuls >= 8}
            aria-label={`A potful more of ${name}`}
            onClick={() => more(id, 1)}
          >
            +
          </Button>
          {dried !== '' && <p className={styles.whole}>{dried}</p>}
          {why && <p className={`note ${styles.whole}`}>{why}</p>}
        </div>
      ))}
      {day.cycles.map(({ name, count }) => (
        <p key={name} className="note">
          {countOf(count, 'cycle')} of the {name}
          {count > 1 ? ', one after the other' : ''}.
        </p>
      ))}
      {day.why.length > 0 && (
        <ul className="note">
          {day.why.map((why) => (
            <li key={why}>{why}</li>
          ))}
        </ul>
      )}
      <div className={styles.acts}>
        {pots.length > 0 && earlier && (
          <Button variant="outlined" disabled={disabled} onClick={() => onMove(day, earlier)}>
            Move to {earlier.said}
          </Button>
        )}
        {pots.length > 0 && later && (
          <Button variant="outlined" disabled={disabled} onClick={() => onMove(day, later)}>
            Move to {later.said}
          </Button>
        )}
        {day.cookable && (
          <Button variant="text" disabled={disabled} onClick={() => say(null)}>
            Do not cook on this day
          </Button>
        )}
        {day.fixed && (
          <Button variant="text" disabled={disabled} onClick={() => say(undefined)}>
            Let it go
          </Button>
        )}
      </div>
      {offered.length > 0 && (
        <div className={styles.acts}>
          <Choice
            label="Cook here"
            value={String(recipeId)}
            options={offered.map((recipe) => ({ value: String(recipe.recipeId), label: recipe.name }))}
            onChange={(value) => setRecipeId(Number(value))}
          />
          <Button
            variant="outlined"
            disabled={disabled || pots.length >= 6}
            onClick={() =>
              pots.some((pot) => pot.recipeId === recipeId)
                ? more(recipeId, 1)
                : say([...pots, { recipeId, potfuls: 1 }])
            }
          >
            A potful of it
          </Button>
        </div>
      )}
    </div>
  );
}

/** A protein that nobody is to get for the week from this day. */
function Without({
  view,
  ask,
  day,
  disabled,
  onSay,
}: Pick<OneDayProps, 'view' | 'ask' | 'disabled' | 'onSay'> & { day: WeeksDay }) {
  const words = [...new Set(day.eats.map(({ word }) => word))].filter((word) =>
    view.recipes.some(({ protein }) => protein === word),
  );
  const own = ask.without.filter(({ from, to }) => from <= day.day && day.day <= to);
  return (
    <div className={styles.acts}>
      {words.map((protein) => (
        <Button
          key={protein}
          variant="text"
          disabled={disabled}
          onClick={() =>
            onSay({ ...ask, without: [...ask.without, { protein, from: day.day, to: addDays(day.day, 6) }] })
          }
        >
          No {protein} for a week from here
        </Button>
      ))}
      {own.map((each) => (
        <Button
          key={`${each.protein} ${each.from}`}
          variant="text"
          disabled={disabled}
          onClick={() => onSay({ ...ask, without: ask.without.filter((other) => other !== each) })}
        >
          Let {each.protein} in again
        </Button>
      ))}
    </div>
  );
}
