'use client';

import Button from '@mui/material/Button';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { countOf } from '@/core/quantity/count-words';
import { traceDrawing } from '@/ui/charts/trace-drawing';
import { Fold } from '@/ui/Fold';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { PrintButton } from '@/ui/print/Print';
import { discardPacks, sayOfPacks } from '../actions';
import { useDone } from '../use-done';
import styles from './trace.module.css';
import type { TraceView } from './queries';

const WIDTH = 860;
const COLUMNS = ['lots', 'pots', 'packs', 'who ate of it'];
const DAYS = [1, 2, 3, 5, 7, 14];

/** From a lot, a pot, a pack or a dog to all that is the same food: drawn from the lot to the bowl, and what is left of it blocked. */
export function Trace({ view }: { view: TraceView }) {
  const drawn = traceDrawing(view.nodes, view.links, COLUMNS.length, WIDTH);
  return (
    <div className="page stack">
      <div className="titleRow">
        <h1>{view.said === undefined ? 'Recalled, or a dog is ill?' : `All from the same pots as ${view.said}`}</h1>
        {view.said !== undefined && <PrintButton />}
      </div>
      {view.unknown !== undefined && <Problems problems={[{ message: view.unknown }]} />}
      {view.said === undefined ? (
        <p>Say what is known. Everything that is the same food comes back: where it lies, and who ate of it.</p>
      ) : (
        <>
          {view.nodes.length === 0 && <p>Nothing that was written down comes from it.</p>}
          {view.nodes.length > 0 && (
            <figure className={styles.figure}>
              <div className={styles.heads} aria-hidden>
                {COLUMNS.map((name) => (
                  <b key={name}>{name}</b>
                ))}
              </div>
              <svg
                viewBox={`-1 0 ${WIDTH + 2} ${drawn.height}`}
                role="img"
                aria-label={saidOf(view)}
                className={styles.drawing}
              >
                {drawn.links.map((link) => (
                  <path key={link.key} d={link.path} fill="none" stroke="var(--slate-soft)" strokeWidth="2" />
                ))}
                {drawn.nodes.map((node) => (
                  <g key={node.key} transform={`translate(${node.x} ${node.y})`}>
                    <rect
                      width={drawn.box}
                      height="40"
                      rx="3"
                      fill="var(--enamel-raised)"
                      stroke="var(--slate)"
                      strokeWidth="1.5"
                    />
                    <foreignObject width={drawn.box} height="40">
                      <p className={styles.node}>
                        <b>{node.name}</b>
                        <span>{node.note}</span>
                      </p>
                    </foreignObject>
                  </g>
                ))}
              </svg>
            </figure>
          )}
          <Left view={view} />
          {view.bowls.length > 0 && (
            <Fold title={`The ${countOf(view.bowls.length, 'bowl')} of it, one by one`}>
              <ul className="rows">
                {view.bowls.map(({ id, said }) => (
                  <li key={id}>{said}</li>
                ))}
              </ul>
            </Fold>
          )}
        </>
      )}
      <Ask view={view} />
      <p className="note">
        A dog that is ill goes to a vet, and a recall to the shop: take the lot and these days along. This page knows
        only what was written down.
      </p>
    </div>
  );
}

/** The drawing in words, for those who do not see it. */
const saidOf = (view: TraceView): string =>
  COLUMNS.map((name, column) => {
    const own = view.nodes.filter((node) => node.column === column);
    return `${name}: ${own.length === 0 ? 'none' : own.map((node) => `${node.name} (${node.note})`).join('; ')}`;
  }).join('. ');

