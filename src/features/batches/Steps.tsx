import Step from '@mui/material/Step';
import StepButton from '@mui/material/StepButton';
import Stepper from '@mui/material/Stepper';
import type { ByProduct } from '@/core/batch/by-product';
import { STEPS, type StepKey } from '@/core/batch/steps';
import styles from './batches.module.css';

interface StepsProps {
  /** A by-product was cooked with its pot: those steps are not its own. */
  of: ByProduct | undefined;
  opens: readonly StepKey[];
  step: StepKey;
  onOpen: (step: StepKey) => void;
}

/** The steps of the work in their order; those that are open can be gone to. */
export function Steps({ of, opens, step, onOpen }: StepsProps) {
  const steps = STEPS.filter((each) => of === undefined || opens.includes(each.key) || each.key === 'pack');
  return (
    <Stepper
      nonLinear
      connector={null}
      activeStep={steps.findIndex((each) => each.key === step)}
      className={styles.steps}
      aria-label="Steps"
    >
      {steps.map((each, index) => (
        <Step key={each.key} disabled={!opens.includes(each.key)}>
          <StepButton className={styles.step} onClick={() => onOpen(each.key)}>
            {index + 1} {each.title}
          </StepButton>
        </Step>
      ))}
    </Stepper>
  );
}
