'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { z } from 'zod';
import type { Problem } from '@/core/problem';
import { FromInstrument } from '@/ui/counter/FromInstrument';
import { Keypad } from '@/ui/counter/Keypad';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useDraftStorage } from '@/ui/form/use-draft-storage';
import { saveTrays } from '../actions';
import styles from '../batches.module.css';
import type { BatchView } from '../view';
import type { SheetShare } from '../weighed/view';
import { useUnits } from '@/ui/units';

const typedTrays = z.array(z.object({ tare: z.string(), wetGross: z.string(), dryGross: z.string() }));
type TypedTray = z.infer<typeof typedTrays>[number];

const NAMES = ['tare', 'wetGross', 'dryGross'] as const;
const LABELS = { tare: 'empty', wetGross: 'with wet food', dryGross: 'with dry food' } as const;

interface TraysProps {
  view: BatchView;
  share: SheetShare;
  /** What an empty tray of the machine weighs, as the household says, and how many it has. */
  tare: number | undefined;
  trays: number | undefined;
  /** They come out of the machine: only what they weigh dry is asked. */
  onlyDry: boolean;
}

/** The trays of the dry share: empty and wet before the dryer, dry after it. */
export function Trays({ view, share, tare: usualTare, trays: most, onlyDry }: TraysProps) {
  const { inMass, readScale, scaleUnit, toType } = useUnits();
  const isIn = share.trays.length > 0;
  const empty = { tare: usualTare === undefined ? '' : toType(usualTare), wetGross: '', dryGross: '' };
  const [trays, setTrays, forget] = useDraftStorage(
    `trays-${share.id}${onlyDry ? '-dry' : ''}`,
    typedTrays,
    share.trays.length > 0
      ? share.trays.map((tray) => ({
          tare: toType(tray.tare),
          wetGross: toType(tray.wetGross),
          dryGross: tray.dryGross === undefined ? '' : toType(tray.dryGross),
        }))
      : [empty],
  );
  // The figure that the scale is for: the field that was pressed last, or the first that is still empty.
  const [pressed, setPressed] = useState<{ index: number; name: keyof TypedTray }>();
  const first = trays.flatMap((tray, index) =>
    (isIn ? (['dryGross'] as const) : (['tare', 'wetGross'] as const)).flatMap((name) =>
      tray[name] === '' ? [{ index, name }] : [],
    ),
  )[0];
  const asked = pressed ?? first;
  const [unread, setUnread] = useState<readonly Problem[]>([]);
  const save = useCommand(saveTrays, `trays-${share.id}`, () => forget(trays));
  const fields = trays.flatMap((_, index) => NAMES.map((name) => `trays.${index}.${name}`));
  const at = (field: string) => unread.find((problem) => problem.field === field)?.message ?? save.at(field);
  const set = (index: number, name: keyof TypedTray, text: string) => {
    save.clear();
    setUnread(unread.filter((problem) => problem.field !== `trays.${index}.${name}`));
    setTrays(trays.map((tray, at) => (at === index ? { ...tray, [name]: text } : tray)));
  };
  const submit = () => {
    const problems: Problem[] = [];
    // A blank is a question, of the empty tray as well: 0 is typed where the scale was tared.
    const read = (text: string, field: string) => {
      const reading = readScale(text);
      if (!reading.ok) problems.push({ ...reading.problem, field });
      return reading.ok ? Number(reading.value) : 0;
    };
    const input = trays.map((tray, index) => ({
      tare: read(tray.tare, `trays.${index}.tare`),
      wetGross: read(tray.wetGross, `trays.${index}.wetGross`),
      dryGross: tray.dryGross.trim() === '' ? undefined : read(tray.dryGross, `trays.${index}.dryGross`),
    }));
    setUnread(problems);
    if (problems.length === 0) save.run({ batchId: view.id, shareId: share.id, trays: input, revision: view.revision });
  };
  return (
    <form
      className="stack"
      aria-label="Trays"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <Problems problems={save.atHead(...fields)} />
      {trays.map((tray, index) => (
        <fieldset key={index} className={styles.tray}>
          <legend className="away">Tray {index + 1}</legend>
          <span aria-hidden className={styles.trayNumber}>
            {index + 1}
          </span>
          {NAMES.filter(
            (name) =>
              (!onlyDry && name !== 'dryGross') ||
              (name === 'dryGross' && isIn) ||
              tray.dryGross !== '' ||
              at(`trays.${index}.dryGross`),
          ).map((name) => (
            <Field
              key={name}
              label={`Tray ${index + 1} ${LABELS[name]}`}
              unit={scaleUnit}
              inputMode="decimal"
              autoComplete="off"
              value={tray[name]}
              onChange={(event) => set(index, name, event.target.value)}
              onFocus={() => setPressed({ index, name })}
              problem={at(`trays.${index}.${name}`)}
              hint={name === 'dryGross' && !onlyDry ? 'empty until the dryer is done' : undefined}
            />
          ))}
        </fieldset>
      ))}
      {asked && (
        <FromInstrument
          kind="scale"
          write={(grams) => `${inMass(grams)} for tray ${asked.index + 1} ${LABELS[asked.name]}`}
          onTake={(grams) => {
            set(asked.index, asked.name, toType(Math.round(grams)));
            setPressed(undefined);
          }}
        />
      )}
      {most !== undefined && trays.length > most && !share.dried && (
        <p className="note" role="status">
          {trays.length} trays: the machine has {most}. With dividers, each part is weighed by itself.
        </p>
      )}
      <div className={styles.acts}>
        {!onlyDry && (
          <Button variant="outlined" onClick={() => setTrays([...trays, empty])}>
            One more tray
          </Button>
        )}
        {!onlyDry && trays.length > 1 && trays.at(-1)?.wetGross === '' && (
          <Button variant="text" onClick={() => setTrays(trays.slice(0, -1))}>
            not this one
          </Button>
        )}
        <Button type="submit" variant={share.dried ? 'outlined' : 'contained'} disabled={save.pending}>
          Keep the readings
        </Button>
      </div>
      <Keypad />
    </form>
  );
}
