'use client';

import { energyOfGraph } from '@/core/batch/graph';
import { writeDensity, writeKcal } from '@/core/quantity/write';
import { FLOW, layFlow } from '@/ui/charts/flow';
import { hatchFill } from '@/ui/badges/hatch-defs';
import styles from './batches.module.css';
import type { BatchView } from './view';
import type { StepKey } from '@/core/batch/steps';
import { flowParts, isGone, openerOf, placeOf, sayPacks } from './flow-parts';
import { fillOfPart } from '@/ui/badges/part-fill';
import { useUnits } from '@/ui/units';
import { nth } from '@/core/sure';

/** Where one vesselful ends and the next begins: a tick on either wall, so that the words between stay clear. */
const cut = (left: number, right: number, y: number) => `M${left} ${y}h18M${right} ${y}h-18`;

/** "2835 kcal in = 2727 in the yield + 108 fat". */
function sayEnergy(graph: BatchView['graph']): string {
  const { in: all, yields, eaten, skimmed } = energyOfGraph(graph);
  const parts = [
    `${writeKcal(yields)} in the yield`,
    ...(eaten >= 0.5 ? [`${writeKcal(eaten)} eaten`] : []),
    ...(skimmed >= 0.5 ? [`${writeKcal(skimmed)} fat`] : []),
  ];
  return `${writeKcal(all)} kcal in = ${parts.join(' + ')}`;
}

interface FlowProps {
  view: BatchView;
  onOpen: (step: StepKey) => void;
}

