import { linkHorizontal } from 'd3';

export interface TraceNode {
  readonly key: string;
  readonly column: number;
  readonly name: string;
  readonly note: string;
}

export interface TraceLink {
  readonly from: string;
  readonly to: string;
}

export interface TraceDrawn {
  readonly height: number;
  readonly nodes: readonly (TraceNode & { readonly x: number; readonly y: number })[];
  readonly links: readonly { readonly key: string; readonly path: string }[];
}

const ROW = 52;
const BOX = 40;
const NARROW = 40;

/** Nodes in columns from left to right, each spread over the height, with a curve for every link. Takes the width in px. */
export function traceDrawing(
  nodes: readonly TraceNode[],
  links: readonly TraceLink[],
  columns: number,
  width: number,
): TraceDrawn & { readonly box: number } {
  const counts = Array.from({ length: columns }, (_, column) => nodes.filter((node) => node.column === column).length);
  const height = Math.max(1, ...counts) * ROW;
  const box = (width - NARROW * (columns - 1)) / columns;
  const placed = nodes.map((node) => {
    const own = nodes.filter((each) => each.column === node.column);
    const step = height / Math.max(1, own.length);
    return { ...node, x: node.column * (box + NARROW), y: own.indexOf(node) * step + (step - BOX) / 2 };
  });
  const at = new Map(placed.map((node) => [node.key, node]));
  const draw = linkHorizontal<unknown, [number, number]>();
  return {
    box,
    height,
    nodes: placed,
    links: links.flatMap(({ from, to }) => {
      const [a, b] = [at.get(from), at.get(to)];
      if (!a || !b) return [];
      const path = draw({ source: [a.x + box, a.y + BOX / 2], target: [b.x, b.y + BOX / 2] });
      return path === null ? [] : [{ key: `${from} ${to}`, path }];
    }),
  };
}
