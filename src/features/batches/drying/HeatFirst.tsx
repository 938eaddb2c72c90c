'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { LIKELY_CORE } from '@/core/heat/heat-check';
import { SAFE_CORE_SOURCE } from '@/core/heat/safe-core';
import { sure } from '@/core/sure';
import { WithReason } from '@/ui/form/WithReason';
import { Problems } from '@/ui/form/Problems';
import { useUnits } from '@/ui/units';
import { Degrees, NO_DEGREES, useDegrees } from '../stove/Degrees';
import styles from './drying.module.css';
import { dryingOf, useHow, type DryingProps } from './use-drying';

/** The heat step before warm air: proven in the pot, by a reading of its own, or asked for. */
export function HeatFirst({ view, share }: DryingProps) {
  const { inDegrees } = useUnits();
  const heat = sure(dryingOf(view).heat[share.id]);
  const how = useHow(view, share);
  const [typed, setTyped] = useState(NO_DEGREES);
  const read = useDegrees(typed, LIKELY_CORE);
  switch (heat.is) {
    case 'not asked':
      return null;
    case 'in the pot':
      return (
        <p className="inOrder">
          Heated first: its pot was measured at {inDegrees(heat.asked.celsius)} or more, as {heat.asked.as} asks.
        </p>
      );
    case 'proven':
      return (
        <p className="inOrder">
          Heated first: {inDegrees(heat.by.celsius)} at its core, {inDegrees(heat.asked.celsius)} were asked.
        </p>
      );
    case 'reason':
      return <p className="caution">Not heated first: {heat.reason}</p>;
    case 'asked':
      return (
        <form
          className="stack"
          noValidate
          aria-label="Heat first"
          onSubmit={(event) => {
            event.preventDefault();
            if (read.ok)
              how.say({ what: 'heat', celsius: read.value, ...(typed.instrument ? { instrument: 'probe' } : {}) });
          }}
        >
          <p>
            <b>Heat it first</b>, steamed or in the oven, to {inDegrees(heat.asked.celsius)} at its core (
            {heat.asked.because} is {heat.asked.as}): the air of a dryer is too cool to make it safe.{' '}
            <span className="note">FSIS, jerky; {SAFE_CORE_SOURCE}</span>
          </p>
          {heat.tooCold && (
            <p className="caution" role="status">
              {inDegrees(heat.tooCold.celsius)} is too little: heat on, and measure again.
            </p>
          )}
          <Degrees
            label="Core when it was heated"
            value={typed}
            read={read}
            onChange={setTyped}
            problem={undefined}
            hint=""
          />
          <Problems problems={how.problems} />
          <div className={styles.acts}>
            <Button type="submit" variant="contained" disabled={how.pending || !read.ok}>
              That is its core
            </Button>
            <WithReason
              ask="dry it without"
              question="Why is it dried without being heated?"
              act="Dry it so"
              pending={how.pending}
              onWhy={(why) => how.say({ what: 'no heat', why })}
            />
          </div>
        </form>
      );
  }
}
