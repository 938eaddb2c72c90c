import { scaleLinear } from 'd3';
import { addUp } from '@/core/add-up';
import { nth } from '@/core/sure';
import type { FlowMasses } from './flow';

/** Where the parts of an upright flow stand, in px: words on the left, masses as widths on the right. */
export const UPRIGHT = {
  width: 358,
  words: 168,
  left: 180,
  right: 338,
  room: { line: 24, share: 44 },
  pot: 72,
  between: 26,
  pans: 64,
} as const;

const TURN = 10;

/** A band that comes from the left at a height and turns down to an edge, `thick` wide at [x, x + thick]. */
function turnDown(y: number, x: number, thick: number, down: number): string {
  const { left } = UPRIGHT;
  const [far, outer] = [x + thick, thick + TURN];
  return (
    `M${left} ${y}H${far - outer}Q${far} ${y} ${far} ${y + outer}V${down}H${x}V${y + thick + TURN}` +
    `Q${x} ${y + thick} ${x - TURN} ${y + thick}H${left}Z`
  );
}

/** The same from an edge down, and away to the left. */
function turnLeft(up: number, x: number, thick: number, y: number): string {
  const { left } = UPRIGHT;
  const [far, outer] = [x + thick, thick + TURN];
  return (
    `M${x} ${up}H${far}V${y + thick - outer}Q${far} ${y + thick} ${far - outer} ${y + thick}H${left}V${y}` +
    `H${x - TURN}Q${x} ${y} ${x} ${y - TURN}Z`
  );
}

interface UprightBand {
  readonly label: string;
  readonly grams: number;
  readonly path: string;
  readonly labelY: number;
}

/**
 * The flow of mass through a batch from the top of a narrow screen to its foot, drawn to scale in its widths: lines turn
 * down into the pot, the pot loses its vapour, the yield turns away into shares. The topmost line goes in on the far
 * side and the first share leaves on the near one, so that no band crosses another. Takes g, returns px. Pure geometry.
 */
export function layUpright({ lines, net, shares }: Pick<FlowMasses, 'lines' | 'net' | 'shares'>) {
  const { left, right, room, pot, between, pans } = UPRIGHT;
  const inPot = addUp(lines, (line) => line.grams);
  // What turns needs room to turn in, so the scale leaves it.
  const scale = scaleLinear()
    .domain([0, inPot])
    .range([0, right - left - 2 * TURN]);
  const near = left + 2 * TURN;
  const thick = lines.map((line) => Math.max(0.8, scale(line.grams)));
  let y = 2;
  const rows = thick.map((own) => {
    const here = y;
    y += Math.max(room.line, own + 4);
    return here;
  });
  const potTop = y + TURN;
  let x: number = right;
  const laidLines = lines.map((line, index): UprightBand => {
    const own = nth(thick, index);
    x -= scale(line.grams);
    const at = nth(rows, index);
    return {
      ...line,
      path: turnDown(at, x, own, potTop),
      labelY: at + Math.max(12, Math.min(own / 2 + 5, room.line)),
    };
  });
  const pansTop = potTop + pot + between;
  const pansEnd = pansTop + pans;
  const wide = net === undefined ? 0 : scale(net);
  let row = pansEnd + TURN + 4;
  let from = near;
  const laidShares = shares.map((share): UprightBand => {
    const own = Math.max(0.8, scale(share.grams));
    const at = row;
    const path = turnLeft(pansEnd, from, own, at);
    from += scale(share.grams);
    row += Math.max(room.share, own + 6);
    return { label: share.label, grams: share.grams, path, labelY: at + 14 };
  });
  return {
    lines: laidLines,
    shares: laidShares,
    pot: { left: near, right, top: potTop, bottom: potTop + pot },
    pans: { left: near, right: near + wide, top: pansTop, bottom: pansEnd },
    height: shares.length > 0 ? row + 4 : pansEnd + 10,
  };
}
