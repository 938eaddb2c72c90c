import { capital } from '@/core/quantity/write';
import { linesIn, type MassGraph, type MassKind } from '@/core/batch/graph';
import { STEPS, type StepKey } from '@/core/batch/steps';
import { addUp } from '@/core/add-up';
import { countOf } from '@/core/quantity/count-words';
import { nth, sure } from '@/core/sure';
import { FATE_WORDS } from './fate-words';
import type { BatchView } from './view';

/** A food's name in the room that its weight leaves beside it. */
const shortName = (name: string, weight: string, whole = 25) => {
  const room = Math.min(whole - 8, whole - weight.length);
  const words = name.split(', ');
  const kindFirst = words.length > 1 && /^(Game meat|Fish|Squash|Oil|Egg)$/.test(nth(words, 0));
  const both = words.slice(0, 2).join(', ');
  const plain = !kindFirst ? nth(words, 0) : both.length <= room ? both : capital(nth(words, 1));
  return plain.length > room ? `${plain.slice(0, room - 1)}…` : plain;
};

/** What a drawing of the flow reads of the graph. */
function readGraph(graph: MassGraph) {
  const { nodes, edges } = graph;
  const nodeOf = (key: string) => sure(nodes.find((node) => node.key === key));
  const to = (kind: MassKind) => edges.filter((edge) => nodeOf(edge.to).kind === kind);
  // A load goes on into its vessel once; where there are no loads, vessels are what the pot is made of.
  const loads = edges.filter(({ from }) => nodeOf(from).kind === 'load');
  const vessels = edges.filter(({ from }) => nodeOf(from).kind === 'vessel');
  return {
    lines: linesIn(graph),
    to,
    loads: (loads.length > 0 ? loads : vessels).map((edge) => edge.grams),
    /** The trays of a share, or its packs; what lies beside them stays the open end of its band. */
    piecesOf(shareId: number): number[] {
      const own = edges.filter((edge) => edge.from === `share-${shareId}`);
      const kinds = own.map((edge) => nodeOf(edge.to).kind);
      return kinds.includes('tray') || kinds.includes('pack')
        ? own.filter((_, index) => kinds[index] !== 'rest').map((edge) => edge.grams)
        : [];
    },
  };
}

type Share = NonNullable<BatchView['weighed']>['shares'][number];

/**
 * The masses of a batch as every drawing of its flow takes them, and the words that stand beside them; `room` is how many
 * letters a line and its weight have.
 */
export function flowParts(view: BatchView, inMass: (grams: number) => string, room?: number) {
  const { weighed } = view;
  const flow = readGraph(view.graph);
  const shares = weighed?.shares.filter((share) => share.grams > 0) ?? [];
  const apart = weighed?.yields ?? [];
  const labelOf = (share: Share) => {
    const fate = share.fate === 'today' && share.day !== view.today ? 'Eaten warm' : FATE_WORDS[share.fate];
    const name = apart.length > 1 ? apart.find(({ place }) => place === share.yield)?.name : undefined;
    return name === undefined ? fate : shortName(name, fate, 22);
  };
  const rest = flow.to('rest').find((edge) => edge.to.startsWith('undivided'));
  return {
    lines: flow.lines,
    shares,
    masses: {
      lines: flow.lines.map(({ node, grams }) => ({ label: shortName(node.label, inMass(grams), room), grams })),
      loads: flow.loads,
      // What is kept apart lies in the drawing as pans do: one above the other.
      pans: apart.length > 1 ? apart.map(({ net }) => net) : flow.to('pan').map((edge) => edge.grams),
      net: weighed?.net,
      shares: [
        ...shares.map((share) => ({
          label: labelOf(share),
          grams: share.grams,
          pieces: flow.piecesOf(share.id),
        })),
        ...(rest && shares.length > 0 ? [{ label: 'To be divided', grams: rest.grams, pieces: [] }] : []),
      ],
    },
    vapour: weighed ? addUp(flow.to('out'), (edge) => (edge.to === 'vapour' ? edge.grams : 0)) : undefined,
  };
}

/** Whether a share is where it was to go. */
export const isGone = (share: Share | undefined): boolean =>
  share !== undefined && (share.sealed || share.fate === 'today');

/** What became of a share. */
export const sayPacks = (share: Share): string =>
  share.fate === 'today'
    ? 'fed warm'
    : share.sealed
      ? `${countOf(share.sealedPacks, 'pack')}, sealed`
      : `${share.sealedPacks > 0 ? `${share.sealedPacks} sealed, ` : ''}${countOf(share.proposed.length, 'pack')} to seal`;

/** Where a share of the drawing leads: what is still to be dried, to its trays. */
export const placeOf = (share: Share | undefined): (typeof STEPS)[number]['place'] =>
  share === undefined ? 'yield' : share.fate === 'dry' && !share.dried ? 'trays' : 'shares';

/** A press on a place of the drawing opens the step that it belongs to, once that can be gone to. */
export const openerOf =
  (view: BatchView, onOpen: (step: StepKey) => void) => (place: (typeof STEPS)[number]['place']) => () => {
    const { key } = sure(STEPS.find((step) => step.place === place));
    if (view.opens.includes(key)) onOpen(key);
  };
