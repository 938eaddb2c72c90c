'use client';

import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import { z } from 'zod';
import { countOf } from '@/core/quantity/count-words';
import { Tub } from '@/ui/badges/badges';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useDraftStorage } from '@/ui/form/use-draft-storage';
import { useUnits } from '@/ui/units';
import { countPlace } from '../actions';
import type { CountView } from '../queries';
import { useDone } from '../use-done';
import styles from './count.module.css';

const counted = z.object({ there: z.array(z.number()), also: z.array(z.string()) });

/** Stock is taken: one place after the other, what is there is ticked with a thumb, and the rest is said before it is kept. */
export function Count({ view }: { view: CountView }) {
  const { inMass } = useUnits();
  const { place } = view;
  const packs = place?.packs ?? [];
  const [draft, setDraft, forget] = useDraftStorage(`count-${place?.placeId ?? 0}`, counted, { there: [], also: [] });
  const [code, setCode] = useState('');
  const [asked, setAsked] = useState(false);
  const done = useDone('count-back');
  const keep = useCommand(countPlace, `count-${place?.placeId ?? 0}`, (value) => {
    forget(draft);
    setDraft({ there: [], also: [] });
    setAsked(false);
    const said = [
      ...(value.lost.length > 0 ? [`${value.lost.join(', ')} not found`] : []),
      ...(value.moved.length > 0 ? [`${value.moved.join(', ')} moved here`] : []),
      ...(value.found.length > 0 ? [`${value.found.join(', ')} found again`] : []),
    ];
    done.tell(said.length === 0 ? 'All is as it was.' : `${said.join('; ')}.`, value.movementIds);
  });
  if (!place)
    return (
      <div className="page">
        <h1>Nothing to count</h1>
        <p>
          No place holds a pack. <Link href="/store">To the Store</Link>
        </p>
      </div>
    );
  const there = new Set(draft.there);
  const missing = packs.filter((pack) => !there.has(pack.holdingId));
  const toggle = (id: number) => {
    setAsked(false);
    setDraft({ ...draft, there: there.has(id) ? draft.there.filter((each) => each !== id) : [...draft.there, id] });
  };
  const add = () => {
    const text = code.trim().toUpperCase();
    if (text === '') return;
    setAsked(false);
    const own = packs.find((pack) => pack.code === text);
    if (own) setDraft({ ...draft, there: [...new Set([...draft.there, own.holdingId])] });
    else setDraft({ ...draft, also: [...new Set([...draft.also, text])] });
    setCode('');
  };
  const send = () =>
    keep.run({
      placeId: place.placeId,
      missing: missing.map(({ holdingId }) => holdingId),
      also: [...draft.also],
    });
  const isAsIs = missing.length === 0 && draft.also.length === 0;
  return (
    <div className={`page ${styles.count}`}>
      <div className="titleRow">
        <h1>What is in the {place.name.toLowerCase()}?</h1>
        <p className="soft">
          <Link href="/store">to the Store</Link>
        </p>
      </div>
      <nav aria-label="Places" className={styles.places}>
        {view.places.map((each) => (
          <Link
            key={each.placeId}
            href={`/store/count?place=${each.placeId}`}
            aria-current={each.placeId === place.placeId ? 'page' : undefined}
          >
            {each.name} <span className="note">{each.packs}</span>
          </Link>
        ))}
      </nav>
      {packs.length === 0 && <p>Nothing lies here, by what was written down.</p>}
      <ul className={styles.packs}>
        {packs.map((pack) => (
          <li key={pack.holdingId}>
            <ButtonBase
              className={styles.pack}
              aria-pressed={there.has(pack.holdingId)}
              onClick={() => toggle(pack.holdingId)}
            >
              <Tub hatch={pack.protein.hatch} full={pack.full} size={40} />
              <b className={styles.code}>{pack.code}</b>
              <span>
                {pack.whose}, {inMass(pack.grams)}
                <span className="note"> {pack.until}</span>
              </span>
              <span className={styles.mark} aria-hidden>
                {there.has(pack.holdingId) ? '✓' : ''}
              </span>
            </ButtonBase>
          </li>
        ))}
      </ul>
      <form
        className={styles.also}
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          add();
        }}
      >
        <Field
          label="Something else lies here: its code"
          autoComplete="off"
          inputProps={{ autoCapitalize: 'characters' }}
          value={code}
          onChange={(event) => setCode(event.target.value)}
        />
        <Button type="submit" variant="outlined">
          Add it
        </Button>
      </form>
      {draft.also.length > 0 && (
        <ul className="rows" aria-label="Also here">
          {draft.also.map((each, index) => (
            <li key={each} className="spread">
              <span>
                <b>{each}</b> {keep.at(`also.${index}`) && <span className="danger">{keep.at(`also.${index}`)}</span>}
              </span>
              <Button
                variant="text"
                size="small"
                onClick={() => {
                  keep.clear();
                  setDraft({ ...draft, also: draft.also.filter((text) => text !== each) });
                }}
              >
                not this one
              </Button>
            </li>
          ))}
        </ul>
      )}
      <Problems problems={[...keep.atHead(...draft.also.map((_, index) => `also.${index}`)), ...done.problems]} />
      <div className={styles.end}>
        <p role="status">
          {asked && !isAsIs
            ? [
                ...(missing.length > 0
                  ? [`${missing.map((pack) => pack.code).join(', ')}: not there, and written off as lost`]
                  : []),
                ...(draft.also.length > 0 ? [`${draft.also.join(', ')}: here from now on`] : []),
              ].join('. ')
            : `${packs.length - missing.length} of ${countOf(packs.length, 'pack')} are there`}
        </p>
        {asked || isAsIs ? (
          <Button variant="contained" size="large" disabled={keep.pending} onClick={send}>
            {isAsIs ? 'All of it is there' : 'So it is'}
          </Button>
        ) : (
          <Button variant="contained" size="large" onClick={() => setAsked(true)}>
            That is all there is
          </Button>
        )}
      </div>
      {done.bar}
    </div>
  );
}
