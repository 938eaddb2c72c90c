'use client';

import Button from '@mui/material/Button';
import { useEffect, useState } from 'react';
import { MACHINE_KINDS, type MachineKind } from '@/core/preserve/machine-model';
import { writeHours } from '@/core/preserve/drying-words';
import { readCount } from '@/core/quantity/typed';
import { writeNumber } from '@/core/quantity/write';
import type { MachineAct, MachineSays } from '@/devices/machines';
import { machineLog } from '@/ui/charts/machine-log';
import { Field } from '@/ui/form/Field';
import { useUnits } from '@/ui/units';
import styles from './household.module.css';

const NAMES: Readonly<Record<MachineKind, string>> = {
  dehydrator: 'Dehydrator',
  'freeze-dryer': 'Freeze-dryer',
  freezer: 'Freezer sensor',
};
const [WIDTH, HEIGHT] = [320, 90];
/** ms between two askings. */
const EVERY = 2000;
/** Hours that go by with one press. */
const JUMPS = [1, 6, 24] as const;

type All = Readonly<Record<MachineKind, MachineSays>>;

/** The simulated machines: loaded, driven and made to live faster; their trays go onto the scale with a press. */
export function Machines({ onScale }: { onScale: (grams: number) => void }) {
  const [all, setAll] = useState<All>();
  useEffect(() => {
    let next: ReturnType<typeof setTimeout>;
    const ask = async () => {
      const answer = await fetch('/api/machines').catch(() => undefined);
      if (answer?.status === 200) setAll((await answer.json()) as All);
      next = setTimeout(() => void ask(), EVERY);
    };
    void ask();
    return () => clearTimeout(next);
  }, []);
  const act = async (kind: MachineKind, what: MachineAct) => {
    const answer = await fetch('/api/machines', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ kind, do: what }),
    });
    if (answer.ok) setAll((await answer.json()) as All);
  };
  if (!all) return null;
  return (
    <div className={styles.columns}>
      {MACHINE_KINDS.map((kind) => (
        <One key={kind} says={all[kind]} onAct={(what) => void act(kind, what)} onScale={onScale} />
      ))}
    </div>
  );
}

interface OneProps {
  says: MachineSays;
  onAct: (act: MachineAct) => void;
  onScale: (grams: number) => void;
}

function One({ says, onAct, onScale }: OneProps) {
  const { inDegrees, inMass } = useUnits();
  const { kind, trays, power, open } = says;
  const drawn = machineLog(says.log, { width: WIDTH, height: HEIGHT });
  return (
    <section className="stack" aria-labelledby={`machine-${kind}`}>
      <h2 id={`machine-${kind}`}>{NAMES[kind]}</h2>
      <p role="status">
        {power ? inDegrees(says.celsius, 1) : `no power, ${inDegrees(says.celsius, 1)}`} · {writeHours(says.hours)} by
        its clock · {writeNumber(says.kwh, 1)} kWh{open && ' · its door is open'}
      </p>
      {says.log.length > 1 && (
        <svg
          viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
          width="100%"
          role="img"
          aria-label={`Its log: ${inDegrees(drawn.least)} to ${inDegrees(drawn.most)}`}
        >
          <path d={`M0 ${HEIGHT - 1}H${WIDTH}`} stroke="var(--edge)" />
          <path d={drawn.path} fill="none" stroke="var(--fjord)" strokeWidth="2" />
        </svg>
      )}
      {kind !== 'freezer' && <Fill onAct={onAct} />}
      {trays.length > 0 && (
        <div className="spread">
          {trays.map((tray, index) => (
            <Button key={index} variant="outlined" onClick={() => onScale(tray.gross)}>
              tray {index + 1} onto the scale: {inMass(tray.gross)}
            </Button>
          ))}
        </div>
      )}
      <div className="spread">
        <Button variant="outlined" onClick={() => onAct({ act: 'power', on: !power })}>
          {power ? 'cut its power' : 'give it power'}
        </Button>
        <Button variant="outlined" onClick={() => onAct({ act: 'door', open: !open })}>
          {open ? 'shut its door' : 'open its door'}
        </Button>
        {JUMPS.map((hours) => (
          <Button key={hours} variant="outlined" onClick={() => onAct({ act: 'pass', hours })}>
            {hours} h go by
          </Button>
        ))}
      </div>
      <a href={`/api/machines?log=${kind}`} download>
        its log as CSV
      </a>
    </section>
  );
}

/** A load: what each tray weighs with its food, and how wet that is. */
function Fill({ onAct }: Pick<OneProps, 'onAct'>) {
  const [typed, setTyped] = useState({ count: '3', tare: '800', wet: '1300', water: '70' });
  const [problem, setProblem] = useState<string>();
  const field = (name: keyof typeof typed, label: string, unit: string) => (
    <Field
      label={label}
      unit={unit}
      inputMode="decimal"
      autoComplete="off"
      value={typed[name]}
      onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}
    />
  );
  const load = () => {
    const read = {
      count: readCount(typed.count),
      tare: readCount(typed.tare),
      wet: readCount(typed.wet),
      water: readCount(typed.water),
    };
    if (
      !read.count.ok ||
      !read.tare.ok ||
      !read.wet.ok ||
      !read.water.ok ||
      read.count.value < 1 ||
      read.count.value > 60
    )
      return setProblem('Figures, please: up to 60 trays.');
    setProblem(undefined);
    const tray = { tare: read.tare.value, wet: Math.max(1, read.wet.value) };
    onAct({
      act: 'load',
      trays: Array.from({ length: Math.round(read.count.value) }, () => tray),
      water: Math.min(0.99, Math.max(0.01, read.water.value / 100)),
    });
  };
  return (
    <>
      <div className={styles.two}>
        {field('count', 'Trays', '')}
        {field('tare', 'One empty', 'g')}
        {field('wet', 'Food on each', 'g')}
        {field('water', 'Of it water', '%')}
      </div>
      {problem && (
        <p className="caution" role="alert">
          {problem}
        </p>
      )}
      <div>
        <Button variant="outlined" onClick={load}>
          Load it
        </Button>
      </div>
    </>
  );
}
