import { STEPS, type StepKey } from '@/core/batch/steps';
import styles from './batches.module.css';

interface StepsProps {
  opens: readonly StepKey[];
  step: StepKey;
  onOpen: (step: StepKey) => void;
}

/** The steps of the work in their order; those that are open can be gone to. */
export function Steps({ opens, step, onOpen }: StepsProps) {
  return (
    <div className={styles.steps} role="group" aria-label="Steps">
      {STEPS.map((each, index) => (
        <button
          key={each.key}
          type="button"
          className={styles.step}
          aria-pressed={step === each.key}
          disabled={!opens.includes(each.key)}
          onClick={() => onOpen(each.key)}
        >
          {index + 1} {each.title}
        </button>
      ))}
    </div>
  );
}
