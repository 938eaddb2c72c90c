'use client';

import Button from '@mui/material/Button';
import { Link } from '@/ui/Link';
import { useEffect, useRef, useState } from 'react';
import type { EnergyFactors } from '@/core/nutrition/energy';
import type { Profile, Profiles } from '@/core/nutrition/profiles';
import { capFor } from '@/core/nutrition/programme';
import type { Objective, Proposed, Relaxation } from '@/core/nutrition/propose';
import { densityOf } from '@/core/food/measures';
import { spoonOf } from '@/core/nutrition/measurable';
import { millilitres, type UnitSet } from '@/core/quantity/units';
import { writeMoney, writeNumber, writeVolume } from '@/core/quantity/write';
import type { WeighedLine } from '@/core/recipe/recipe';
import { Working } from '@/ui/Working';
import { Choice } from '@/ui/form/Choice';
import { askForAdditions } from '@/workers/propose.client';
import styles from './recipes.module.css';
import type { KnownAddition } from './queries';
import { useUnits } from '@/ui/units';

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
  onTake: (taken: readonly { readonly addition: KnownAddition; readonly grams: number }[]) => void;
  /** Takes back what was taken last; undefined where nothing can be. */
  onUndo: (() => void) | undefined;
}

/** The same in cups and spoons, where the table knows how heavy they are. */
function inSpoons({ food, measures }: KnownAddition, mass: number, set: UnitSet): string {
  const density = densityOf(food, measures);
  return density ? `${writeVolume(millilitres(mass / density.gramsPerMl), set).text} · ` : '';
}

/** "calcium 3 % under, vitamin D 1 % over" */
const sayRelaxed = (limits: readonly Relaxation[]) =>
  limits
    .map(
      ({ name, side, by }) =>
        `${name} ${by < 0.01 ? 'under 1' : writeNumber(by * 100, 0)} % ${side === 'least' ? 'short' : 'too much'}`,
    )
    .join(', ');

type State = 'idle' | 'working' | 'failed' | Proposed;

/** What would close the gaps, at least in weight: worked out aside, taken line by line. */
export function Proposals(props: ProposalsProps) {
  const { inMass } = useUnits();
  const { lines, factors, nutrients, profile, additions, set, currency, onProposed, onTake, onUndo } = props;
  const [least, setLeast] = useState<Objective>('fewest');
  const [taken, setTaken] = useState(false);
  const [isAskedAnyway, setAskedAnyway] = useState(false);
  // What is not counted may hold what seems to be missing: on top of it nothing is proposed unasked.
  const uncounted = lines.flatMap(({ food, text }) => (food.uncounted ? [text] : []));
  const [state, setState] = useState<State>('idle');
  const running = useRef<{ readonly stop: () => void }>(undefined);
  useEffect(() => () => running.current?.stop(), []);
  const named = (answer: Proposed) =>
    answer.additions.flatMap(({ ndb, grams: mass }) => {
      const addition = additions.find((each) => each.food.ndb === ndb);
      return addition ? [{ addition, grams: Number(mass) }] : [];
    });
  const allowed = additions.filter((addition) => addition.allowed);
  const wanted = least === 'cost' ? allowed.filter((addition) => addition.price !== undefined) : allowed;
  const ask = () => {
    const candidates = wanted.map(({ food, measures, cap, price }) => ({
      food,
      cap: capFor(lines, cap, factors),
      ...(least === 'cost' ? { price } : {}),
      ...spoonOf({ food, measures }),
    }));
    setTaken(false);
    setState('working');
    running.current = askForAdditions(
      [lines, candidates, nutrients, profile, factors, least],
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
    return <Working said="Working it out …" onStop={stop} />;
  }
  if (uncounted.length > 0 && !isAskedAnyway)
    return (
      <div className="stack">
        <p className="caution">
          {uncounted.join('; ')} is not counted and may hold what seems to be missing. Choose its food or enter its
          label first.
        </p>
        <Button variant="text" onClick={() => setAskedAnyway(true)}>
          It holds none of it: propose all the same
        </Button>
      </div>
    );
  return (
    <div className="stack">
      <div className={styles.ask}>
        <Button variant="outlined" onClick={ask} disabled={wanted.length === 0}>
          {state === 'idle' || state === 'failed' ? 'What would close the gaps?' : 'Work it out again'}
        </Button>
        <Choice
          label="With"
          value={least}
          options={[
            { value: 'fewest' as const, label: 'the fewest things' },
            { value: 'weight' as const, label: 'the least weight' },
            { value: 'cost' as const, label: 'the least cost' },
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
              Not all can be held together. The least that must give way: {sayRelaxed(state.conflicts)}.
            </p>
          )}
          {state.missed.length > 0 && (
            <p className="caution">Measured as they stand here, these miss a little: {sayRelaxed(state.missed)}.</p>
          )}
          {state.ended && (
            <p className="note">The search was ended before it was through: there may be a better answer.</p>
          )}
          {state.boneIn && (
            <p className="caution">
              Bone is in it whose minerals nobody knows: nothing is proposed for calcium or phosphorus.
            </p>
          )}
          {state.additions.length === 0 && (
            <p>{taken ? 'Taken: they stand among the lines.' : 'Nothing has to be added.'}</p>
          )}
          <ul className="rows">
            {named(state).map(({ addition, grams: mass }) => (
              <li key={addition.food.ndb} className={styles.proposed}>
                <span>
                  <b>{inMass(mass)}</b> {addition.food.name}{' '}
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
                    onTake([{ addition, grams: mass }]);
                    setTaken(true);
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
          <div className={styles.small}>
            {state.additions.length > 1 && (
              <Button
                variant="contained"
                onClick={() => {
                  onTake(named(state));
                  setTaken(true);
                  setState({ ...state, additions: [] });
                  onProposed([]);
                }}
              >
                Take all {state.additions.length}
              </Button>
            )}
            {taken && onUndo && (
              <Button
                variant="text"
                onClick={() => {
                  onUndo();
                  setTaken(false);
                  setState('idle');
                  onProposed([]);
                }}
              >
                take back what was taken
              </Button>
            )}
          </div>
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
