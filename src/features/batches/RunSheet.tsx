'use client';

import { figure } from '@/ui/figure';
import Button from '@mui/material/Button';
import { useState, type ComponentType } from 'react';
import { z } from 'zod';
import { STEPS, type StepKey } from '@/core/batch/steps';
import { writeDensity } from '@/core/quantity/write';
import { useDraftStorage } from '@/ui/form/use-draft-storage';
import { useFocusOnChange, useTopOnChange } from '@/ui/next-act';
import { useUnits } from '@/ui/units';
import { Why } from '@/ui/Why';
import styles from './batches.module.css';
import { Beside } from './Beside';
import { Divide } from './Divide';
import { Dry } from './drying/Dry';
import { Flow } from './Flow';
import { FlowStrip } from './FlowStrip';
import { PackShares } from './PackShares';
import { Pots } from './Pots';
import type { BatchView } from './view';
import { Asks } from './stove/Asks';
import { Cook } from './stove/Cook';
import { Cool } from './stove/Cool';
import { Steps } from './Steps';
import { UprightFlow } from './UprightFlow';
import { WeighOut } from './WeighOut';

/** What every step's screen gets: the batch, and the way to another step. */
interface StepScreenProps {
  view: BatchView;
  onOpen: (step: StepKey) => void;
}

/** Something is asked before the pot may be divided. */
const isAsked = ({ weighed, asks }: BatchView) =>
  weighed?.shares.length === 0 && asks.heat.length + asks.stirIns.length + asks.pans.length > 0;

/** Whether what is to be sealed wet waits for a last reading of its pans. */
const isWarm = ({ weighed, asks }: BatchView) =>
  asks.pans.length > 0 &&
  weighed?.shares.some(({ fate, sealed }) => !sealed && (fate === 'fridge' || fate === 'freezer')) === true;

/** The screen of each step; a step without one does not compile. */
const SCREENS: Readonly<Record<StepKey, ComponentType<StepScreenProps>>> = {
  'weigh out': WeighOut,
  cook: Cook,
  cool: Cool,
  pot: Pots,
  divide: ({ view, ...props }) =>
    view.stove && isAsked(view) ? (
      <Asks view={view} stove={view.stove} />
    ) : (
      <Divide {...props} view={view} key={view.revision} />
    ),
  pack: ({ view, ...props }) =>
    view.stove && isWarm(view) ? (
      <Asks view={view} stove={view.stove} before="it is sealed" />
    ) : (
      <PackShares {...props} view={view} />
    ),
  dry: Dry,
};

const stepKeys = z.enum(STEPS.map((each) => each.key));
/** A step that was gone to by hand, and the step at hand then. */
const chosenStep = z.object({ at: stepKeys.optional(), step: stepKeys.optional() });
type Chosen = z.infer<typeof chosenStep>;

/** The run sheet: the flow above, the step at hand below, alone and large. */
export function RunSheet({ view, asked }: { view: BatchView; asked?: unknown }) {
  const { inSum } = useUnits();
  // Kept in this tab: after a reload the sheet opens where it was.
  const [chosen, setChosen] = useDraftStorage<Chosen>(`step-${view.id}`, chosenStep, {});
  // A chosen step holds until the batch itself goes on to the next one.
  const own = chosen.at === view.step && chosen.step && view.opens.includes(chosen.step) ? chosen.step : view.step;
  // What led here may have asked for a step: it is open until somebody goes to another, or the batch itself goes on.
  const [arrivedAt] = useState(view.step);
  const [hasGone, setHasGone] = useState(false);
  const there = stepKeys.safeParse(asked);
  const step =
    !hasGone && view.step === arrivedAt && there.success && view.opens.includes(there.data) ? there.data : own;
  const open = (next: StepKey) => {
    setHasGone(true);
    setChosen({ at: view.step, step: next });
  };
  // Where a figure is typed the drawing gives way to it.
  const isTyped = step === 'weigh out' || step === 'pot' || step === 'dry' || (step === 'divide' && isAsked(view));
  // The stove has drawings of its own: the day of hands and vessels, and the curve of a pan.
  const atStove = step === 'cook' || step === 'cool';
  const [large, setLarge] = useState(false);
  const folded = isTyped && !large;
  const Screen = SCREENS[step];
  useFocusOnChange(step);
  useTopOnChange(step);
  return (
    <div className="page">
      <div className="spread">
        <div className="titleRow">
          <h1>{view.name}</h1>
          <p className={`soft ${isTyped ? styles.about : ''}`}>{view.about}</p>
        </div>
        {view.weighed && (
          <p>
            <span {...figure('pot yield', view.id, view.weighed.net)}>{inSum(view.weighed.net)} yield</span> ·{' '}
            <b {...figure('pot density', view.id, view.weighed.density)}>{writeDensity(view.weighed.density)} kcal/g</b>
            {view.weighed.estimated && <span className="caution"> estimate</span>}{' '}
            <Why of={view.weighed.why} about="the density" />
          </p>
        )}
      </div>
      <Steps of={view.byProduct} opens={view.opens} step={step} onOpen={open} />
      {!atStove && (
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
      )}
      <div className={styles.at} role="tabpanel" aria-label={STEPS.find((each) => each.key === step)?.title}>
        <Screen view={view} onOpen={open} />
        {(step === 'divide' || step === 'pack') && <Beside view={view} />}
      </div>
      {atStove && <FlowStrip view={view} />}
    </div>
  );
}
