'use client';

import Button from '@mui/material/Button';
import Link from 'next/link';
import { useEffect, useRef, useState } from 'react';
import type { EnergyFactors } from '@/core/nutrition/energy';
import type { Profile, Profiles } from '@/core/nutrition/profiles';
import { capFor, type Proposed } from '@/core/nutrition/propose';
import { densityOf } from '@/core/food/measures';
import { millilitres, type UnitSet } from '@/core/quantity/units';
import { weighableUp, writeGrams, writeMoney, writeNumber, writeVolume } from '@/core/quantity/write';
import type { WeighedLine } from '@/core/recipe/recipe';
import { Choice } from '@/ui/form/Choice';
import { askForAdditions } from '@/workers/propose.client';
import styles from './recipes.module.css';
import type { KnownAddition } from './queries';

interface ProposalsProps {
  lines: readonly WeighedLine[];
  factors: EnergyFactors;
  nutrients: Profiles['nutrients'];
  profile: Profile;
  additions: readonly KnownAddition[];
  set: UnitSet;
  currency: string;
  /** What is proposed at the moment, for the drawing. */
  onProposed: (proposed: readonly { readonly addition: KnownAddition; readonly grams: number }[]) => void;
  onTake: (addition: KnownAddition, mass: number) => void;
}

/** The same in cups and spoons, where the table knows how heavy they are. */
function inSpoons({ food, measures }: KnownAddition, mass: number, set: UnitSet): string {
  const density = densityOf(food, measures);
  return density ? `${writeVolume(millilitres(mass / density.gramsPerMl), set).text} · ` : '';
}

type State = 'idle' | 'working' | 'failed' | Proposed;

/** What would close the gaps, at least in weight: worked out aside, taken line by line. */
export function Proposals(props: ProposalsProps) {
  const { lines, factors, nutrients, profile, additions, set, currency, onProposed, onTake } = props;
  const [least, setLeast] = useState<'weight' | 'cost'>('weight');
  const [state, setState] = useState<State>('idle');
  const running = useRef<{ readonly stop: () => void }>(undefined);
  useEffect(() => () => running.current?.stop(), []);
  const named = (answer: Proposed) =>
    answer.additions.flatMap(({ ndb, grams: mass }) => {
      const addition = additions.find((each) => each.food.ndb === ndb);
      return addition ? [{ addition, grams: weighableUp(mass) }] : [];
    });
  const allowed = additions.filter((addition) => addition.allowed);
  const wanted = least === 'cost' ? allowed.filter((addition) => addition.price !== undefined) : allowed;
  const ask = () => {
    const candidates = wanted.map(({ food, cap, price }) => ({
      food,
      cap: capFor(lines, cap, factors),
      ...(least === 'cost' ? { price } : {}),
    }));
    setState('working');
    running.current = askForAdditions(
      [lines, candidates, nutrients, profile, factors],
      (answer) => {
        setState(answer);
        onProposed(named(answer));
      },
      () => setState('failed'),
    );
  };
  const stop = () => {
    running.current?.stop();
    setState('idle');
  };
  if (state === 'working') {
    return (
      <div className="spread" role="status">
        <span>Working it out …</span>
        <Button variant="outlined" onClick={stop}>
          Stop
        </Button>
      </div>
    );
  }
  return (
    <div className="stack">
      <div className={styles.ask}>
        <Button variant="outlined" onClick={ask} disabled={wanted.length === 0}>
          {state === 'idle' || state === 'failed' ? 'What would close the gaps?' : 'Work it out again'}
        </Button>
        <Choice
          label="With the least"
          value={least}
          options={[
            { value: 'weight' as const, label: 'weight' },
            { value: 'cost' as const, label: 'cost' },
          ]}
          onChange={setLeast}
        />
        <Link href="/recipes/supplies">what may be added</Link>
      </div>
      {least === 'cost' && (
        <p className="note">
          {wanted.length} of {allowed.length} additions have a price; only those are looked at.
        </p>
      )}
      {state === 'failed' && <p className="caution">That could not be worked out here. Try again.</p>}
      {typeof state === 'object' && (
        <section aria-label="Proposed additions" className="stack">
          {state.conflicts.length > 0 && (
            <p className="caution">
              Not all can be held together. The least that must give way:{' '}
              {state.conflicts
                .map(
                  ({ name, side, by }) =>
                    `${name} ${writeNumber(by * 100, 0)} % ${side === 'least' ? 'under' : 'over'}`,
                )
                .join(', ')}
              .
            </p>
          )}
          {state.additions.length === 0 && <p>Nothing has to be added.</p>}
          <ul className="rows">
            {named(state).map(({ addition, grams: mass }) => (
              <li key={addition.food.ndb} className={styles.proposed}>
                <span>
                  <b>{writeGrams(mass)}</b> {addition.food.name}{' '}
                  <span className="note">
                    {inSpoons(addition, mass, set)}
                    {addition.moment}
                    {addition.price !== undefined && ` · ${writeMoney(addition.price * mass, currency)}`}
                  </span>
                </span>
                <Button
                  variant="outlined"
                  size="small"
                  aria-label={`Take ${addition.food.name}`}
                  onClick={() => {
                    onTake(addition, mass);
                    const rest = {
                      ...state,
                      additions: state.additions.filter((each) => each.ndb !== addition.food.ndb),
                    };
                    setState(rest);
                    onProposed(named(rest));
                  }}
                >
                  take it
                </Button>
              </li>
            ))}
          </ul>
          {state.dropped.length > 0 && (
            <p className={styles.dropped}>
              Nothing here supplies {state.dropped.join(', ')}: that comes from a label. Show a vet or a nutritionist
              what you add.
            </p>
          )}
        </section>
      )}
    </div>
  );
}
