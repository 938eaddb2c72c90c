'use client';

import type { PlaceOffered } from '@/core/plan/list-entry';
import { LABEL_DATES } from '@/core/preserve/shelf-life';
import { LOT_KINDS, type LotKind } from '@/core/stock/lot';
import type { LotEntry } from '@/core/stock/lot-entry';
import { Choice } from '../form/Choice';
import { Field } from '../form/Field';
import styles from './lots.module.css';

const KIND_WORDS: Readonly<Record<LotKind, string>> = {
  pantry: 'as its label says',
  'whole meat': 'raw meat in one piece',
  raw: 'raw, ground or offal or fish',
  cooked: 'cooked',
  broth: 'broth',
  dehydrated: 'dehydrated',
  'freeze-dried': 'freeze-dried',
};
const DATE_WORDS = { best: 'best by', safe: 'use by' } as const;

interface LotFieldsProps {
  entry: LotEntry;
  onChange: (part: Partial<LotEntry>) => void;
  at: (field: string) => string | undefined;
  places: readonly PlaceOffered[];
  currency: string;
}

/** The fields that `LotFields` shows: problems of others go to the head of the form. */
export const LOT_FIELDS = ['amount', 'price', 'date', 'code', 'kind', 'placeId'] as const;

/** What stands on a wrapper and on the bill. */
export function LotFields({ entry, onChange, at, places, currency }: LotFieldsProps) {
  return (
    <div className={styles.fields}>
      <Field
        label="So much came"
        value={entry.amount}
        onChange={(event) => onChange({ amount: event.target.value })}
        problem={at('amount')}
        autoComplete="off"
      />
      <Field
        label="For all of it"
        unit={currency}
        inputMode="decimal"
        value={entry.price}
        onChange={(event) => onChange({ price: event.target.value })}
        problem={at('price')}
        hint="empty: not known"
        autoComplete="off"
      />
      <Field
        label="Date on its label"
        type="date"
        value={entry.date}
        onChange={(event) => onChange({ date: event.target.value })}
        problem={at('date')}
      />
      <Choice
        label="That date says"
        value={entry.is}
        options={LABEL_DATES.map((value) => ({ value, label: DATE_WORDS[value] }))}
        onChange={(is) => onChange({ is })}
      />
      <Field
        label="Lot on its label"
        value={entry.code}
        onChange={(event) => onChange({ code: event.target.value })}
        problem={at('code')}
        autoComplete="off"
      />
      <Choice
        label="It keeps"
        value={entry.kind}
        options={LOT_KINDS.map((value) => ({ value, label: KIND_WORDS[value] }))}
        onChange={(kind) => onChange({ kind })}
      />
      <div>
        <Choice
          label="It lies in the"
          value={String(entry.placeId)}
          options={places.map(({ id, name }) => ({ value: String(id), label: name.toLowerCase() }))}
          onChange={(id) => onChange({ placeId: Number(id) })}
        />
        {at('placeId') && (
          <p role="alert" className="danger">
            {at('placeId')}
          </p>
        )}
      </div>
    </div>
  );
}
