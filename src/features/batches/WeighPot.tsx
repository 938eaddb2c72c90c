'use client';

import ButtonBase from '@mui/material/ButtonBase';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { StepKey } from '@/core/batch/steps';
import { SAFE_CORE_SOURCE, strictest } from '@/core/heat/safe-core';
import { unusualYield } from '@/core/portion/unusual';
import { wentInAfter } from '@/core/batch/strained';
import { weighYield } from '@/core/portion/yield';
import type { Problem } from '@/core/problem';
import { capital, writeDensity } from '@/core/quantity/write';
import { Segments } from '@/ui/form/Segments';
import { FromInstrument } from '@/ui/counter/FromInstrument';
import { Keypad } from '@/ui/counter/Keypad';
import { CupLevel } from '@/ui/drawings/CupLevel';
import { ProbePlace } from '@/ui/drawings/ProbePlace';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useDraftStorage } from '@/ui/form/use-draft-storage';
import { tryPot, weighBatch } from './actions';
import styles from './batches.module.css';
import { AskYield } from './AskYield';
import { KnownTares } from './KnownTares';
import type { BatchView } from './view';
import type { VesselView } from './weighed/vessels';
import { useUnits } from '@/ui/units';
import { useCorrection } from './use-correction';
import { before, isTyped, readWeighing, typedPot, type Typed } from './typed-pot';
import { WhatFollows } from './WhatFollows';

const MEASURED_BY = [
  { value: 'scale', label: 'on the scale' },
  { value: 'cups', label: 'in cups' },
] as const;

/** What left the pot before it was weighed. */
const TAKEN_OUT = [
  { name: 'eaten', label: 'Eaten from the pot before', hint: 'a taste, or a bowl fed straight away' },
  { name: 'kept', label: 'Liquid poured off and kept', hint: 'counted as water; poured back is not kept' },
  { name: 'skimmed', label: 'Fat skimmed off', hint: 'its energy goes with it' },
  { name: 'strained', label: 'Bones strained out', hint: 'with spent vegetables, the meat picked off and put back' },
] as const;

/** Problems that stand at the head, for no field of theirs is shown. */
const HEAD = new Set(['vessels', 'revision', 'packsStand']);

interface WeighPotProps {
  view: BatchView;
  /** What is weighed: the pot, or a part of it that is kept apart. */
  vessel: VesselView;
  onOpen: (step: StepKey) => void;
}

