import { linkHorizontal, scaleLinear } from 'd3';
import { nth, sure } from '@/core/sure';
import { addUp } from '@/core/add-up';

export interface FlowBand {
  readonly label: string;
  readonly grams: number;
}

/** A band that ends in pieces: packs, trays. */
export interface FlowShare extends FlowBand {
  readonly pieces: readonly number[];
}

export interface LaidBand extends FlowBand {
  /** The closed outline of the band. */
  readonly path: string;
  /** Where its label stands, and how thick it is at its outer end. */
  readonly labelY: number;
  readonly thickness: number;
}

export interface LaidShare extends LaidBand {
  /** Its pieces, one on the other at its outer end; none where they would be too thin to be told apart. */
  readonly pieces: readonly { readonly y: number; readonly height: number }[];
}

export const FLOW = {
  width: 1200,
  height: 250,
  left: 190,
  pot: 400,
  potEnd: 570,
  pans: 680,
  pansEnd: 840,
  pieces: 928,
  right: 960,
} as const;

const TALLEST = 150;
const TOP = 44;
/** A piece that is thinner than this is a line and no piece. */
const THINNEST = 2.5;

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

/** Where one mass ends and the next begins, from the top down: loads in a pot, pans of a yield. */
const cutsOf = (masses: readonly number[], top: number, scale: (grams: number) => number): number[] => {
  let y = top;
  return masses.slice(0, -1).map((mass) => (y += scale(mass)));
};

/** Pieces one on the other, to scale; none where they would not be told apart. */
function stacked(pieces: readonly number[], top: number, scale: (grams: number) => number) {
  if (pieces.some((piece) => scale(piece) < THINNEST)) return [];
  let y = top;
  return pieces.map((piece) => {
    const height = scale(piece);
    y += height;
    return { y: y - height, height };
  });
}

/** What goes into a flow, in g. */
export interface FlowMasses {
  readonly lines: readonly FlowBand[];
  /** Vesselfuls in the pot, and the pans that the yield was weighed in. */
  readonly loads: readonly number[];
  readonly pans: readonly number[];
  /** Undefined until it was weighed. */
  readonly net: number | undefined;
  readonly shares: readonly FlowShare[];
}

/**
 * The flow of mass through a batch, drawn to scale: lines into the pot and its loads, the pot into the pans, the pans
 * into shares, a share into its trays or packs. Takes g; returns outlines and label places in the px of FLOW. Pure
 * geometry.
 */
export function layFlow({ lines, loads, pans, net, shares }: FlowMasses) {
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
  const laidShares = shares.map((share, index): LaidShare => {
    const thick = thickness(share.grams);
    const top = nth(shareOuter, index);
    const pieces = stacked(share.pieces, top, scale);
    const path = band(FLOW.pansEnd, shareY, pieces.length > 0 ? FLOW.pieces : FLOW.right, top, thick);
    shareY += scale(share.grams);
    return { ...share, pieces, path, labelY: top + Math.max(14, thick / 2 + 2), thickness: thick };
  });
  return {
    lines: laidLines,
    shares: laidShares,
    pot: { top: TOP, bottom: TOP + TALLEST, cuts: cutsOf(loads, TOP, scale) },
    pans: { top: yieldTop, bottom: TOP + TALLEST, cuts: cutsOf(pans, yieldTop, scale) },
    vapour: net === undefined ? undefined : { top: TOP, bottom: yieldTop },
    height: Math.max(FLOW.height, (outer.at(-1) ?? 0) + 40),
  };
}
