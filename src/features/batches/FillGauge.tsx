import { scaleLinear } from 'd3';
import styles from './filling.module.css';

const WIDTH = 640;
const HEIGHT = 56;

interface FillGaugeProps {
  target: number;
  low: number;
  high: number;
  /** g in the container; undefined: nobody knows yet. */
  net: number | undefined;
  said: (grams: number) => string;
}

/** How full the pack is against its band: under, within, over, by position and in words. */
export function FillGauge({ target, low, high, net, said }: FillGaugeProps) {
  const x = scaleLinear()
    .domain([0, target * 1.25])
    .range([1, WIDTH - 1])
    .clamp(true);
  const gap = net === undefined ? undefined : target - net;
  const is = net === undefined ? 'unknown' : net < low ? 'under' : net > high ? 'over' : 'within';
  const words =
    gap === undefined
      ? 'nothing on the scale yet'
      : is === 'within'
        ? 'within'
        : gap > 0
          ? `${said(gap)} to go`
          : `${said(-gap)} too much`;
  return (
    <div>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width="100%" className={styles.gauge} aria-hidden data-is={is}>
        <rect x="1" y="8" width={WIDTH - 2} height="40" className={styles.frame} />
        <rect x={x(0)} y="8" width={Math.max(0, x(net ?? 0) - x(0))} height="40" className={styles.filled} />
        <rect x={x(low)} y="2" width={Math.max(4, x(high) - x(low))} height="52" className={styles.band} />
        <line x1={x(target)} x2={x(target)} y1="2" y2="54" className={styles.at} />
      </svg>
      <p className={styles.gap} data-is={is} role="status">
        {words}
      </p>
    </div>
  );
}
