import { readLocalDate, writeDay, type LocalDate } from '@/core/calendar/local-date';
import styles from './sentence.module.css';

interface HoleProps {
  readonly label: string;
  readonly value: string;
  readonly wrong: boolean;
  readonly onChange: (value: string) => void;
  readonly size?: 'count' | 'amount';
}

/** A hole of the sentence that is typed into. */
export function Hole({ label, value, wrong, onChange, size = 'amount' }: HoleProps) {
  return (
    <input
      className={`${styles.hole} ${size === 'count' ? styles.count : styles.amount}`}
      aria-label={label}
      inputMode={size === 'count' ? 'numeric' : 'text'}
      autoComplete="off"
      value={value}
      aria-invalid={wrong}
      onChange={(event) => onChange(event.target.value)}
    />
  );
}

interface SelectHoleProps<Value extends string | number> extends Omit<HoleProps, 'size' | 'value' | 'onChange'> {
  readonly value: Value;
  readonly options: readonly { readonly value: Value; readonly label: string }[];
  readonly onChange: (value: Value) => void;
  readonly quiet?: boolean;
}

/** A hole that holds one of a few. */
export function SelectHole<Value extends string | number>({
  label,
  value,
  options,
  wrong,
  onChange,
  quiet = false,
}: SelectHoleProps<Value>) {
  return (
    <select
      className={`${styles.hole} ${styles.select} ${quiet ? styles.quiet : ''}`}
      aria-label={label}
      aria-invalid={wrong}
      value={value}
      onChange={(event) =>
        onChange(options.find((option) => String(option.value) === event.target.value)?.value ?? value)
      }
    >
      {options.map((option) => (
        <option key={option.value} value={option.value}>
          {option.label}
        </option>
      ))}
    </select>
  );
}

/** A hole that holds a day, said as a cook says it; pressing it opens the calendar. */
export function DayHole({
  label,
  value,
  wrong,
  onChange,
  min,
  today,
}: Omit<HoleProps, 'size'> & { readonly min: string; readonly today: LocalDate }) {
  const day = readLocalDate(value);
  return (
    <span className={`${styles.hole} ${styles.day}`} data-wrong={wrong || undefined}>
      <span aria-hidden>{day ? writeDay(day, today) : 'which day?'}</span>
      <input
        type="date"
        aria-label={label}
        value={value}
        min={min}
        aria-invalid={wrong}
        onChange={(event) => onChange(event.target.value)}
      />
    </span>
  );
}
