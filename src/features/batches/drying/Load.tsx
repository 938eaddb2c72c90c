'use client';

import Button from '@mui/material/Button';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import { addDays, writeDay } from '@/core/calendar/local-date';
import { costOf, writeHours } from '@/core/preserve/drying-words';
import { DRIED_FORMS, DRYING_AIR, FORMS, type DriedForm } from '@/core/preserve/drying';
import { isOverloaded, perTray, planLoads, type PlannedLoad } from '@/core/preserve/dryer-loads';
import { countOf } from '@/core/quantity/count-words';
import { readCount } from '@/core/quantity/typed';
import { writeMoney, writeNumber } from '@/core/quantity/write';
import { nth } from '@/core/sure';
import { Caution } from '@/ui/Caution';
import { Fold } from '@/ui/Fold';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { Why } from '@/ui/Why';
import { loadCycle, splitLoads } from '../actions';
import styles from './drying.module.css';
import { HeatFirst } from './HeatFirst';
import type { DryerView } from './queries';
import { dryerOf, dryingOf, forecastOf, useHow, type DryingProps } from './use-drying';

/** Before a load lies in its machine: how it is cut and heated, how it is laid out, how long it takes, and into the machine. */
export function Load({ view, share }: DryingProps) {
  const how = useHow(view, share);
  const own = dryerOf(view, share);
  const alike = dryingOf(view).dryers.filter(({ kind }) => kind === own?.kind);
  const [chosen, setChosen] = useState<number>();
  const machine = alike.find(({ id }) => id === chosen) ?? own;
  const forecast = forecastOf(view, share, machine);
  const { kwhMinor, currency } = dryingOf(view);
  const cost = costOf(forecast?.energy, kwhMinor);
  return (
    <div className="stack">
      {share.method === 'dehydrated' && (
        <>
          <Choice
            label="It is cut as"
            value={share.form ?? ''}
            options={[
              { value: '' as DriedForm | '', label: 'how?' },
              ...DRIED_FORMS.map((form) => ({ value: form, label: FORMS[form].words })),
            ]}
            onChange={(form) => form !== '' && how.say({ what: 'form', form })}
          />
          <HeatFirst view={view} share={share} />
        </>
      )}
      {!machine && (
        <p className="soft">
          Set down your {share.method === 'dehydrated' ? 'dehydrator' : 'freeze-dryer'} under{' '}
          <Link href="/household">Household</Link>: then it says how the trays are filled and how long they take.
        </p>
      )}
      {alike.length > 1 && machine && (
        <Choice
          label="Which one"
          value={String(machine.id)}
          options={alike.map(({ id, name }) => ({ value: String(id), label: name }))}
          onChange={(id) => setChosen(Number(id))}
        />
      )}
      {forecast && machine && (
        <p>
          About <b>{writeHours(forecast.hours)}</b>
          <span className="note">
            {' '}
            {writeHours(forecast.low)} to {writeHours(forecast.high)},{' '}
            {forecast.of === 0 ? 'common practice' : `by ${countOf(forecast.of, 'cycle')} of this machine`}
          </span>
          {forecast.energy !== undefined && (
            <>
              , {writeNumber(forecast.energy, 1)} kWh{cost !== undefined && `, ${writeMoney(cost, currency)}`}
            </>
          )}{' '}
          <Why of={forecast.explanation} about="how long it takes" />
        </p>
      )}
      {machine && share.trays.length === 0 && (
        <Layout view={view} share={share} machine={machine} cycle={forecast?.hours ?? 24} />
      )}
      {machine && share.trays.some(({ cycleId }) => cycleId === undefined) && (
        <IntoMachine key={machine.id} view={view} share={share} machine={machine} />
      )}
      <Problems problems={how.problems} />
    </div>
  );
}

/** How the trays are filled, over as many cycles as it takes. */
function Layout({ view, share, machine, cycle }: DryingProps & { machine: DryerView; cycle: number }) {
  const { inMass } = useUnits();
  const split = useCommand(splitLoads, `loads-${share.id}`);
  const freeIn = machine.running ? Math.max(0, cycle - machine.running.hours) : 0;
  const plan = planLoads(share.grams, machine.room, { cycle, freeIn, fridgeDays: share.fridgeDays });
  if (!plan.ok) return <Caution role="status">{plan.problem.message}</Caution>;
  const loads = plan.value;
  return (
    <div className="stack">
      {machine.running && (
        <p className="soft">
          The {machine.name} runs for another {writeHours(freeIn)} or so.
        </p>
      )}
      <ol className={styles.loads} aria-label="How it is laid out">
        {loads.map((load, index) => (
          <li key={index}>
            <TrayStack load={load} trays={machine.room.trays} most={perTray(machine.room)} />
            <span>
              <b>{whenOf(load, view)}</b> {countOf(load.trays.length, 'tray')} of about {inMass(nth(load.trays, 0))}
              {load.deep !== undefined && `, ${writeNumber(load.deep, 1)} cm deep`}
              {load.waits > 0 && (
                <span className="note">
                  {load.waitsIn === 'freezer'
                    ? `waits ${countOf(load.waits, 'day')}, longer than the fridge keeps it: freeze it first, on its trays if they fit`
                    : `waits ${countOf(load.waits, 'day')} in the fridge, of ${share.fridgeDays} that it keeps there`}
                </span>
              )}
            </span>
          </li>
        ))}
      </ol>
      {loads.length > 1 && (
        <div>
          <Button
            variant="outlined"
            disabled={split.pending}
            onClick={() =>
              split.run({
                batchId: view.id,
                shareId: share.id,
                revision: view.revision,
                loads: loads.map(({ grams, waits, waitsIn }) => ({
                  grams,
                  days: waits,
                  ...(waitsIn ? { waitsIn } : {}),
                })),
              })
            }
          >
            Divide it into these {loads.length} loads
          </Button>
        </div>
      )}
      <Problems problems={split.problems} />
    </div>
  );
}

