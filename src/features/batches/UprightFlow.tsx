import type { StepKey } from '@/core/batch/steps';
import { writeDensity } from '@/core/quantity/write';
import { nth } from '@/core/sure';
import { hatchFill } from '@/ui/badges/hatch-defs';
import { fillOfPart } from '@/ui/badges/part-fill';
import { UPRIGHT, layUpright } from '@/ui/charts/upright-flow';
import { useUnits } from '@/ui/units';
import styles from './batches.module.css';
import { flowParts, isGone, openerOf, placeOf, sayPacks } from './flow-parts';
import type { BatchView } from './view';

/** The flow of a batch on a phone: from the lines at the top down to where it went. */
export function UprightFlow({ view, onOpen }: { view: BatchView; onOpen: (step: StepKey) => void }) {
  const { inMass } = useUnits();
  const { weighed } = view;
  const parts = flowParts(view, inMass, 22);
  const laid = layUpright(parts.masses);
  const open = openerOf(view, onOpen);
  const { pot, pans } = laid;
  const hatch = hatchFill(view.protein.hatch);
  const started = view.state !== 'planned';
  const dashed = { strokeDasharray: '5 4' };
  const middle = (pot.left + pot.right) / 2;
  return (
    <svg
      viewBox={`0 0 ${UPRIGHT.width} ${laid.height}`}
      width="100%"
      className={styles.upright}
      role="img"
      aria-label="Flow of the batch, drawn to scale"
    >
      {laid.lines.map((band, index) => (
        <g key={index} fontSize="14" fill="var(--slate)" onClick={open('lines')} className={styles.vessel}>
          <text x="0" y={band.labelY}>
            {band.label}
          </text>
          <text x={UPRIGHT.words} y={band.labelY} textAnchor="end" fontWeight="700">
            {inMass(band.grams)}
          </text>
          <path
            d={band.path}
            fill={fillOfPart(nth(parts.lines, index).node.part ?? 'muscle', view.protein)}
            stroke="var(--slate)"
            {...(started ? {} : dashed)}
          />
        </g>
      ))}
      <g onClick={open('pot')} className={styles.vessel}>
        <rect
          x={pot.left}
          y={pot.top}
          width={pot.right - pot.left}
          height={pot.bottom - pot.top}
          fill={started ? hatch : 'none'}
          opacity="0.28"
        />
        <path
          d={`M${pot.left} ${pot.top - 8}V${pot.bottom}H${pot.right}V${pot.top - 8}`}
          fill="none"
          stroke="var(--slate)"
          strokeWidth="2.4"
        />
        <text x={middle} y={pot.top + 36} textAnchor="middle" className={styles.inVessel}>
          {inMass(view.wentIn.inPot)}
        </text>
        <text x={middle} y={pot.top + 56} textAnchor="middle" fontSize="13" fill="var(--slate)">
          {!started
            ? 'planned'
            : parts.masses.loads.length > 1
              ? `in ${parts.masses.loads.length} ${view.apart === 'lines' ? 'parts' : 'loads'}`
              : 'in the pot'}
        </text>
      </g>
      {weighed && (
        <rect
          x={pans.left}
          y={pot.bottom}
          width={pans.right - pans.left}
          height={pans.top - pot.bottom}
          fill={hatch}
          stroke="var(--slate)"
        />
      )}
      {parts.vapour !== undefined && (
        <text x={UPRIGHT.words} y={pot.bottom + 17} textAnchor="end" fontSize="13" fill="var(--slate-soft)">
          vapour {inMass(parts.vapour)}
        </text>
      )}
      <g onClick={open('yield')} className={styles.vessel}>
        <rect
          x={pans.left}
          y={pans.top}
          width={(weighed ? pans.right : pot.right) - pans.left}
          height={pans.bottom - pans.top}
          fill={weighed ? 'var(--enamel-raised)' : 'none'}
          stroke="var(--slate)"
          strokeWidth="2.4"
          {...(weighed ? {} : dashed)}
        />
        <text x={middle} y={pans.top + 30} textAnchor="middle" className={styles.inVessel}>
          {weighed ? inMass(weighed.net) : '?'}
        </text>
        <text x={middle} y={pans.top + 50} textAnchor="middle" fontSize="13" fill="var(--slate)">
          {weighed ? `${writeDensity(weighed.density)} kcal/g` : 'not weighed yet'}
        </text>
      </g>
      {laid.shares.map((band, index) => {
        const share = parts.shares[index];
        return (
          <g key={index} onClick={open(placeOf(share))} className={styles.vessel}>
            <path
              d={band.path}
              fill={isGone(share) ? hatch : 'var(--enamel-raised)'}
              stroke="var(--slate)"
              {...(isGone(share) ? {} : dashed)}
            />
            <text x="0" y={band.labelY} fontSize="14" fontWeight="700" fill="var(--slate)">
              {band.label} · {inMass(band.grams)}
            </text>
            {share && (
              <text x="0" y={band.labelY + 18} fontSize="13" fill="var(--slate-soft)">
                {sayPacks(share)}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}
