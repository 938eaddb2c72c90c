import Button from '@mui/material/Button';
import styles from './form.module.css';

interface AskBackProps<Input> {
  command: {
    readonly at: (field: string) => string | undefined;
    readonly again: (answer: Partial<Input>) => void;
    readonly clear: () => void;
    readonly pending: boolean;
  };
  /** The field at which the question came back. */
  field: string;
  /** What the press says, and what it answers. */
  label: string;
  answer: Partial<Input>;
}

/** A question that a press brought back, with its answer: what was pressed is done once more, and now it is. */
export function AskBack<Input>({ command, field, label, answer }: AskBackProps<Input>) {
  const asked = command.at(field);
  if (asked === undefined) return null;
  return (
    <div role="alert" className={styles.askBack}>
      <p>
        <b>{asked}</b>
      </p>
      <Button variant="contained" disabled={command.pending} onClick={() => command.again(answer)}>
        {label}
      </Button>
      <Button variant="text" onClick={command.clear}>
        leave it
      </Button>
    </div>
  );
}
