'use client';

import { Fold } from '@/ui/Fold';
import ButtonBase from '@mui/material/ButtonBase';
import { useState } from 'react';
import type { PlannedBatch } from '@/core/plan/result';
import { isVessel, type Equipment } from '@/core/plan/equipment';
import type { Hatch } from '@/core/recipe/protein';
import { orderOfFilling } from '@/core/plan/loads';
import { foodsOf } from '@/core/plan/read-plan';
import { explainScale } from '@/core/plan/scale';
import { standIns } from '@/core/plan/substitute';
import { writeNumber } from '@/core/quantity/write';
import { sayWhatGoes } from '@/core/recipe/written';
import { PotLevel } from '@/ui/drawings/PotLevel';
import { FoodField } from '@/ui/food/FoodField';
import { Choice } from '@/ui/form/Choice';
import { Why } from '@/ui/Why';
import styles from './plans.module.css';
import type { ThePlan } from './use-plan';
import { useUnits } from '@/ui/units';
import { nth } from '@/core/sure';

interface BatchLinesProps {
  plan: ThePlan;
  batch: PlannedBatch;
  place: number;
  days: number;
}

/** What goes in of one recipe, line by line, with its vessels and what may stand in for a line. */
export function BatchLines({ plan, batch, place, days }: BatchLinesProps) {
  const { inMass } = useUnits();
  const { read, bound, takes, amounts } = batch;
  const { inputs, changeBatch } = plan;
  const needs = plan.shown?.needs ?? [];
  const vessels = inputs.equipment.filter(isVessel);
  const [swapping, setSwapping] = useState<number>();
  const swap = (line: number, key: string | undefined) => {
    const swaps: Record<string, string> = { ...read.entry.swaps };
    if (key === undefined) delete swaps[line];
    else swaps[line] = key;
    changeBatch(place, { swaps });
    setSwapping(undefined);
  };
  return (
    <Fold
      className={styles.batch}
      title={
        <>
          <h3>{read.name}</h3>
          <span>
            the recipe × <b>{writeNumber(bound.at.scale, 2)}</b>
          </span>
        </>
      }
    >
      <p className="soft">
        {takes.length} lines, {inMass(bound.figures.inPot)} in the pot.{' '}
        <Why
          of={explainScale(needs, place, { days, need: bound.need, energy: bound.energy, scale: bound.at.scale })}
          about={`the scale of ${read.name}`}
        />
      </p>
      {vessels.length > 0 &&
        read.vessels.map((vessel, component) => (
          <div key={component} className={styles.vessel}>
            <Choice
              label={
                read.vessels.length > 1 ? `${read.of.components[component]?.name ?? 'It'} is cooked in` : 'Cooked in'
              }
              value={String(vessel?.id ?? nth(vessels, 0).id)}
              options={vessels.map((each) => ({ value: String(each.id), label: each.name }))}
              onChange={(id) => changeBatch(place, { vessels: { ...read.entry.vessels, [component]: Number(id) } })}
            />
            <HowFull load={bound.loads[component]} vessel={vessel} hatch={read.of.protein.hatch} />
            {vessel?.kind === 'pressure cooker' && (
              <p className="note">
                From the base:{' '}
                {orderOfFilling(
                  takes
                    .map((take) => take.of)
                    .filter((line) => (line.component ?? 0) === component && line.moment === 'cook'),
                )
                  .map((line) => line.text)
                  .join(', ')}
                .
              </p>
            )}
          </div>
        ))}
      <ul className={styles.lines}>
        {takes.map((take) => (
          <li key={take.place}>
            <span>
              {take.of.text}
              {sayWhatGoes(take.of) && <span className="note"> · {sayWhatGoes(take.of)}</span>}
            </span>
            <span className="soft">{plan.entry.rounded ? take.roundedTo : take.measure}</span>
            <b>{inMass(nth(amounts, take.place))}</b>
            <ButtonBase
              className={styles.swap}
              aria-label={`Something else instead of ${take.of.text}`}
              aria-expanded={swapping === take.place}
              onClick={() => setSwapping(swapping === take.place ? undefined : take.place)}
            >
              swap
            </ButtonBase>
            {swapping === take.place && (
              <Swap plan={plan} batch={batch} line={take.place} onSwap={(key) => swap(take.place, key)} />
            )}
          </li>
        ))}
      </ul>
    </Fold>
  );
}

interface HowFullProps {
  load: PlannedBatch['bound']['loads'][number];
  vessel: Equipment | undefined;
  hatch: Hatch;
}

/** One load in its pot, drawn; what cannot fit says so where the vessel is chosen. */
function HowFull({ load, vessel, hatch }: HowFullProps) {
  // What is never cooked fills no pot.
  if (!load?.ok || !vessel?.millilitres || load.value.each === 0) return null;
  const { loads, full, explanation } = load.value;
  return (
    <p className={styles.howFull}>
      <PotLevel load={load.value} millilitres={vessel.millilitres} hatch={hatch} />
      <span>
        {loads > 1 ? `${loads} loads, each ` : ''}
        <b>{writeNumber(full * 100, 0)} %</b> of what it may hold{' '}
        <Why of={explanation} about={`how full ${vessel.name} is`} />
      </span>
    </p>
  );
}

interface SwapProps {
  plan: ThePlan;
  batch: PlannedBatch;
  line: number;
  onSwap: (key: string | undefined) => void;
}

/** What may stand in for a line: food of the same part, as much as brings the same energy. */
function Swap({ plan, batch, line, onSwap }: SwapProps) {
  const { inputs, bringFood } = plan;
  const original = nth(batch.read.of.written, line);
  const offered = standIns(original, foodsOf(inputs), inputs.factors);
  const key = batch.read.entry.swaps?.[line];
  return (
    <div className={styles.swapping}>
      <Choice
        label={`Instead of ${original.text}, as much as brings the same energy`}
        value={key ?? ''}
        options={[
          { value: '', label: 'nothing: as the recipe says' },
          ...offered.map((known) => ({ value: known.food.ndb, label: known.food.name })),
        ]}
        onChange={(chosen) => onSwap(chosen === '' ? undefined : chosen)}
      />
      <FoodField
        label={`Another food instead of ${original.text}`}
        value={null}
        onChange={(known) => {
          if (!known) return;
          bringFood(known);
          onSwap(known.food.ndb);
        }}
      />
    </div>
  );
}
