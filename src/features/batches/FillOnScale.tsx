'use client';

import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { liquidIn } from '@/core/portion/liquid';
import {
  bandOf,
  beginFilling,
  heardFilling,
  netOf,
  spreadRest,
  TOLERANCES,
  USUAL_TOLERANCE,
  type Filling,
  type Tare,
} from '@/core/portion/filling';
import type { Packaging } from '@/core/preserve/shelf-life';
import { countOf } from '@/core/quantity/count-words';
import { Keypad } from '@/ui/counter/Keypad';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { Segments } from '@/ui/form/Segments';
import { AskBack } from '@/ui/form/AskBack';
import { useCommand } from '@/ui/form/use-command';
import { onSettled, useInstrument } from '@/ui/instruments';
import { useUnits } from '@/ui/units';
import { fillPack, takeBackPack } from './actions';
import { FillGauge } from './FillGauge';
import styles from './filling.module.css';
import type { BatchView } from './view';
import type { SealedPack, SheetShare } from './weighed/view';

const BANDS = TOLERANCES.map((part) => ({ value: String(part), label: `± ${part * 100} %` }));
const TARES = [
  { value: 'typed', label: 'the tare is typed' },
  { value: 'lands', label: 'the container is weighed as it lands' },
] as const;

interface FillOnScaleProps {
  view: BatchView;
  share: SheetShare;
  sealed: readonly SealedPack[];
  /** Liquid stands on it. */
  isWet: boolean;
  /** In what they are packed; undefined: nobody has said. */
  packaging: Packaging | undefined;
  /** Dry food goes in tray by tray. */
  trayByTray: boolean;
  onDone: () => void;
}

