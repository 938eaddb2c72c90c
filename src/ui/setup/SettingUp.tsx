'use client';

import Step from '@mui/material/Step';
import StepLabel from '@mui/material/StepLabel';
import Stepper from '@mui/material/Stepper';
import { Link } from '@/ui/Link';
import { nextSetup } from '@/core/household/setup';
import { useSetup } from './setup';
import styles from './setup.module.css';

/** The way to the first bowl above every screen, until it has been gone: what is done, and what comes next. */
export function SettingUp() {
  const steps = useSetup();
  if (!steps) return null;
  const next = nextSetup(steps);
  return (
    <nav aria-label="Setting up" className={styles.settingUp}>
      <Stepper component="ol" nonLinear connector={null} className={styles.steps}>
        {steps.map((step, index) => {
          const current = step === next;
          const icon = <span className={styles.mark}>{step.done ? '✓' : index + 1}</span>;
          return (
            <Step
              key={step.key}
              component="li"
              completed={step.done}
              active={current}
              className={`${styles.step} ${current ? styles.current : ''}`}
              aria-current={current ? 'step' : undefined}
            >
              <StepLabel icon={icon}>
                {step.done && <span className="away">done: </span>}
                {current ? (
                  <Link href={step.href} className={styles.next}>
                    {step.title} <span className={styles.said}>{step.said}</span>
                  </Link>
                ) : (
                  step.title
                )}
              </StepLabel>
            </Step>
          );
        })}
      </Stepper>
    </nav>
  );
}
