'use client';

import { canLeave, lastChange } from '@/core/preserve/tray-slips';
import { writeNumber } from '@/core/quantity/write';
import { trayBars } from '@/ui/charts/tray-bars';
import { hatchFill } from '@/ui/badges/hatch-defs';
import { useUnits } from '@/ui/units';
import styles from './drying.module.css';
import { slipsOf, solidsOf, type DryingProps } from './use-drying';

const [WIDTH, HEIGHT] = [520, 44];

/** Each tray as a bar as long as its wet food, what is dry of it, and the band that this pot can leave. */
export function TrayBars({ view, share }: DryingProps) {
  const { inMass } = useUnits();
  const { trays } = share;
  const nameOf = (dogId: number) => view.weighed?.portions.find((each) => each.dogId === dogId)?.name ?? 'a dog';
  const band = canLeave(solidsOf(view, share));
  const nets = trays.map(({ tare, wetGross, dryGross }) => ({
    wet: wetGross - tare,
    dry: dryGross === undefined ? undefined : dryGross - tare,
  }));
  const drawn = trayBars(nets, band, WIDTH);
  const wrong = new Set(
    slipsOf(view, share)
      .filter(({ kind }) => kind !== 'light')
      .map(({ tray }) => tray),
  );
  const middle = ((band.low + band.high) / 2) * 100;
  return (
    <section aria-label="The trays" className={styles.trays}>
      <p className={styles.bandWords} style={{ paddingLeft: `max(0px, calc(${middle}% - 120px))` }}>
        what this pot can leave, {writeNumber(band.low * 100, 0)}–{writeNumber(band.high * 100, 0)} %
      </p>
      <ul className={styles.bars}>
        {trays.map((tray, index) => {
          const net = nets[index];
          const bar = drawn.bars[index];
          const change = lastChange(tray.dryings.map((gross) => gross - tray.tare));
          const isWrong = wrong.has(index);
          return (
            <li key={tray.id}>
              <b className={styles.number}>{index + 1}</b>
              <span className={styles.weights}>
                wet {inMass(net?.wet ?? 0)}
                <b>{net?.dry === undefined ? 'not dry yet' : `dry ${inMass(net.dry)}`}</b>
              </span>
              <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className={styles.bar} aria-hidden>
                <rect width={WIDTH} height={HEIGHT - 4} fill="var(--enamel-raised)" />
                {bar?.dry !== undefined && (
                  <>
                    <rect width={bar.dry} height={HEIGHT - 6} fill={isWrong ? 'var(--beet-pale)' : 'var(--edge)'} />
                    <rect width={bar.dry} height={HEIGHT - 6} fill={hatchFill(view.protein.hatch)} opacity="0.5" />
                  </>
                )}
                <rect
                  x={drawn.band.from}
                  width={drawn.band.to - drawn.band.from}
                  height={HEIGHT}
                  fill="var(--kale)"
                  fillOpacity="0.18"
                />
                <path
                  d={`M${drawn.band.from} 0V${HEIGHT}M${drawn.band.to} 0V${HEIGHT}`}
                  stroke="var(--kale)"
                  strokeDasharray="3 3"
                />
                <path d={`M1 0V${HEIGHT - 4}H${WIDTH - 1}V0`} fill="none" stroke="var(--slate)" strokeWidth="2" />
              </svg>
              <b className={`${styles.left} ${isWrong ? 'danger' : ''}`}>
                {bar?.left === undefined ? '' : `${writeNumber(bar.left * 100, 1)} %`}
              </b>
              <span className={styles.about}>
                {tray.dogId !== undefined && <b>for {nameOf(tray.dogId)} · </b>}
                {tray.slot !== undefined && `on tray ${tray.slot} · `}
                {tray.tare > 0 ? `empty ${inMass(tray.tare)}` : 'tared to 0'}
                {change !== undefined &&
                  ` · dried again: ${writeNumber(change * 100, 1)} % apart${change < 0.005 ? ', dry' : ', not dry yet'}`}
                {tray.touch && ` · ${tray.touch} to the touch`}
                {isWrong && <span className="danger"> · look at this one</span>}
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
