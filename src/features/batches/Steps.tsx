import Step from '@mui/material/Step';
import StepButton from '@mui/material/StepButton';
import Stepper from '@mui/material/Stepper';
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
    <Stepper
      nonLinear
      connector={null}
      activeStep={STEPS.findIndex((each) => each.key === step)}
      className={styles.steps}
      aria-label="Steps"
    >
      {STEPS.map((each, index) => (
        <Step key={each.key} disabled={!opens.includes(each.key)}>
          <StepButton className={styles.step} onClick={() => onOpen(each.key)}>
            {index + 1} {each.title}
          </StepButton>
        </Step>
      ))}
    </Stepper>
  );
}