/** What is left of it: blocked with a reason, or thrown away. */
function Left({ view }: { view: TraceView }) {
  const [why, setWhy] = useState('');
  const done = useDone('trace-back');
  const open = view.left.filter((pack) => !pack.blocked).map(({ holdingId }) => holdingId);
  const all = view.left.map(({ holdingId }) => holdingId);
  const block = useCommand(sayOfPacks, 'trace-block', ({ movementIds }) =>
    done.tell(`${countOf(open.length, 'pack')} blocked: none is proposed or fed.`, movementIds),
  );
  const discard = useCommand(discardPacks, 'trace-discard', ({ movementIds }) =>
    done.tell(`${countOf(all.length, 'pack')} thrown away.`, movementIds),
  );
  const reason = why.trim() === '' ? {} : { why };
  return (
    <section aria-labelledby="left" className={view.left.length > 0 ? styles.left : undefined}>
      <h2 id="left">{view.leftSaid}</h2>
      {view.left.length > 0 && (
        <div className="stack">
          <ul className={styles.packs}>
            {view.left.map(({ holdingId, code, said }) => (
              <li key={holdingId}>
                <Link href={`/store?pack=${code}`}>
                  <b>{code}</b>
                </Link>{' '}
                <span className="note">{said}</span>
              </li>
            ))}
          </ul>
          <div className={styles.why}>
            <Field
              label="Why"
              hint="recalled by the shop; Otto was sick after it"
              autoComplete="off"
              value={why}
              onChange={(event) => setWhy(event.target.value)}
              problem={block.at('why') ?? discard.at('why')}
            />
          </div>
          <Problems problems={[...block.atHead('why'), ...discard.atHead('why'), ...done.problems]} />
          <div className={styles.acts}>
            <Button
              variant="contained"
              size="large"
              disabled={block.pending || open.length === 0}
              onClick={() => block.run({ holdingIds: open, is: 'blocked', ...reason })}
            >
              {open.length === 0 ? 'All of it is blocked' : `Do not feed ${open.length === 1 ? 'it' : 'them'}`}
            </Button>
            <Button
              variant="outlined"
              size="large"
              disabled={discard.pending}
              onClick={() => discard.run({ holdingIds: all, ...reason })}
            >
              Throw away
            </Button>
          </div>
        </div>
      )}
      {done.bar}
    </section>
  );
}

/** What is asked about: a lot, a pack, or a dog and how many days back. */
function Ask({ view }: { view: TraceView }) {
  const router = useRouter();
  const [pack, setPack] = useState('');
  const [dog, setDog] = useState(String(view.asked.dog ?? view.dogs[0]?.id ?? ''));
  const [days, setDays] = useState(String(view.asked.days ?? 3));
  const ask = (query: string) => router.push(`/store/trace?${query}`);
  return (
    <section aria-labelledby="ask" className={styles.ask}>
      <h2 id="ask">{view.said === undefined ? 'What is known?' : 'Something else'}</h2>
      <form
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          if (pack.trim() !== '') ask(`pack=${encodeURIComponent(pack.trim())}`);
        }}
      >
        <Field
          label="A pack, by its code"
          autoComplete="off"
          value={pack}
          onChange={(event) => setPack(event.target.value)}
        />
        <Button type="submit" variant="outlined">
          Follow it
        </Button>
      </form>
      {view.lots.length > 0 && (
        <Choice
          label="A lot, as it was written down"
          value={view.asked.lot ?? ''}
          options={[{ value: '', label: 'which?' }, ...view.lots.map((lot) => ({ value: lot, label: lot }))]}
          onChange={(lot) => lot !== '' && ask(`lot=${encodeURIComponent(lot)}`)}
        />
      )}
      {view.dogs.length > 0 && (
        <form
          noValidate
          onSubmit={(event) => {
            event.preventDefault();
            ask(`dog=${dog}&days=${days}`);
          }}
        >
          <Choice
            label="A dog that is ill"
            value={dog}
            options={view.dogs.map(({ id, name }) => ({ value: String(id), label: name }))}
            onChange={setDog}
          />
          <Choice
            label="What it ate in the last"
            value={days}
            options={DAYS.map((each) => ({ value: String(each), label: countOf(each, 'day') }))}
            onChange={setDays}
          />
          <Button type="submit" variant="outlined">
            Follow that
          </Button>
        </form>
      )}
    </section>
  );
}
