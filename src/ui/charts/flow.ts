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

/** Where the parts of a flow stand, in px. */
interface FlowPlaces {
  readonly width: number;
  readonly height: number;
  readonly left: number;
  readonly pot: number;
  readonly potEnd: number;
  readonly pans: number;
  readonly pansEnd: number;
  readonly pieces: number;
  readonly right: number;
  /** Where the pot begins, and how high all that goes in stands in it. */
  readonly top: number;
  readonly tallest: number;
  /** The least room of a line and of a share, so that their words do not touch. */
  readonly room: { readonly line: number; readonly share: number; readonly first: number };
}

export const FLOW: FlowPlaces = {
  width: 1200,
  height: 250,
  left: 190,
  pot: 400,
  potEnd: 570,
  pans: 680,
  pansEnd: 840,
  pieces: 928,
  right: 960,
  top: 44,
  tallest: 150,
  room: { line: 24, share: 50, first: 34 },
};

/** The same in small, without a word in it: for a list, and for the strip above a figure that is typed. */
export const SMALL_FLOW: FlowPlaces = {
  width: 320,
  height: 92,
  left: 2,
  pot: 110,
  potEnd: 186,
  pans: 186,
  pansEnd: 244,
  pieces: 318,
  right: 318,
  top: 10,
  tallest: 72,
  room: { line: 0, share: 8, first: 4 },
};

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
 * into shares, a share into its trays or packs. Takes g and the places to draw it at; returns outlines and label places
 * in px. Pure geometry.
 */
export function layFlow({ lines, loads, pans, net, shares }: FlowMasses, at: FlowPlaces = FLOW) {
  const inPot = addUp(lines, (line) => line.grams);
  const scale = scaleLinear().domain([0, inPot]).range([0, at.tallest]);
  const thickness = (grams: number) => Math.max(0.8, scale(grams));
  const outer = spread(lines, thickness, at.room.line, at.room.first);
  let y = at.top;
  const laidLines = lines.map((line, index): LaidBand => {
    const thick = thickness(line.grams);
    const path = band(at.left, nth(outer, index), at.pot, y, thick);
    y += scale(line.grams);
    return { ...line, path, labelY: nth(outer, index) + thick / 2 + 5, thickness: thick };
  });
  const bottom = at.top + at.tallest;
  const yieldTop = bottom - scale(net ?? 0);
  // The shares stand around the middle of the pot, each with the room that it takes.
  const high = addUp(shares, (share) => Math.max(thickness(share.grams) + 4, at.room.share));
  const first = Math.max(at.room.first - 4, at.top + at.tallest / 2 + 6 - high / 2);
  const shareOuter = spread(shares, thickness, at.room.share, first);
  let shareY = yieldTop;
  const laidShares = shares.map((share, index): LaidShare => {
    const thick = thickness(share.grams);
    const top = nth(shareOuter, index);
    const pieces = stacked(share.pieces, top, scale);
    const path = band(at.pansEnd, shareY, pieces.length > 0 ? at.pieces : at.right, top, thick);
    shareY += scale(share.grams);
    return { ...share, pieces, path, labelY: top + Math.max(14, thick / 2 + 2), thickness: thick };
  });
  return {
    lines: laidLines,
    shares: laidShares,
    pot: { top: at.top, bottom, cuts: cutsOf(loads, at.top, scale) },
    pans: { top: yieldTop, bottom, cuts: cutsOf(pans, yieldTop, scale) },
    vapour: net === undefined ? undefined : { top: at.top, bottom: yieldTop },
    height: Math.max(at.height, (outer.at(-1) ?? 0) + 40),
  };
}