/** Filling on the scale: one pack at a time, its target large, what is missing live, the next one with one key or by itself. */
export function FillOnScale({ view, share, sealed, isWet, packaging, trayByTray, onDone }: FillOnScaleProps) {
  const { inMass, readScale, scaleUnit, toType } = useUnits();
  const [spread, setSpread] = useState(false);
  const [isHalf, setIsHalf] = useState(false);
  const [skipped, setSkipped] = useState(0);
  const [part, setPart] = useState(String(USUAL_TOLERANCE));
  const [how, setHow] = useState<'typed' | 'lands'>('typed');
  const [tareText, setTareText] = useState('0');
  const [text, setText] = useState('');
  const [liquidText, setLiquidText] = useState('');
  const [byItself, setByItself] = useState(true);
  const packs = spread ? spreadRest(share.proposed) : share.proposed;
  const index = packs.length === 0 ? 0 : skipped % packs.length;
  const pack = packs[index];
  const field = useRef<HTMLInputElement>(null);
  const strained = readScale(liquidText, 'zero');
  const liquid = strained.ok && strained.value > 0 ? (liquidIn(packs, strained.value)[index] ?? 0) : 0;
  const fill = useCommand(fillPack, `fill-${share.id}`, () => {
    setText('');
    setIsHalf(false);
    // What went into this pack of the liquid is no longer to be shared out.
    if (liquid > 0 && strained.ok) setLiquidText(toType(Math.max(0, strained.value - liquid)));
    field.current?.focus();
  });
  const back = useCommand(takeBackPack, `unfill-${share.id}`);
  const heard = useInstrument('scale');
  const tareRead = readScale(tareText);
  const typedTare = tareRead.ok ? tareRead.value : 0;
  const tare: Tare = how === 'lands' && heard ? 'as it lands' : typedTare;
  const gross = readScale(text);
  // Split in two, the rest of it comes next.
  const target = Math.round((pack?.grams ?? 0) * (isHalf ? 0.5 : 1));
  const tolerance = Number(part);
  const [filling, setFilling] = useState<Filling>(() => beginFilling(tare));
  const send = (net: number) => {
    if (!pack || fill.pending) return;
    // What stands on the scale is counted: it is lifted before anything counts again.
    setFilling({ at: 'lift' });
    fill.run({
      batchId: view.id,
      shareId: share.id,
      index,
      grams: net,
      spread,
      ...(packaging ? { packaging } : {}),
      ...(trayByTray ? { trayByTray } : {}),
      revision: view.revision,
    });
  };

  const settled = heard?.settled;
  const rests = useEffectEvent((shows: number) => {
    // A tare that cannot be read is not nothing.
    if (tare !== 'as it lands' && !tareRead.ok) return;
    const next = heardFilling(filling, shows, target, tolerance, tare);
    if (next.take === undefined) setFilling(next.filling);
    else if (byItself) send(next.take);
  });
  useEffect(() => onSettled('scale', rests), []);

  const nameOf = (dogId: number) => view.weighed?.portions.find((each) => each.dogId === dogId)?.name ?? 'a dog';
  const whom = pack?.split
    ? pack.split.map((each) => `${nameOf(each.dogId)} ${inMass(each.grams)}`).join(' + ')
    : pack?.dogId === undefined
      ? (view.byProduct ?? 'anybody')
      : nameOf(pack.dogId);

  if (!pack)
    return (
      <p className="inOrder" role="status">
        All of it is filled. <Button onClick={onDone}>To the labels</Button>
      </p>
    );
  const typedNet =
    text.trim() !== '' && gross.ok && tareRead.ok ? netOf(beginFilling(typedTare), gross.value, typedTare) : undefined;
  const net = heard && !heard.silent ? netOf(filling, heard.shows, tare) : typedNet;
  const last = sealed.at(-1);
  const { low, high } = bandOf(target, tolerance);
  return (
    <section className={styles.filling} aria-labelledby={`fill-${share.id}`}>
      <form
        className="stack"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          // Typed figures count as they are; nothing typed, the scale's own does.
          if (typedNet !== undefined) send(typedNet);
          else if (text.trim() === '' && tareRead.ok && net !== undefined && settled !== undefined) send(net);
        }}
      >
        <p className="soft" id={`fill-${share.id}`}>
          {countOf(packs.length, 'pack')} to fill, {inMass(share.left ?? 0)} left · now {whom}
          {pack.container ? `, ${pack.container}` : ''}
          {pack.short ? ', short: use first' : ''}
        </p>
        <p className={styles.target}>{inMass(target)}</p>
        {liquid > 0 ? (
          <p>
            {inMass(target - liquid)} of the solids, then {inMass(liquid)} of the liquid
          </p>
        ) : (
          isWet && <p className="soft">stir it first, so that the liquid goes along</p>
        )}
        <FillGauge target={target} low={low} high={high} net={net} said={(grams) => inMass(grams)} />
        {heard?.silent && (
          <p className="caution" role="status">
            The scale is silent: its last figure does not count. Type what you read.
          </p>
        )}
        {heard && !heard.silent && byItself && (
          <p className="soft" role="status">
            {filling.at === 'empty'
              ? 'set an empty container on the scale'
              : filling.at === 'lift'
                ? 'counted: take it off'
                : tare === 'as it lands'
                  ? `the container weighs ${inMass(filling.tare)}: fill it`
                  : 'fill it'}
          </p>
        )}
        <div className={styles.fields}>
          <Field
            label="On the scale, container and food"
            unit={scaleUnit}
            inputMode="decimal"
            autoComplete="off"
            inputRef={field}
            inputProps={{ 'data-next-act': true }}
            value={text}
            onChange={(event) => {
              fill.clear();
              setText(event.target.value);
            }}
            problem={text !== '' && !gross.ok ? gross.problem.message : fill.at('grams')}
            hint={heard && !heard.silent ? `the scale says ${inMass(heard.shows)}` : undefined}
          />
          {how === 'typed' && (
            <Field
              label="The container alone"
              unit={scaleUnit}
              inputMode="decimal"
              autoComplete="off"
              value={tareText}
              onChange={(event) => setTareText(event.target.value)}
              problem={tareRead.ok ? undefined : tareRead.problem.message}
              hint="0 if the scale is tared"
            />
          )}
        </div>
        <Problems problems={[...fill.atHead('grams', 'damp'), ...back.problems]} />
        <AskBack command={fill} field="damp" label="Bag it all the same" answer={{ damp: true }} />
        <div className={styles.acts}>
          <Button type="submit" variant="contained" size="large" disabled={fill.pending}>
            It is full
          </Button>
          <Button variant="outlined" disabled={packs.length < 2} onClick={() => setSkipped(skipped + 1)}>
            Another one first
          </Button>
          <Button variant="outlined" aria-pressed={isHalf} onClick={() => setIsHalf(!isHalf)}>
            {isHalf ? 'in one, after all' : 'Split it in two'}
          </Button>
          {last && (
            <Button variant="text" disabled={back.pending} onClick={() => back.run({ holdingId: last.holdingId })}>
              take back {last.code}, {inMass(last.grams)}
            </Button>
          )}
        </div>
      </form>
      <aside className="stack">
        <Segments label="How near is near" value={part} options={BANDS} onChange={setPart} />
        {heard && (
          <>
            <Segments
              label="The container"
              value={how}
              options={TARES}
              onChange={(next) => {
                setHow(next);
                setFilling(beginFilling(next === 'lands' ? 'as it lands' : typedTare));
              }}
            />
            <FormControlLabel
              control={<Switch checked={byItself} onChange={(_, on) => setByItself(on)} />}
              label="the next one by itself, once it rests within"
            />
          </>
        )}
        {share.proposed.some((each) => each.short) && share.proposed.length > 1 && (
          <FormControlLabel
            control={<Switch checked={spread} onChange={(_, on) => setSpread(on)} />}
            label={`spread the ${inMass(share.proposed.find((each) => each.short)?.grams ?? 0)} left over`}
          />
        )}
        {isWet && (
          <Field
            label="Liquid strained off, still to share out"
            unit={scaleUnit}
            inputMode="decimal"
            autoComplete="off"
            value={liquidText}
            onChange={(event) => setLiquidText(event.target.value)}
            problem={strained.ok ? undefined : strained.problem.message}
            hint="empty: it is stirred"
          />
        )}
        <Keypad />
        <Button variant="text" onClick={onDone}>
          fold the scale
        </Button>
        <p className="note">
          it counts from {inMass(low)} to {inMass(high)}
        </p>
      </aside>
    </section>
  );
}