const whenOf = ({ waits }: PlannedLoad, { today }: DryingProps['view']): string =>
  waits === 0 ? 'now' : writeDay(addDays(today, waits), today);

/** The machine's trays one above the other, each as full as it is planned. */
function TrayStack({ load, trays, most }: { load: PlannedLoad; trays: number; most: number }) {
  const rows = Math.min(8, trays);
  return (
    <svg viewBox={`0 0 96 ${rows * 14 + 4}`} width="96" aria-hidden>
      {Array.from({ length: rows }, (_, index) => (
        <g key={index} transform={`translate(2 ${index * 14})`}>
          <rect
            y="2"
            width={92 * Math.min(1, (load.trays[index] ?? 0) / most)}
            height="9"
            fill="color-mix(in srgb, var(--honey) 35%, var(--enamel-raised))"
          />
          <path d="M0 0V12H92V0" fill="none" stroke="var(--slate)" strokeWidth="1.5" />
        </g>
      ))}
    </svg>
  );
}

/** The trays go into the machine, each part on one of its trays. */
function IntoMachine({ view, share, machine }: DryingProps & { machine: DryerView }) {
  const { inMass } = useUnits();
  const load = useCommand(loadCycle, `load-${share.id}`);
  const waiting = share.trays.filter(({ cycleId }) => cycleId === undefined);
  const taken = machine.running?.slots ?? [];
  const free = Array.from({ length: machine.room.trays }, (_, index) => index + 1).filter(
    (slot) => !taken.includes(slot),
  );
  const [typed, setTyped] = useState<readonly string[]>([]);
  const slots = waiting.map((_, index) => typed[index] ?? String(free[index] ?? ''));
  const [air, setAir] = useState(String(DRYING_AIR.usual));
  const read = slots.map((text) => readCount(text));
  const warm = readCount(air);
  const isWarm = share.method === 'dehydrated';
  const without = slots.filter((slot) => slot.trim() === '').length;
  return (
    <form
      className="stack"
      noValidate
      aria-label="Into the machine"
      onSubmit={(event) => {
        event.preventDefault();
        load.run({
          batchId: view.id,
          shareId: share.id,
          machineId: machine.id,
          slots: read.map((each) => (each.ok && Number.isInteger(each.value) ? Math.min(99, each.value) : 0)),
          ...(isWarm && warm.ok ? { celsius: warm.value } : {}),
        });
      }}
    >
      {machine.running && (
        <p className="note">
          It runs already: what you add lies beside tray {taken.join(', ')}, and comes out with it.
        </p>
      )}
      {isWarm && (
        <Field
          label="Its air is set to"
          unit="°C"
          inputMode="decimal"
          autoComplete="off"
          value={air}
          onChange={(event) => setAir(event.target.value)}
          problem={warm.ok ? load.at('celsius') : warm.problem.message}
          hint={`${DRYING_AIR.least} to ${DRYING_AIR.most} °C once it was heated (FSIS, jerky)`}
        />
      )}
      <Fold
        title={`Which tray lies where: ${[...slots.filter((slot) => slot.trim() !== ''), ...(without > 0 ? [`${without} without a place`] : [])].join(', ')}`}
        open={load.problems.some(({ field }) => field?.startsWith('slots'))}
      >
        <div className={styles.slots}>
          {waiting.map((tray, index) => (
            <Field
              key={tray.id}
              label={`Weighed ${share.trays.indexOf(tray) + 1} lies on tray`}
              inputMode="numeric"
              autoComplete="off"
              value={nth(slots, index)}
              onChange={(event) => {
                load.clear();
                setTyped(slots.map((own, at) => (at === index ? event.target.value : own)));
              }}
              problem={load.at(`slots.${index}`)}
              hint={`${inMass(tray.wetGross - tray.tare)} of it`}
            />
          ))}
        </div>
        {(machine.room.dividers ?? 0) > 0 && (
          <p className="note">
            {countOf(machine.room.dividers ?? 0, 'divider')} in a tray: several parts may have the same number, each
            weighed by itself.
          </p>
        )}
      </Fold>
      {waiting
        .filter((tray) => isOverloaded(tray.wetGross - tray.tare, machine.room))
        .map((tray) => (
          <Caution key={tray.id} role="status">
            {inMass(tray.wetGross - tray.tare)} of it on one tray, which takes {inMass(machine.room.perTray)}
            {tray.tare === 0 ? ': was its own weight left in?' : ': it dries slowly so.'}
          </Caution>
        ))}
      <Problems problems={load.atHead('celsius', ...waiting.map((_, index) => `slots.${index}`))} />
      <div>
        <Button type="submit" variant="contained" size="large" disabled={load.pending} data-next-act>
          {machine.running ? `Into the ${machine.name}, beside the others` : `Into the ${machine.name}, it runs`}
        </Button>
      </div>
    </form>
  );
}
