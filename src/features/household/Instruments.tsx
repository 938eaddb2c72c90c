'use client';

import Button from '@mui/material/Button';
import Slider from '@mui/material/Slider';
import { useState } from 'react';
import { INSTRUMENTS, type InstrumentKind as Kind } from '@/core/cook/settled';
import type { Driven } from '@/devices/shelf';
import type { Drive } from '@/devices/simulated';
import { Choice } from '@/ui/form/Choice';
import { useInstrument } from '@/ui/instruments';
import styles from './household.module.css';
import { Machines } from './Machines';

const FAULTS = [
  { value: 'none', label: 'works' },
  { value: 'silent', label: 'is silent' },
  { value: 'garbage', label: 'sends garbage' },
  { value: 'battery low', label: 'battery low' },
] as const;

const OF: Readonly<Record<Kind, { name: string; unit: string; most: number; step: number; tries: readonly number[] }>> =
  {
    scale: { name: 'Scale', unit: 'g', most: 20_000, step: 10, tries: [0, 500, 1240, 3550] },
    probe: { name: 'Probe', unit: '°C', most: 110, step: 0.5, tries: [4, 20, 57, 76] },
    oven: { name: 'Oven', unit: '°C', most: 260, step: 5, tries: [20, 57, 160, 180] },
  };

const LIES: Readonly<Record<Kind, string>> = {
  scale: 'lies on it, g',
  probe: 'sticks in, °C',
  oven: 'is set to, °C',
};

/** Simulated instruments, driven by hand: what lies on the scale, what the probe sticks in, and what is wrong with them. */
export function Instruments({ first }: { first: Driven }) {
  const [driven, setDriven] = useState(first);
  const ask = async (body: unknown) => {
    const answer = await fetch('/api/instruments', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    if (answer.ok) setDriven((await answer.json()) as Driven);
  };
  return (
    <div className="page">
      <div className="titleRow">
        <h1>Instruments</h1>
        <p className="soft">simulated: to try the counter without a scale, a probe and machines that speak</p>
      </div>
      <div>
        <Button variant={driven.on ? 'outlined' : 'contained'} onClick={() => void ask({ on: !driven.on })}>
          {driven.on ? 'Switch them off' : 'Switch them on'}
        </Button>
      </div>
      {driven.on && (
        <div className={styles.columns}>
          {INSTRUMENTS.map((kind) => (
            <One key={kind} kind={kind} drive={driven[kind]} onDrive={(drive) => void ask({ kind, drive })} />
          ))}
        </div>
      )}
      {driven.on && (
        <Machines onScale={(grams) => void ask({ kind: 'scale', drive: { ...driven.scale, target: grams } })} />
      )}
    </div>
  );
}

function One({ kind, drive, onDrive }: { kind: Kind; drive: Drive; onDrive: (drive: Drive) => void }) {
  const { name, unit, most, step, tries } = OF[kind];
  const heard = useInstrument(kind);
  const slide = (
    label: string,
    part: 'target' | 'noise' | 'drift' | 'follows' | 'lapse',
    max: number,
    by: number,
    min = 0,
  ) => (
    <div>
      <p id={`${kind}-${part}`}>
        {label}: {drive[part]}
      </p>
      <Slider
        aria-labelledby={`${kind}-${part}`}
        value={drive[part]}
        min={min}
        max={max}
        step={by}
        onChange={(_, value) => onDrive({ ...drive, [part]: Number(value) })}
      />
    </div>
  );
  return (
    <section className="stack" aria-labelledby={kind}>
      <h2 id={kind}>{name}</h2>
      <p role="status">
        {heard === undefined
          ? 'not heard yet'
          : heard.silent
            ? 'silent'
            : `${heard.shows.toFixed(1)} ${unit}${heard.settled === undefined ? ', moving' : ''}`}
      </p>
      <div className="spread">
        {tries.map((target) => (
          <Button key={target} variant="outlined" onClick={() => onDrive({ ...drive, target })}>
            {target === 0 ? 'take off' : `${target} ${unit}`}
          </Button>
        ))}
      </div>
      {slide(LIES[kind], 'target', most, step)}
      {slide(`trembles by, ${unit}`, 'noise', kind === 'scale' ? 20 : 3, 0.1)}
      {slide(`creeps an hour by, ${unit}`, 'drift', 60, 1, -60)}
      {slide('follows in, s (a pan that cools: an hour is 3600)', 'follows', 7200, 1, 1)}
      {slide('lives faster, times', 'lapse', 600, 1, 1)}
      <Choice
        label={`The ${kind}`}
        value={drive.fault}
        options={FAULTS}
        onChange={(fault) => onDrive({ ...drive, fault })}
      />
    </section>
  );
}
