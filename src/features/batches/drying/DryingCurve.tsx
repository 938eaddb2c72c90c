'use client';

import { useState } from 'react';
import { curveOf, TARGET_MOISTURE, weightAt } from '@/core/preserve/drying-curve';
import { writeNumber } from '@/core/quantity/write';
import { sure } from '@/core/sure';
import { Choice } from '@/ui/form/Choice';
import { Caution } from '@/ui/Caution';
import { dryingCurve } from '@/ui/charts/drying-curve';
import { useUnits } from '@/ui/units';
import { Why } from '@/ui/Why';
import { byItsCurve, type DryingProps } from './use-drying';

/** Part of it that is water at the end: a tenth keeps, less keeps longer (FSIS, NCHFP, from memory). */
const TARGETS = [String(TARGET_MOISTURE), '0.08', '0.05'] as const;

const [WIDTH, HEIGHT, LEFT, BELOW, ABOVE] = [560, 200, 76, 28, 10];

/** What dehydrates, weighed again and again: the curve through its weighings, and when it comes to its target. */
export function DryingCurve({ view, share }: DryingProps) {
  const { inMass } = useUnits();
  const [moisture, setMoisture] = useState<(typeof TARGETS)[number]>(TARGETS[0]);
  const points = curveOf(share.trays);
  const pot = sure(view.weighed).yields.find(({ place }) => place === share.yield);
  const [first] = points;
  if (!first || !pot || points.length < 2) return null;
  const solids = first.grams * (1 - pot.water);
  const target = weightAt(solids, Number(moisture));
  const ahead = byItsCurve(view, share, Number(moisture));
  const forecast = ahead?.forecast;
  const drawn = dryingCurve(
    {
      points,
      target,
      ...(forecast ? { fit: { at: forecast.at, end: forecast.hours, low: forecast.low, high: forecast.high } } : {}),
    },
    { width: WIDTH, height: HEIGHT, left: LEFT },
  );
  const left = ahead?.left;
  return (
    <section className="stack" aria-label="How it dries">
      <svg
        viewBox={`0 ${-ABOVE} ${WIDTH + 8} ${HEIGHT + BELOW + ABOVE}`}
        width="100%"
        style={{ maxWidth: WIDTH }}
        role="img"
        aria-label={`${points.length} weighings, from ${inMass(first.grams)} to ${inMass(sure(points.at(-1)).grams)}; dry at ${inMass(target)}`}
      >
        {drawn.weights.map(({ grams, y }) => (
          <g key={grams}>
            <path d={`M${LEFT} ${y}H${WIDTH}`} stroke="var(--edge)" strokeWidth="1" />
            <text x={LEFT - 8} y={y + 4} textAnchor="end" fontSize="15" fill="var(--slate-soft)">
              {inMass(grams)}
            </text>
          </g>
        ))}
        {drawn.hours.map(({ hours, x }) => (
          <text key={hours} x={x} y={HEIGHT + 18} textAnchor="middle" fontSize="15" fill="var(--slate-soft)">
            {writeNumber(hours, 1)} h
          </text>
        ))}
        {drawn.end && (
          <rect
            x={drawn.end.from}
            y={0}
            width={Math.max(2, drawn.end.to - drawn.end.from)}
            height={HEIGHT}
            fill="var(--carrot-pale)"
          />
        )}
        <path d={`M${LEFT} ${drawn.target}H${WIDTH}`} stroke="var(--kale)" strokeWidth="2" strokeDasharray="6 4" />
        <text x={WIDTH} y={drawn.target - 6} textAnchor="end" fontSize="15" fill="var(--kale)">
          dry at {inMass(target)}
        </text>
        <path d={drawn.curve} fill="none" stroke="var(--slate)" strokeWidth="2" />
        {drawn.points.map(({ x, y, hours }) => (
          <circle key={hours} cx={x} cy={y} r="5" fill="var(--enamel)" stroke="var(--slate)" strokeWidth="2.5" />
        ))}
      </svg>
      <Choice
        label="Dry at"
        value={moisture}
        options={TARGETS.map((value) => ({ value, label: `${writeNumber(Number(value) * 100, 0)} % water` }))}
        onChange={setMoisture}
      />
      {forecast ? (
        <p role="status">
          {left !== undefined && left > 0.05 ? (
            <>
              About <b>{writeNumber(left, 1)} h</b> more
              {Number.isFinite(forecast.high) && (
                <span className="note">
                  {' '}
                  dry {writeNumber(forecast.low, 1)} to {writeNumber(forecast.high, 1)} h after it went in
                </span>
              )}
            </>
          ) : (
            <b>It is at its target by the curve: weigh once more.</b>
          )}{' '}
          <Why of={forecast.explanation} about="when it is dry" />
        </p>
      ) : (
        <p className="soft">Weighed four times in all, it says when it will be dry.</p>
      )}
      {forecast?.isHard && (
        <Caution role="status">
          Fast at first, and now hardly lighter though there is water in it: perhaps the outside has closed
          (case-hardening). Dry on cooler, and cut a piece open.
        </Caution>
      )}
    </section>
  );
}
