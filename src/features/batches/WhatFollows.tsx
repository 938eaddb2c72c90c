'use client';

import Button from '@mui/material/Button';
import type { Changed } from '@/core/batch/follows';
import { countOf } from '@/core/quantity/count-words';
import { capital, writeDensity, writeKcal, writeNumber } from '@/core/quantity/write';
import { Caution } from '@/ui/Caution';
import { useUnits } from '@/ui/units';
import styles from './batches.module.css';
import { FATE_WORDS } from './fate-words';
import type { BatchView } from './view';
import type { useCorrection } from './use-correction';

const SHOWN = 6;

interface WhatFollowsProps {
  view: BatchView;
  /** To the packs, to be weighed again. */
  onPacks: () => void;
  of: Pick<ReturnType<typeof useCorrection>, 'follows' | 'take' | 'leave' | 'mayStand' | 'letStand' | 'pending'>;
}

/** What a correction changes, before it is taken. */
export function WhatFollows({
  view,
  onPacks,
  of: { follows, take, leave, mayStand, letStand, pending },
}: WhatFollowsProps) {
  const { inMass } = useUnits();
  if (mayStand)
    return (
      <div className={styles.acts}>
        <Button variant="outlined" disabled={pending} onClick={letStand}>
          Let the packs’ weights stand
        </Button>
        <Button variant="outlined" onClick={onPacks}>
          Weigh the packs again
        </Button>
        <Button variant="text" onClick={leave}>
          leave it
        </Button>
      </div>
    );
  if (!follows) return null;
  const change = ({ from, to }: Changed, write: (value: number) => string) =>
    `${from === undefined ? 'not known' : write(from)} → ${to === undefined ? 'nothing' : write(to)}`;
  const fateOf = (id: number) => view.weighed?.shares.find((share) => share.id === id)?.fate;
  const same = ({ from, to }: Changed) => from !== undefined && to !== undefined && Math.abs(from - to) < 1e-6;
  return (
    <section className={styles.follows} aria-labelledby="follows" role="status">
      <h3 id="follows">What follows</h3>
      {follows.notFor?.map(({ said, stops, dogs }) => (
        <Caution key={said} role="alert">
          {capital(said)}: {dogs.join(', ')}{' '}
          {stops ? (dogs.length > 1 ? 'do not get it' : 'does not get it') : 'would rather not'}.{' '}
          {view.state === 'cooking' && 'Leave it out if it is not in yet. '}
          {stops && `Once it is written down, nothing of this pot is fed to ${dogs.length > 1 ? 'them' : 'that dog'}.`}
        </Caution>
      ))}
      <ul className="rows">
        {!same(follows.net) && <li>yield {change(follows.net, inMass)}</li>}
        {!same(follows.density) && (
          <li>energy {change(follows.density, (density) => `${writeDensity(density)} kcal/g`)}</li>
        )}
        {follows.shares.map(({ id, grams }) => (
          <li key={id}>
            {FATE_WORDS[fateOf(id) ?? 'fridge']} {change(grams, inMass)}
          </li>
        ))}
        {follows.undivided >= 1 && <li>{inMass(follows.undivided)} are to be divided</li>}
        {follows.over > 0 && (
          <li>
            its packs hold {inMass(follows.over)} more than the pot: their weights stand, and the pot’s energy is spread
            over them
          </li>
        )}
        {follows.days && (
          <li>what is left feeds its dogs {change(follows.days, (days) => `${writeNumber(days, 1)} days`)}</li>
        )}
        {follows.packs.length > 0 && (
          <li>
            {countOf(follows.packs.length, 'label')} to be written again:{' '}
            {follows.packs
              .slice(0, SHOWN)
              .map(({ code, kcal }) => `${code} ${change(kcal, (value) => `${writeKcal(value)} kcal`)}`)
              .join(', ')}
            {follows.packs.length > SHOWN && ' …'}
          </li>
        )}
      </ul>
      <p className="note">Bowls that were fed stay as they were fed.</p>
      <div className={styles.acts}>
        <Button variant="contained" size="large" disabled={pending} onClick={take}>
          {follows.notFor?.some(({ stops }) => stops) ? 'It went in all the same' : 'Put it right'}
        </Button>
        <Button variant="text" onClick={leave}>
          leave it as it was
        </Button>
      </div>
    </section>
  );
}
