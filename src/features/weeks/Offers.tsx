'use client';

import Button from '@mui/material/Button';
import type { WeeksAsk } from '@/core/weeks/ask';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import type { WeeksView } from './queries';
import styles from './weeks.module.css';

interface OffersProps {
  view: WeeksView;
  ask: WeeksAsk;
  onChange: (part: Partial<WeeksAsk>) => void;
  at: (field: string) => string | undefined;
}

/** Something that is cheaper on a day: what is cooked of it then costs that part. */
export function Offers({ view, ask, onChange, at }: OffersProps) {
  const words = [...new Set(view.recipes.map(({ protein }) => protein))];
  const days = view.days.filter(({ cookable }) => cookable);
  const change = (index: number, part: Partial<WeeksAsk['offers'][number]>) =>
    onChange({ offers: ask.offers.map((own, other) => (other === index ? { ...own, ...part } : own)) });
  return (
    <fieldset className="stack">
      <legend>
        <h3>Offers</h3>
      </legend>
      {ask.offers.map((offer, index) => (
        <div key={index} className={styles.asked}>
          <Choice
            label="Of"
            value={offer.protein}
            options={words.map((word) => ({ value: word, label: word }))}
            onChange={(protein) => change(index, { protein })}
          />
          <Choice
            label="Cooked on"
            value={offer.day}
            options={days.map(({ day, said }) => ({ value: day as string, label: said }))}
            onChange={(day) => change(index, { day })}
          />
          <Field
            label="It costs of its price"
            unit="%"
            inputMode="decimal"
            autoComplete="off"
            value={offer.percent}
            onChange={(event) => change(index, { percent: event.target.value })}
            problem={at(`offers.${index}.percent`)}
          />
          <Button variant="text" onClick={() => onChange({ offers: ask.offers.filter((_, other) => other !== index) })}>
            No offer
          </Button>
        </div>
      ))}
      {days[0] && words[0] !== undefined && (
        <Button
          variant="outlined"
          className={styles.start}
          onClick={() =>
            onChange({
              offers: [...ask.offers, { protein: words[0] ?? '', day: days[0]?.day ?? '', percent: '50' }],
            })
          }
        >
          Something is cheaper on a day
        </Button>
      )}
    </fieldset>
  );
}