/** Weighing a finished pot: gross and tare of each vessel, or counted cups of which one was weighed. */
export function WeighPot({ view, vessel: of, onOpen }: WeighPotProps) {
  const { inDegrees, inMass, readScale, scaleUnit, toType } = useUnits();
  const [typed, setTyped, forget] = useDraftStorage(
    of.place === 0 && !view.apart ? `weigh-${view.id}` : `weigh-${view.id}-${of.place}`,
    typedPot,
    before(of, toType),
  );
  const named = of.name;
  const [tried, setTried] = useState(false);
  const core = strictest(view.stove?.day.loads.flatMap(({ asked }) => asked ?? []) ?? []);
  const weigh = useCommand(weighBatch, `weigh-${view.id}-${of.place}`, () => forget(typed));
  const again = useCorrection(tryPot, weighBatch, `weigh-again-${view.id}-${of.place}`, () => forget(typed));
  const { weighing, problems } = readWeighing(typed, readScale);
  const eaten = readScale(typed.eaten, 'zero');
  const kept = readScale(typed.kept, 'zero');
  const skimmed = readScale(typed.skimmed, 'zero');
  const strained = readScale(typed.strained, 'zero');
  const takenOut = { eaten, kept, skimmed, strained };
  const wentIn = wentInAfter(of.wentIn, of.strained, strained.ok ? strained.value : 0, inMass);
  const outcome = !wentIn.ok
    ? wentIn
    : weighing && eaten.ok && kept.ok && skimmed.ok && strained.ok
      ? weighYield(
          weighing,
          { eatenBefore: eaten.value, kept: kept.value, skimmed: skimmed.value },
          wentIn.value,
          inMass,
        )
      : undefined;
  // Asked about once, and again when another figure is typed.
  const [sureOf, setSureOf] = useState<number>();
  const unusual = outcome?.ok
    ? unusualYield(
        outcome.value.net + outcome.value.eatenBefore + outcome.value.kept,
        of.wentIn.inPot,
        view.apart ? [] : view.pots,
      )
    : undefined;
  const asked = unusual && unusual.part !== sureOf ? unusual : undefined;
  const complete =
    typed.by === 'cups'
      ? typed.cups !== '' && typed.cupGrams !== ''
      : typed.vessels.every((vessel) => vessel.gross !== '');
  const said: readonly Problem[] = [
    ...(tried || complete ? problems : problems.filter((problem) => isTyped(typed, problem.field ?? ''))),
    ...(outcome && !outcome.ok ? [outcome.problem] : []),
    ...weigh.problems,
    ...again.problems,
  ];
  const at = (field: string) => said.find((problem) => problem.field === field)?.message;
  const set = (change: Partial<Typed>) => {
    weigh.clear();
    again.leave();
    setTyped({ ...typed, ...change });
  };
  const setVessel = (index: number, change: Partial<Typed['vessels'][number]>) =>
    set({ vessels: typed.vessels.map((vessel, at) => (at === index ? { ...vessel, ...change } : vessel)) });

  return (
    <form
      className={styles.pot}
      aria-labelledby="pot"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        setTried(true);
        if (!weighing || !eaten.ok || !kept.ok || !skimmed.ok || !strained.ok || !outcome?.ok || asked) return;
        const out = { eatenBefore: eaten.value, kept: kept.value, skimmed: skimmed.value, strained: strained.value };
        const input = { batchId: view.id, yield: of.place, weighing, ...out, revision: view.revision };
        if (of.weighed) again.ask(input);
        else weigh.run(input);
      }}
    >
      <div className="stack">
        <div className="spread">
          <h2 id="pot">
            {of.weighed
              ? `What ${named} weighed`
              : view.apart
                ? `Weigh ${named}`
                : `${capital(named)} is done: weigh it`}
          </h2>
          <Segments label="How it is measured" value={typed.by} options={MEASURED_BY} onChange={(by) => set({ by })} />
        </div>
        <Problems problems={said.filter(({ field }) => field === undefined || HEAD.has(field))} />
        {typed.by === 'scale' ? (
          <>
            <FromInstrument
              kind="scale"
              write={inMass}
              onTake={(grams) => {
                const index = typed.vessels.findIndex((vessel) => vessel.gross === '' || vessel.tare === '');
                const vessel = typed.vessels[index];
                if (vessel)
                  setVessel(index, {
                    [vessel.gross === '' ? 'gross' : 'tare']: toType(grams, String(Math.round(grams))),
                  });
              }}
            />
            <KnownTares
              tares={view.tares}
              onTake={({ name, tare }) => {
                const index = typed.vessels.findIndex((vessel) => vessel.tare === '');
                if (index >= 0) setVessel(index, { name, tare: toType(tare) });
              }}
            />
            {typed.vessels.map((vessel, index) => (
              <div key={index} className={styles.vesselRow}>
                <Field
                  label="Vessel"
                  className={styles.vesselName}
                  value={vessel.name}
                  onChange={(event) => setVessel(index, { name: event.target.value })}
                  autoComplete="off"
                />
                <Field
                  label="With the food"
                  unit={scaleUnit}
                  inputProps={of.weighed ? undefined : { 'data-next-act': true }}
                  inputMode="decimal"
                  value={vessel.gross}
                  onChange={(event) => setVessel(index, { gross: event.target.value })}
                  problem={at(`vessels.${index}.gross`)}
                  autoComplete="off"
                />
                <Field
                  label="Empty (tare)"
                  unit={scaleUnit}
                  inputMode="decimal"
                  value={vessel.tare}
                  onChange={(event) => setVessel(index, { tare: event.target.value })}
                  problem={at(`vessels.${index}.tare`)}
                  autoComplete="off"
                />
                {vessel.tare.trim() === '' && (
                  <Button variant="text" size="small" onClick={() => setVessel(index, { tare: '0' })}>
                    none: it was tared
                  </Button>
                )}
                {typed.vessels.length > 1 && (
                  <ButtonBase
                    className={styles.remove}
                    aria-label={`Remove vessel ${index + 1}`}
                    onClick={() => set({ vessels: typed.vessels.filter((_, at) => at !== index) })}
                  >
                    ×
                  </ButtonBase>
                )}
              </div>
            ))}
            <div>
              <Button
                variant="outlined"
                onClick={() =>
                  set({
                    vessels: [...typed.vessels, { name: `vessel ${typed.vessels.length + 1}`, gross: '', tare: '' }],
                  })
                }
              >
                One more vessel
              </Button>
            </div>
          </>
        ) : (
          <div className={styles.vesselRow}>
            <Field
              label="Cups counted"
              inputMode="decimal"
              value={typed.cups}
              onChange={(event) => set({ cups: event.target.value })}
              problem={at('cups')}
              hint="9 1/2 is read too"
              autoComplete="off"
            />
            <Field
              label="One cup of it weighs"
              unit={scaleUnit}
              inputMode="decimal"
              value={typed.cupGrams}
              onChange={(event) => set({ cupGrams: event.target.value })}
              problem={at('cupGrams')}
              hint="without the cup"
              autoComplete="off"
            />
            <CupLevel />
          </div>
        )}
        {!of.weighed && core && (
          <p className={styles.done}>
            <ProbePlace />
            <span>
              Done at <b>{inDegrees(core.celsius)}</b>, with the tip in the middle of the thickest piece.{' '}
              <span className="note">{SAFE_CORE_SOURCE}; stir-ins go in when it has cooled</span>
            </span>
          </p>
        )}
        <div className={styles.eaten}>
          {TAKEN_OUT.filter(({ name }) => !view.byProduct && (name !== 'strained' || of.strained)).map(
            ({ name, label, hint }) => {
              const read = takenOut[name];
              return (
                <Field
                  key={name}
                  label={label}
                  unit={scaleUnit}
                  inputMode="decimal"
                  value={typed[name]}
                  onChange={(event) => set({ [name]: event.target.value })}
                  problem={read.ok ? at(name) : read.problem.message}
                  hint={hint}
                  autoComplete="off"
                />
              );
            },
          )}
        </div>
      </div>
      <div className={styles.result} aria-live="polite">
        {outcome?.ok ? (
          <>
            <p className={styles.counter}>{inMass(outcome.value.net)}</p>
            <p>
              <b>{writeDensity(outcome.value.density)} kcal/g</b>
              {outcome.value.estimated && <span className="caution"> an estimate</span>}
            </p>
          </>
        ) : (
          <p className="soft">
            {inMass(of.wentIn.inPot)} went in. The yield lies between {inMass(of.wentIn.solids)} of solids and that.
          </p>
        )}
        {asked && <AskYield of={asked} onSure={() => setSureOf(asked.part)} />}
        {!again.follows && !again.mayStand && (
          <Button
            type="submit"
            variant="contained"
            size="large"
            fullWidth
            disabled={weigh.pending || again.pending || asked !== undefined}
          >
            {of.weighed ? 'Correct the weight' : 'That is the yield'}
          </Button>
        )}
        <WhatFollows view={view} of={again} onPacks={() => onOpen('pack')} />
        <Keypad />
        {of.weighed && !again.follows && (
          <p className="note">It may be put right at any time: what follows is shown before it is taken.</p>
        )}
      </div>
    </form>
  );
}
