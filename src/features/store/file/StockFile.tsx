'use client';

import Button from '@mui/material/Button';
import { Link } from '@/ui/Link';
import { useId, useState } from 'react';
import type { RowTaken } from '@/core/stock/stock-table';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { Working } from '@/ui/Working';
import { takeStockTable, tryStockTable } from '../actions';
import styles from './file.module.css';

const LARGEST = 400_000;

const FATES = [
  { fate: 'changed', title: 'Put right' },
  { fate: 'new', title: 'New, as found' },
  { fate: 'as it is', title: 'As it is' },
] as const;

/** Stock out as a table, and a table in again: what would become of every row is said before anything is kept. */
export function StockFile() {
  const id = useId();
  const [text, setText] = useState('');
  const [tried, setTried] = useState<readonly RowTaken[]>();
  const [taken, setTaken] = useState<readonly string[]>();
  const [tooLarge, setTooLarge] = useState(false);
  const look = useCommand(tryStockTable, 'stock-table-try', ({ rows }) => setTried(rows));
  const take = useCommand(takeStockTable, 'stock-table', ({ codes }) => {
    setTaken(codes);
    setTried(undefined);
    setText('');
  });
  const type = (next: string) => {
    look.clear();
    take.clear();
    setTried(undefined);
    setTaken(undefined);
    setTooLarge(next.length > LARGEST);
    setText(next);
  };
  const changes = tried?.filter(({ fate }) => fate !== 'as it is').length ?? 0;
  return (
    <div className="page">
      <div className="titleRow">
        <h1>Stock as a file</h1>
        <p className="soft">
          <Link href="/store">to the Store</Link>
        </p>
      </div>
      <div className={styles.columns}>
        <section className="stack" aria-labelledby="out">
          <h2 id="out">Take out</h2>
          <ul className="rows">
            <li>
              <a className="rowName" href="/api/stock/packs" download>
                Packs
              </a>
              <p className="note">CSV, a row for each pack that holds food</p>
            </li>
            <li>
              <a className="rowName" href="/api/stock/movements" download>
                Movements
              </a>
              <p className="note">CSV, every side of every movement: their sum is what is there</p>
            </li>
          </ul>
        </section>
        <section className="stack" aria-labelledby="in">
          <h2 id="in">Bring in</h2>
          <p className="note">
            A table as it goes out. A row with a code moves that pack or puts its grams right; a row without one is a
            pack that was found: its recipe, place, grams and kcal. What is not in the table stays.
          </p>
          <div className={styles.drop}>
            <label htmlFor={`${id}-file`}>A CSV file of packs</label>
            <input
              id={`${id}-file`}
              type="file"
              accept=".csv,text/csv"
              onChange={(event) => void event.target.files?.[0]?.text().then(type)}
            />
          </div>
          <div className={styles.drop}>
            <label htmlFor={`${id}-text`}>or its text, pasted</label>
            <textarea
              id={`${id}-text`}
              rows={5}
              value={text}
              spellCheck={false}
              autoComplete="off"
              onChange={(event) => type(event.target.value)}
            />
          </div>
          <Problems
            problems={[
              ...(tooLarge ? [{ message: 'This file is larger than 400 kB: no household has so many packs.' }] : []),
              ...look.problems,
              ...take.problems,
            ]}
          />
          {(look.pending || take.pending) && <Working said="Reading …" />}
          {tried === undefined ? (
            <div>
              <Button
                variant="contained"
                size="large"
                disabled={text.trim() === '' || tooLarge || look.pending}
                onClick={() => look.run({ text })}
              >
                See what becomes of it
              </Button>
            </div>
          ) : (
            <>
              {FATES.map(({ fate, title }) => {
                const own = tried.filter((each) => each.fate === fate);
                return own.length === 0 ? null : (
                  <section key={fate} aria-label={title}>
                    <h3>
                      {title} <span className="note">{own.length}</span>
                    </h3>
                    {fate !== 'as it is' && (
                      <ul className="rows">
                        {own.map(({ row, said }) => (
                          <li key={row}>{said}</li>
                        ))}
                      </ul>
                    )}
                  </section>
                );
              })}
              <div>
                <Button
                  variant="contained"
                  size="large"
                  disabled={changes === 0 || take.pending}
                  onClick={() => take.run({ text })}
                >
                  {changes === 0 ? 'Nothing is other than it was' : 'So it is'}
                </Button>
              </div>
            </>
          )}
          {taken && (
            <p role="status" className="inOrder">
              It is in the books.{taken.length > 0 && ` New codes: ${taken.join(', ')}.`}
            </p>
          )}
        </section>
      </div>
    </div>
  );
}
