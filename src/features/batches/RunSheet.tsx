'use client';

import Button from '@mui/material/Button';
import { useState, type ComponentType } from 'react';
import { STEPS, type StepKey } from '@/core/batch/steps';
import { writeDensity } from '@/core/quantity/write';
import { useFocusOnChange } from '@/ui/next-act';
import { useUnits } from '@/ui/units';
import { Why } from '@/ui/Why';
import styles from './batches.module.css';
import { Divide } from './Divide';
import { Flow } from './Flow';
import { FlowStrip } from './FlowStrip';
import { PackShares } from './PackShares';
import type { BatchView } from './queries';
import { Steps } from './Steps';
import { UprightFlow } from './UprightFlow';
import { WeighOut } from './WeighOut';
import { WeighPot } from './WeighPot';

/** What every step's screen gets: the batch, and the way to another step. */
interface StepScreenProps {
  view: BatchView;
  onOpen: (step: StepKey) => void;
}

/** The screen of each step; a step without one does not compile. */
const SCREENS: Readonly<Record<StepKey, ComponentType<StepScreenProps>>> = {
  'weigh out': WeighOut,
  pot: (props) => <WeighPot {...props} key={JSON.stringify(props.view.weighed?.weighing ?? '')} />,
  divide: (props) => <Divide {...props} key={props.view.revision} />,
  pack: PackShares,
};

/** The run sheet: the flow above, the step at hand below, alone and large. */
export function RunSheet({ view }: { view: BatchView }) {
  const { inSum } = useUnits();
  const [chosen, setChosen] = useState<{ at: StepKey; step: StepKey }>();
  // A chosen step holds until the batch itself goes on to the next one.
  const step = chosen?.at === view.step ? chosen.step : view.step;
  const open = (next: StepKey) => setChosen({ at: view.step, step: next });
  // Where a figure is typed the drawing gives way to it.
  const isTyped = step === 'weigh out' || step === 'pot';
  const [large, setLarge] = useState(false);
  const folded = isTyped && !large;
  const Screen = SCREENS[step];
  useFocusOnChange(step);
  return (
    <div className="page">
      <div className="spread">
        <div className="titleRow">
          <h1>{view.name}</h1>
          <p className={`soft ${isTyped ? styles.about : ''}`}>{view.about}</p>
        </div>
        {view.weighed && (
          <p>
            {inSum(view.weighed.net)} yield · <b>{writeDensity(view.weighed.density)} kcal/g</b>
            {view.weighed.estimated && <span className="caution"> estimate</span>}{' '}
            <Why of={view.weighed.why} about="the density" />
          </p>
        )}
      </div>
      <Steps opens={view.opens} step={step} onOpen={open} />
      <div className={folded ? styles.folded : styles.unfolded}>
        <FlowStrip view={view} />
        <Flow view={view} onOpen={open} />
        <UprightFlow view={view} onOpen={open} />
        {isTyped && (
          <Button variant="text" size="small" aria-expanded={!folded} onClick={() => setLarge(!large)}>
            {folded ? 'draw it large' : 'fold the drawing'}
          </Button>
        )}
      </div>
      <div className={styles.at} role="tabpanel" aria-label={STEPS.find((each) => each.key === step)?.title}>
        <Screen view={view} onOpen={open} />
      </div>
    </div>
  );
}
