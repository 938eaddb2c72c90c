'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { z } from 'zod';
import { LABEL_SHEETS, sheetOf } from '@/core/label/sheets';
import { countOf } from '@/core/quantity/count-words';
import { nth } from '@/core/sure';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Segments } from '@/ui/form/Segments';
import { useDraftStorage } from '@/ui/form/use-draft-storage';
import { ByHand, useLabelWords } from './ByHand';
import styles from './labels.module.css';

const WAYS = [
  { value: 'printed', label: 'printed' },
  { value: 'by hand', label: 'by hand, with a marker' },
] as const;
const SHEETS = LABEL_SHEETS.map(({ key, name }) => ({ value: key, label: name }));
/** So many changed labels are said one by one. */
const SHOWN = 8;
/** The sheet and the printer of this browser, kept for the next time. */
const kept = z.object({ sheet: z.string(), first: z.string(), right: z.string(), down: z.string() });

const number = (text: string, least: number, most: number): number | undefined => {
  const value = Number(text.trim().replace(',', '.') || '0');
  return Number.isFinite(value) && value >= least && value <= most ? value : undefined;
};

/** Labels of packs as a PDF: the sheet, its next free place, what the printer is off; what is shown is what is printed. */
export function PrintLabels({ holdingIds }: { holdingIds: readonly number[] }) {
  const [typed, setTyped] = useDraftStorage('labels', kept, {
    sheet: nth(LABEL_SHEETS, 0).key,
    first: '1',
    right: '0',
    down: '0',
  });
  const [seen, setSeen] = useState<string>();
  const [way, setWay] = useState<'printed' | 'by hand'>('printed');
  const words = useLabelWords(holdingIds);
  const changed = typeof words === 'object' ? words.filter((label) => label.changed !== undefined) : [];
  const sheet = sheetOf(typed.sheet) ?? nth(LABEL_SHEETS, 0);
  const places = sheet.columns * sheet.rows;
  const first = number(typed.first, 1, places);
  const right = number(typed.right, -10, 10);
  const down = number(typed.down, -10, 10);
  const whole = first !== undefined && Number.isInteger(first);
  const ready = whole && right !== undefined && down !== undefined;
  const address = ready
    ? `/api/labels?packs=${holdingIds.join(',')}&sheet=${sheet.key}&first=${first}&right=${right}&down=${down}`
    : undefined;
  const change = (part: Partial<typeof typed>) => {
    setSeen(undefined);
    setTyped({ ...typed, ...part });
  };
  return (
    <section className="stack" aria-label="Labels to print">
      <Segments label="How they are written" value={way} options={WAYS} onChange={setWay} />
      {changed.length > 0 && (
        <div role="status">
          <p className="caution">What is printed now is not what stands on {countOf(changed.length, 'bag')}:</p>
          <ul>
            {changed.slice(0, SHOWN).map((label) => (
              <li key={label.code}>
                {label.code}: {label.changed}
              </li>
            ))}
            {changed.length > SHOWN && <li>and {changed.length - SHOWN} more</li>}
          </ul>
        </div>
      )}
      {way === 'by hand' ? (
        typeof words === 'object' ? (
          <ByHand labels={words} />
        ) : (
          <p className="soft" role="status">
            {words ?? 'a moment'}
          </p>
        )
      ) : (
        <>
          <div className={styles.fields}>
            <Choice
              label="Sheet"
              value={sheet.key}
              options={SHEETS}
              onChange={(key) => change({ sheet: key, first: '1' })}
            />
            {places > 1 && (
              <Field
                label="First free place"
                inputMode="numeric"
                autoComplete="off"
                value={typed.first}
                onChange={(event) => change({ first: event.target.value })}
                problem={whole ? undefined : `A whole number from 1 to ${places}.`}
                hint="a sheet half used goes on"
              />
            )}
            <Field
              label="Moved right"
              unit="mm"
              inputMode="decimal"
              autoComplete="off"
              value={typed.right}
              onChange={(event) => change({ right: event.target.value })}
              problem={right === undefined ? 'From −10 to 10 mm.' : undefined}
              hint="by a test page"
            />
            <Field
              label="Moved down"
              unit="mm"
              inputMode="decimal"
              autoComplete="off"
              value={typed.down}
              onChange={(event) => change({ down: event.target.value })}
              problem={down === undefined ? 'From −10 to 10 mm.' : undefined}
            />
          </div>
          <div className={styles.acts}>
            <Button variant="outlined" disabled={!ready} onClick={() => setSeen(address)}>
              Look at {countOf(holdingIds.length, 'label')}
            </Button>
            {address && (
              <Button variant="text" component="a" href={address} target="_blank" rel="noopener">
                open the PDF to print it
              </Button>
            )}
          </div>
          {seen && <iframe src={seen} title="The labels as they are printed" className={styles.preview} />}
        </>
      )}
    </section>
  );
}
