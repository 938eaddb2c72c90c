'use client';

import Button from '@mui/material/Button';
import { useEffect, useRef, useState } from 'react';
import type { EnergyFactors } from '@/core/nutrition/energy';
import type { Profile, Profiles } from '@/core/nutrition/profiles';
import { capFor, type Proposed } from '@/core/nutrition/propose';
import { densityOf } from '@/core/food/measures';
import { millilitres, type UnitSet } from '@/core/quantity/units';
import { weighableUp, writeGrams, writeNumber, writeVolume } from '@/core/quantity/write';
import type { WeighedLine } from '@/core/recipe/recipe';
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
export function Proposals({ lines, factors, nutrients, profile, additions, set, onProposed, onTake }: ProposalsProps) {
  const [state, setState] = useState<State>('idle');
  const running = useRef<{ readonly stop: () => void }>(undefined);
  useEffect(() => () => running.current?.stop(), []);
  const named = (answer: Proposed) =>
    answer.additions.flatMap(({ ndb, grams: mass }) => {
      const addition = additions.find((each) => each.food.ndb === ndb);
      return addition ? [{ addition, grams: weighableUp(mass) }] : [];
    });
  const ask = () => {
    const candidates = additions.map(({ food, cap }) => ({ food, cap: capFor(lines, cap, factors) }));
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
      <div>
        <Button variant="outlined" onClick={ask}>
          {state === 'idle' || state === 'failed' ? 'What would close the gaps?' : 'Work it out again'}
        </Button>
      </div>
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
              <li key={addition.food.ndb} className="spread">
                <span>
                  <b>{writeGrams(mass)}</b> {addition.food.name}{' '}
                  <span className="note">
                    {inSpoons(addition, mass, set)}
                    {addition.moment}
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
