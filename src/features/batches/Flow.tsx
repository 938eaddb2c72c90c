'use client';

import { countOf } from '@/core/quantity/count-words';
import { capital, writeDensity } from '@/core/quantity/write';
import type { Part } from '@/core/recipe/recipe';
import { FLOW, layFlow } from '@/ui/charts/flow';
import { hatchFill } from '@/ui/marks/hatch-defs';
import styles from './batches.module.css';
import type { BatchView } from './queries';
import { FATE_WORDS, type Station } from './stations';
import { useUnits } from '@/ui/units';

const tint = (colour: string, percent: number) =>
  `color-mix(in srgb, var(--${colour}) ${percent}%, var(--enamel-raised))`;

function fillOf(part: Part, view: BatchView): string {
  if (part === 'liquid') return 'var(--fjord-pale)';
  if (part.startsWith('muscle') || part.includes('organ') || part === 'muscular organ')
    return hatchFill(view.mark.hatch);
  if (part === 'carbohydrate') return tint('carrot', 18);
  if (part === 'vegetable' || part === 'fruit' || part === 'herb') return tint('kale', 28);
  return tint('honey', 25);
}

/** A food's name in the room that its weight leaves beside it. */
const short = (name: string, weight: string) => {
  const room = Math.min(17, 25 - weight.length);
  const words = name.split(', ');
  const kindFirst = words.length > 1 && /^(Game meat|Fish|Squash|Oil|Egg)$/.test(words[0]!);
  const both = words.slice(0, 2).join(', ');
  const plain = !kindFirst ? words[0]! : both.length <= room ? both : capital(words[1]!);
  return plain.length > room ? `${plain.slice(0, room - 1)}…` : plain;
};

interface FlowProps {
  view: BatchView;
  station: Station;
  onOpen: (station: Station) => void;
}

/** The mass through the batch, to scale; solid is weighed, dashed is still to come. Its vessels open their stations. */
export function Flow({ view, station, onOpen }: FlowProps) {
  const { inMass } = useUnits();
  const lines = view.lines.filter((line) => line.moment !== 'bowl' && line.grams > 0);
  const { weighed } = view;
  const shares = weighed?.shares ?? [];
  const laid = layFlow(
    lines.map((line) => ({ label: short(line.name, inMass(line.grams)), grams: line.grams })),
    weighed?.net,
    shares.map((share) => ({
      label: share.fate === 'today' && share.day !== view.today ? 'Eaten warm' : FATE_WORDS[share.fate],
      grams: share.grams,
    })),
  );
  const started = view.state !== 'planned';
  const solid = started ? {} : { strokeDasharray: '5 4', opacity: 0.75 };
  const vapour = weighed ? view.wentIn.inPot - weighed.net - weighed.eatenBefore : undefined;
  const middle = (FLOW.pot + FLOW.potEnd) / 2;
  const packsOf = (share: (typeof shares)[number]) =>
    share.fate === 'today'
      ? 'fed warm'
      : `${countOf(share.proposed.length, 'pack')}${share.sealed ? ', sealed' : ' to seal'}`;
  return (
    <div className={styles.flow}>
      <div className={styles.stations} role="group" aria-label="Stations">
        {(['weigh out', 'pot', 'divide', 'pack'] as const).map((each) => (
          <button
            key={each}
            type="button"
            className={styles.station}
            aria-pressed={station === each}
            disabled={!isOpen(view, each)}
            onClick={() => onOpen(each)}
          >
            {STATION_WORDS[each]}
          </button>
        ))}
      </div>
      <div className={styles.scroll} tabIndex={0} role="group" aria-label="Flow of the batch, drawn to scale">
        <svg viewBox={`0 0 ${FLOW.width} ${laid.height}`} width="100%" style={{ minWidth: 760 }} aria-hidden>
          {laid.lines.map((band, index) => (
            <g key={index} onClick={() => onOpen('weigh out')} className={styles.vessel}>
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
                fill={fillOf(lines[index]!.part, view)}
                stroke="var(--slate)"
                strokeWidth="1.2"
                {...solid}
              />
            </g>
          ))}
          <g onClick={() => isOpen(view, 'pot') && onOpen('pot')} className={styles.vessel}>
            <rect
              x={FLOW.pot}
              y={laid.pot.top}
              width={FLOW.potEnd - FLOW.pot}
              height={laid.pot.bottom - laid.pot.top}
              fill={started ? hatchFill(view.mark.hatch) : 'none'}
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
              {started ? 'in the pot' : 'planned'}
            </text>
          </g>
          {weighed && laid.vapour && vapour !== undefined && (
            <>
              <rect
                x={FLOW.potEnd}
                y={laid.pans.top}
                width={FLOW.pans - FLOW.potEnd}
                height={laid.pans.bottom - laid.pans.top}
                fill={hatchFill(view.mark.hatch)}
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
              </text>
            </>
          )}
          <g onClick={() => isOpen(view, 'divide') && onOpen('divide')} className={styles.vessel}>
            <path
              d={`M${FLOW.pans} ${laid.pot.top - 6}V${laid.pot.bottom + 2}a8 8 0 0 0 8 8H${FLOW.pansEnd - 8}a8 8 0 0 0 8 -8V${laid.pot.top - 6}`}
              fill="none"
              stroke="var(--slate)"
              strokeWidth="2.6"
              strokeDasharray={weighed ? undefined : '6 5'}
            />
            {weighed && (
              <rect
                x={FLOW.pans + 2}
                y={laid.pans.top}
                width={FLOW.pansEnd - FLOW.pans - 4}
                height={laid.pans.bottom - laid.pans.top}
                fill={hatchFill(view.mark.hatch)}
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
                ? `${writeDensity(weighed.density)} kcal/g${weighed.estimated ? ', estimate' : ''}`
                : 'not weighed yet'}
            </text>
          </g>
          {laid.shares.map((band, index) => {
            const share = shares[index]!;
            const done = share.sealed || share.fate === 'today';
            return (
              <g key={share.id} onClick={() => onOpen('pack')} className={styles.vessel}>
                <path
                  d={band.path}
                  fill={done ? hatchFill(view.mark.hatch) : 'var(--enamel-raised)'}
                  stroke="var(--slate)"
                  strokeWidth="1.4"
                  strokeDasharray={done ? undefined : '5 4'}
                />
                <text x={FLOW.right + 12} y={band.labelY} fontSize="15" fontWeight="700" fill="var(--slate)">
                  {band.label} · {inMass(band.grams)}
                </text>
                <text x={FLOW.right + 12} y={band.labelY + 18} fontSize="13" fill="var(--slate-soft)">
                  {packsOf(share)}
                </text>
              </g>
            );
          })}
        </svg>
      </div>
      <p className="note">
        drawn to scale · solid is weighed, dashed is still to come
        {weighed &&
          vapour !== undefined &&
          ` · closes: ${inMass(view.wentIn.inPot)} in = ${inMass(weighed.net)} yield${weighed.eatenBefore > 0 ? ` + ${inMass(weighed.eatenBefore)} eaten` : ''} + ${inMass(vapour)} vapour`}
      </p>
    </div>
  );
}

const STATION_WORDS: Readonly<Record<Station, string>> = {
  'weigh out': '1 Weigh out',
  pot: '2 The pot',
  divide: '3 Divide',
  pack: '4 Pack',
};

function isOpen(view: BatchView, station: Station): boolean {
  if (station === 'weigh out') return true;
  if (station === 'pot') return view.state !== 'planned';
  if (station === 'divide') return view.weighed !== undefined;
  return (view.weighed?.shares.length ?? 0) > 0;
}
