'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import type { StirIn } from '@/core/cook/cook-day';
import { sayCoolingRule } from '@/core/heat/cooling-words';
import { inSentence, STIR_IN_BELOW, type PanState } from '@/core/heat/pans';
import { toWeigh } from '@/core/quantity/write';
import { Field } from '@/ui/form/Field';
import { WithReason } from '@/ui/form/WithReason';
import { Problems } from '@/ui/form/Problems';
import { useUnits } from '@/ui/units';
import type { BatchView } from '../view';
import type { StoveView } from './queries';
import { CoreField } from './CoreField';
import { Reading } from './PanForms';
import styles from './stove.module.css';
import { useStove, type Stove } from './use-stove';

/** What is asked before a pot is divided: heat that nobody has measured, and what was to be stirred in. One at a time. */
export function Asks({
  view,
  stove,
  before = 'it is divided',
}: {
  view: BatchView;
  stove: StoveView;
  before?: string;
}) {
  const of = useStove(view, stove);
  const { heat, stirIns, pans } = view.asks;
  const [pan] = pans;
  const [load] = heat;
  const [forgotten] = stirIns;
  const left = heat.length + stirIns.length + pans.length;
  return (
    <section className={styles.asks} aria-labelledby="asks">
      <h2 id="asks">
        Before {before}
        {left > 1 && `: ${left} things`}
      </h2>
      <Problems problems={of.command.atHead('core', 'grams', 'clock')} />
      {load ? (
        <CoreField stove={stove} of={of} load={load.key} />
      ) : forgotten ? (
        <StirInAsked key={forgotten.line} stove={stove} of={of} stirIn={forgotten} net={view.weighed?.net} />
      ) : pan ? (
        <PanAsked key={`${pan.key} ${pan.readings.length}`} pan={pan} of={of} />
      ) : null}
    </section>
  );
}

/** A pan of which nobody can say how warm it is: a last reading of it, or that there is none, which its packs bear. */
function PanAsked({ pan, of }: { pan: PanState; of: Stove }) {
  const { inDegrees } = useUnits();
  const { act, command } = of;
  return (
    <div className={styles.why}>
      <p className={styles.what}>How warm is {inSentence(pan)} by now?</p>
      <p className="soft">{sayCoolingRule(inDegrees)}. What is warm still is watched on Today.</p>
      <Reading pan={pan} of={of} />
      <Button
        variant="outlined"
        disabled={command.pending}
        onClick={() => act({ act: 'keep', load: pan.key, why: 'not measured while it cooled' })}
      >
        I did not measure: mark its packs
      </Button>
    </div>
  );
}

/** Something that was to be stirred in: how much by the weight that the food has now, and whether it is in. */
export function StirInAsked({
  stove,
  of: { act, command },
  stirIn,
  net,
}: {
  stove: StoveView;
  of: Stove;
  stirIn: StirIn;
  net: number | undefined;
}) {
  const { inDegrees, inMass, readScale, scaleUnit, toType } = useUnits();
  const wanted = net === undefined || stirIn.perFinished === undefined ? stirIn.grams : stirIn.perFinished * net;
  const [text, setText] = useState(toType(wanted, toWeigh(wanted)));
  const [leaving, setLeaving] = useState(false);
  const read = readScale(text);
  const isIn = (when: 'now' | 'before weighing') =>
    read.ok && act({ act: 'stir in', line: stirIn.line, grams: read.value, when });
  return (
    <div className={styles.why}>
      <p className={styles.what}>Stir in: {stirIn.name}</p>
      <p className={styles.wanted}>
        {inMass(wanted)} <span className={styles.measure}>{stove.measures[stirIn.line]?.whole}</span>
      </p>
      {stirIn.perFinished !== undefined && net !== undefined && (
        <p className="soft">
          for the {inMass(net)} that it weighs; planned were {inMass(stirIn.grams)}
        </p>
      )}
      <p className="note">
        Below {inDegrees(STIR_IN_BELOW)}: heat and air spoil oils and vitamins. A small dose goes into a little broth or
        purée first.
      </p>
      <Field
        label="What goes in"
        unit={scaleUnit}
        inputMode="decimal"
        autoComplete="off"
        className={styles.degrees}
        value={text}
        onChange={(event) => setText(event.target.value)}
        problem={read.ok ? command.at('grams') : read.problem.message}
      />
      <div className={styles.acts}>
        {!leaving && (
          <Button
            variant="contained"
            size="large"
            className={styles.done_}
            disabled={command.pending || !read.ok}
            onClick={() => isIn(net === undefined ? 'before weighing' : 'now')}
            data-next-act
          >
            It’s in
          </Button>
        )}
        {!leaving && net !== undefined && (
          <Button variant="outlined" disabled={command.pending || !read.ok} onClick={() => isIn('before weighing')}>
            It was in when it was weighed
          </Button>
        )}
        <WithReason
          ask="leave it out"
          question="Why is it left out?"
          act="Leave it out"
          pending={command.pending}
          onWhy={(why) => act({ act: 'leave out', line: stirIn.line, why })}
          onAsked={setLeaving}
        />
      </div>
    </div>
  );
}