/** The mass through the batch, to scale; solid is weighed, dashed is still to come. Its vessels open their steps. */
export function Flow({ view, onOpen }: FlowProps) {
  const { inMass } = useUnits();
  const { weighed } = view;
  const parts = flowParts(view, inMass);
  const { shares, vapour } = parts;
  const laid = layFlow(parts.masses);
  const open = openerOf(view, onOpen);
  const started = view.state !== 'planned';
  const solid = started ? {} : { strokeDasharray: '5 4', opacity: 0.75 };
  const [loads, pans] = [parts.masses.loads.length, parts.masses.pans.length];
  const middle = (FLOW.pot + FLOW.potEnd) / 2;
  return (
    <div className={styles.flow}>
      <div className={styles.scroll} tabIndex={0} role="group" aria-label="Flow of the batch, drawn to scale">
        <svg viewBox={`0 0 ${FLOW.width} ${laid.height}`} width="100%" style={{ minWidth: 760 }} aria-hidden>
          {laid.lines.map((band, index) => (
            <g key={index} onClick={open('lines')} className={styles.vessel}>
              <text x="0" y={band.labelY} fontSize="14" fill="var(--slate)">
                {band.label}
              </text>
              <text
                x={FLOW.left - 8}
                y={band.labelY}
                textAnchor="end"
                fontSize="14"
                fontWeight="700"
                fill="var(--slate)"
              >
                {inMass(band.grams)}
              </text>
              <path
                d={band.path}
                fill={fillOfPart(nth(parts.lines, index).node.part ?? 'muscle', view.protein)}
                stroke="var(--slate)"
                strokeWidth="1.2"
                {...solid}
              />
            </g>
          ))}
          <g onClick={open('pot')} className={styles.vessel}>
            <rect
              x={FLOW.pot}
              y={laid.pot.top}
              width={FLOW.potEnd - FLOW.pot}
              height={laid.pot.bottom - laid.pot.top}
              fill={started ? hatchFill(view.protein.hatch) : 'none'}
              opacity="0.28"
            />
            <path
              d={`M${FLOW.pot - 10} ${laid.pot.top + 6}h10M${FLOW.potEnd} ${laid.pot.top + 6}h10M${FLOW.pot} ${laid.pot.top - 14}V${laid.pot.bottom + 6}a8 8 0 0 0 8 8H${FLOW.potEnd - 8}a8 8 0 0 0 8 -8V${laid.pot.top - 14}`}
              fill="none"
              stroke="var(--slate)"
              strokeWidth="2.6"
            />
            <text x={middle} y={(laid.pot.top + laid.pot.bottom) / 2} textAnchor="middle" className={styles.inVessel}>
              {inMass(view.wentIn.inPot)}
            </text>
            <text
              x={middle}
              y={(laid.pot.top + laid.pot.bottom) / 2 + 22}
              textAnchor="middle"
              fontSize="13"
              fill="var(--slate)"
            >
              {started
                ? loads > 1
                  ? `in ${loads} ${view.apart === 'lines' ? 'parts' : 'loads'}`
                  : 'in the pot'
                : 'planned'}
            </text>
            {laid.pot.cuts.map((y) => (
              <path key={y} d={cut(FLOW.pot, FLOW.potEnd, y)} stroke="var(--slate)" strokeWidth="1.6" />
            ))}
          </g>
          {weighed && laid.vapour && vapour !== undefined && (
            <>
              <rect
                x={FLOW.potEnd}
                y={laid.pans.top}
                width={FLOW.pans - FLOW.potEnd}
                height={laid.pans.bottom - laid.pans.top}
                fill={hatchFill(view.protein.hatch)}
                stroke="var(--slate)"
                strokeWidth="1.2"
              />
              <path
                d={`M${FLOW.potEnd + 22} 34q-6 -8 0 -16t0 -16M${FLOW.potEnd + 42} 34q-6 -8 0 -16t0 -16`}
                fill="none"
                stroke="var(--slate-soft)"
                strokeWidth="2.4"
              />
              <text x={FLOW.potEnd + 56} y="22" fontSize="13" fill="var(--slate-soft)">
                vapour {inMass(vapour)}
                {weighed.kept > 0 && ` · liquid kept ${inMass(weighed.kept)}`}
                {weighed.skimmed > 0 && ` · fat ${inMass(weighed.skimmed)}`}
                {weighed.strained > 0 && ` · strained out ${inMass(weighed.strained)}`}
              </text>
            </>
          )}
          <g onClick={open('yield')} className={styles.vessel}>
            <path
              d={`M${FLOW.pans} ${laid.pot.top - 6}V${laid.pot.bottom + 2}a8 8 0 0 0 8 8H${FLOW.pansEnd - 8}a8 8 0 0 0 8 -8V${laid.pot.top - 6}`}
              fill="none"
              stroke="var(--slate)"
              strokeWidth="2.6"
              strokeDasharray={weighed ? undefined : '6 5'}
            />
            {laid.pans.cuts.map((y) => (
              <path key={y} d={cut(FLOW.pans, FLOW.pansEnd, y)} stroke="var(--slate)" strokeWidth="1.6" />
            ))}
            {weighed && (
              <rect
                x={FLOW.pans + 2}
                y={laid.pans.top}
                width={FLOW.pansEnd - FLOW.pans - 4}
                height={laid.pans.bottom - laid.pans.top}
                fill={hatchFill(view.protein.hatch)}
                opacity="0.28"
              />
            )}
            <text
              x={(FLOW.pans + FLOW.pansEnd) / 2}
              y={(laid.pot.top + laid.pot.bottom) / 2 + 20}
              textAnchor="middle"
              className={styles.inVessel}
            >
              {weighed ? inMass(weighed.net) : '?'}
            </text>
            <text
              x={(FLOW.pans + FLOW.pansEnd) / 2}
              y={(laid.pot.top + laid.pot.bottom) / 2 + 42}
              textAnchor="middle"
              fontSize="13"
              fill="var(--slate)"
            >
              {weighed
                ? `${writeDensity(weighed.density)} kcal/g${weighed.estimated ? ', estimate' : weighed.yields.length > 1 ? `, ${weighed.yields.length} apart` : pans > 1 ? `, ${pans} vessels` : ''}`
                : 'not weighed yet'}
            </text>
          </g>
          {laid.shares.map((band, index) => {
            const share = shares[index];
            const done = isGone(share);
            return (
              <g key={share?.id ?? 'rest'} onClick={open(placeOf(share))} className={styles.vessel}>
                <path
                  d={band.path}
                  fill={done ? hatchFill(view.protein.hatch) : 'var(--enamel-raised)'}
                  stroke="var(--slate)"
                  strokeWidth="1.4"
                  strokeDasharray={done ? undefined : '5 4'}
                />
                {band.pieces.map(({ y, height }, place) => (
                  <rect
                    key={place}
                    x={FLOW.pieces}
                    y={y}
                    width={FLOW.right - FLOW.pieces}
                    height={height}
                    fill={hatchFill(view.protein.hatch)}
                    stroke="var(--slate)"
                    strokeWidth="1.2"
                  />
                ))}
                <text x={FLOW.right + 12} y={band.labelY} fontSize="15" fontWeight="700" fill="var(--slate)">
                  {band.label} · {inMass(band.grams)}
                </text>
                {share && (
                  <text x={FLOW.right + 12} y={band.labelY + 18} fontSize="13" fill="var(--slate-soft)">
                    {sayPacks(share)}
                  </text>
                )}
              </g>
            );
          })}
        </svg>
      </div>
      <p className="note">
        drawn to scale · solid is weighed, dashed is still to come
        {weighed &&
          vapour !== undefined &&
          ` · ${weighed.over > 0 ? '' : 'closes: '}${inMass(view.wentIn.inPot)} in = ${inMass(weighed.net)} yield${weighed.eatenBefore > 0 ? ` + ${inMass(weighed.eatenBefore)} eaten` : ''}${weighed.kept > 0 ? ` + ${inMass(weighed.kept)} liquid kept` : ''}${weighed.skimmed > 0 ? ` + ${inMass(weighed.skimmed)} fat` : ''} + ${inMass(vapour)} vapour${weighed.over > 0 ? ` · packs, trays and bowls hold ${inMass(weighed.over)} more than that, and stand: its energy is spread over them` : ''}`}
        {weighed && ` · ${sayEnergy(view.graph)}`}
      </p>
    </div>
  );
}
