import { linkHorizontal, scaleLinear } from 'd3';
import { nth, sure } from '@/core/sure';
import { addUp } from '@/core/add-up';

export interface FlowBand {
  readonly label: string;
  readonly grams: number;
}

export interface LaidBand extends FlowBand {
  /** The closed outline of the band. */
  readonly path: string;
  /** Where its label stands, and how thick it is at its outer end. */
  readonly labelY: number;
  readonly thickness: number;
}

export const FLOW = {
  width: 1200,
  height: 250,
  left: 190,
  pot: 400,
  potEnd: 570,
  pans: 680,
  pansEnd: 840,
  right: 960,
} as const;

const TALLEST = 150;
const TOP = 44;

/** A band of constant thickness from one x to another: two mirrored curves, closed. */
function band(x0: number, y0: number, x1: number, y1: number, thickness: number): string {
  const curve = linkHorizontal<{ source: [number, number]; target: [number, number] }, [number, number]>();
  const top = sure(curve({ source: [x0, y0], target: [x1, y1] }));
  const bottom = sure(curve({ source: [x1, y1 + thickness], target: [x0, y0 + thickness] }));
  return `${top}L${bottom.slice(1)}Z`;
}

/** Outer ends that are at least `room` px apart, so that labels do not touch. */
function spread(
  bands: readonly FlowBand[],
  thickness: (grams: number) => number,
  room: number,
  start: number,
): number[] {
  let y = start;
  return bands.map((each) => {
    const here = y;
    y += Math.max(thickness(each.grams) + 4, room);
    return here;
  });
}

/**
 * The flow of mass through a batch, drawn to scale: lines into the pot, the pot into the pans, the pans into shares.
 * Takes g; returns outlines and label places in the px of FLOW. Pure geometry.
 */
export function layFlow(lines: readonly FlowBand[], net: number | undefined, shares: readonly FlowBand[]) {
  const inPot = addUp(lines, (line) => line.grams);
  const scale = scaleLinear().domain([0, inPot]).range([0, TALLEST]);
  const thickness = (grams: number) => Math.max(0.8, scale(grams));
  const outer = spread(lines, thickness, 24, 34);
  let y = TOP;
  const laidLines = lines.map((line, index): LaidBand => {
    const thick = thickness(line.grams);
    const path = band(FLOW.left, nth(outer, index), FLOW.pot, y, thick);
    y += scale(line.grams);
    return { ...line, path, labelY: nth(outer, index) + thick / 2 + 5, thickness: thick };
  });
  const yieldTop = TOP + TALLEST - scale(net ?? 0);
  const shareOuter = spread(shares, thickness, 50, Math.max(30, 125 - (shares.length * 50) / 2));
  let shareY = yieldTop;
  const laidShares = shares.map((share, index): LaidBand => {
    const thick = thickness(share.grams);
    const path = band(FLOW.pansEnd, shareY, FLOW.right, nth(shareOuter, index), thick);
    shareY += scale(share.grams);
    return { ...share, path, labelY: nth(shareOuter, index) + Math.max(14, thick / 2 + 2), thickness: thick };
  });
  return {
    lines: laidLines,
    shares: laidShares,
    pot: { top: TOP, bottom: TOP + TALLEST },
    pans: { top: yieldTop, bottom: TOP + TALLEST },
    vapour: net === undefined ? undefined : { top: TOP, bottom: yieldTop },
    height: Math.max(FLOW.height, (outer.at(-1) ?? 0) + 40),
  };
}
