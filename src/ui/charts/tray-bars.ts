import { scaleLinear } from 'd3';

interface TrayBar {
  readonly wet: number;
  readonly dry: number | undefined;
}

/** Geometry of trays as bars, each as long as its wet food: what is dry of it, and the band that it can leave. */
export function trayBars(
  trays: readonly TrayBar[],
  band: { readonly low: number; readonly high: number },
  width: number,
) {
  // What weighs more dry than wet is refused; the scale ends at all of it.
  const x = scaleLinear().domain([0, 1]).range([0, width]).clamp(true);
  return {
    width: x(1),
    band: { from: x(band.low), to: x(band.high) },
    bars: trays.map(({ wet, dry }) => ({
      dry: dry === undefined || wet <= 0 ? undefined : x(dry / wet),
      left: dry === undefined || wet <= 0 ? undefined : dry / wet,
    })),
  };
}
