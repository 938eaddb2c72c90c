import { nutrientIn, solidsOf } from '../nutrition/totals';
import { yieldAt } from './apart';
import { staysOfTake } from './evidence';
import { energyOf, fatKcalOf, type EnergyFactors } from '../nutrition/energy';
import { batchLines, type Part, type WeighedLine } from '../recipe/recipe';
import type { BatchState } from './fold';
import { heldBy, heldOver, liftOf } from './held-over';
import { HALF_A_GRAM, type ShareState } from './share-state';
import { nth, sure } from '../sure';
import { addUp } from '../add-up';

/**
 * What a mass lies in on its way: a line on the scale, a load (one vesselful of a component), a vessel, the pot, a pan that
 * it was weighed in, a yield, liquid that was poured off and kept, a share, a tray, a pack, or where it went.
 */
export type MassKind =
  | 'line'
  | 'load'
  | 'vessel'
  | 'pot'
  | 'pan'
  | 'yield'
  | 'by-product'
  | 'share'
  | 'tray'
  | 'pack'
  | 'out'
  | 'rest'
  | 'unexplained';

export interface MassNode {
  readonly key: string;
  readonly kind: MassKind;
  readonly label: string;
  /** Of a line, what it is in the shape of a recipe. */
  readonly part?: Part;
}

/** A mass from one place to the next: g, and what of it is energy, water and solids. */
export interface MassEdge {
  readonly from: string;
  readonly to: string;
  readonly grams: number;
  readonly kcal: number;
  readonly water: number;
  readonly solids: number;
  /** Weighed, or only planned and reckoned. */
  readonly observed: boolean;
}

export interface MassGraph {
  readonly nodes: readonly MassNode[];
  readonly edges: readonly MassEdge[];
}

const waterIn = (line: WeighedLine) => nutrientIn(line.food.per100, 'water_g', line.grams) ?? 0;

/**
 * A batch as a graph of masses: lines into the loads of their component, the loads into its vessel, the vessels into the
 * pot, the pot into the pans that were weighed, vapour, the liquid that was kept and what was eaten before, the pans into
 * the yield. Yields that are kept apart come from their own vessel each. What is one alone (one load, one vessel, one pan)
 * is no node of its own. Each yield goes into its shares and what is not divided; a share into packs, bowls, trays and what is not packed; a tray into
 * the water that left it and the packs.
 *
 * Takes the state of a batch, for a planned one its lines, and the household's energy factors. What packs hold over a
 * share, or shares over a yield, comes in as *unexplained*. Source: conservation of mass.
 */
export function batchGraph(batch: BatchState, planned: readonly WeighedLine[], factors: EnergyFactors): MassGraph {
  const nodes = new Map<string, MassNode>();
  const edges: MassEdge[] = [];
  const node = (key: string, kind: MassKind, label: string, part?: Part) => {
    nodes.set(key, { key, kind, label, ...(part ? { part } : {}) });
    return key;
  };
  const edge = (from: string, to: string, grams: number, of: Partial<MassEdge> = {}) => {
    if (grams > 1e-9 || (of.kcal ?? 0) > 1e-9)
      edges.push({ from, to, grams, kcal: 0, water: 0, solids: 0, observed: true, ...of });
  };
  const holds = (lines: readonly WeighedLine[], part: number): Partial<MassEdge> => ({
    kcal: energyOf(lines, factors) * part,
    water: addUp(lines, waterIn) * part,
    solids: solidsOf(lines) * part,
    observed: batch.state !== 'planned',
  });
  const groups = componentsOf(batch, planned);
  // Yields that are kept apart come from their own vessel each; else all is one pot in the end.
  const apart = batch.state === 'weighed' && batch.apart !== undefined;
  const own = groups.length > 1 || apart;
  const vesselOf = (place: number, name = `vessel ${place + 1}`) =>
    own ? node(`pot-${place}`, 'vessel', name) : node('pot', 'pot', 'the pot');
  for (const { place, name, loads, lines } of groups) {
    const vessel = vesselOf(place, name);
    const loadOf = (load: number) =>
      loads > 1 ? node(`load-${place}-${load}`, 'load', `load ${load + 1} of ${loads}`) : vessel;
    lines.forEach((line, index) => {
      const key = node(`line-${place}-${index}`, 'line', line.text, line.part);
      for (let load = 0; load < loads; load++) edge(key, loadOf(load), line.grams / loads, holds([line], 1 / loads));
    });
    const mass = addUp(lines, (line) => line.grams);
    for (let load = 0; loads > 1 && load < loads; load++)
      edge(loadOf(load), vessel, mass / loads, holds(lines, 1 / loads));
    if (own && !apart) edge(vessel, node('pot', 'pot', 'the pot'), mass, holds(lines, 1));
  }
  // What is strained out never was food: it comes in and goes out beside it.
  for (const take of batch.state === 'planned' ? [] : batch.takes.filter(({ strained }) => strained)) {
    const out = take.weighed * (1 - addUp(take.parts, (part) => part.share));
    const key = node(`strained-${take.component}-${take.words}`, 'line', take.words, 'bone');
    edge(key, node('strained', 'out', 'strained out'), out, { observed: isStrainedWeighed(batch) });
  }
  if (batch.state !== 'weighed') return { nodes: [...nodes.values()], edges };
  for (const each of batch.yields) {
    const pot = apart ? `pot-${each.place}` : 'pot';
    const inPot = addUp(
      groups.filter(({ place }) => !apart || place === each.place),
      ({ lines }) => addUp(lines, (line) => line.grams),
    );
    const vapour = inPot - each.net - each.eatenBefore - each.kept - each.skimmed;
    edge(pot, node('vapour', 'out', 'vapour'), vapour, { water: vapour });
    const key = node(`yield-${each.place}`, 'yield', apart ? each.name : 'the yield');
    // What stands heavier than the pot has the pot's energy in it, and no other.
    const over = heldOver(each, batch.shares);
    const lifted = (grams: number) => ({ ...of(grams), kcal: of(grams).kcal * (1 + over / each.net) });
    const of = (grams: number) => ({
      kcal: grams * each.density,
      solids: grams * each.solidsPerGram,
      water: grams * (1 - each.solidsPerGram),
    });
    const pans = each.weighing.by === 'scale' ? each.weighing.vessels : [];
    if (pans.length > 1)
      pans.forEach(({ name, gross, tare }, index) => {
        const pan = node(`pan-${each.place}-${index}`, 'pan', name);
        edge(pot, pan, gross - tare, lifted(gross - tare));
        edge(pan, key, gross - tare, lifted(gross - tare));
      });
    else edge(pot, key, each.net, lifted(each.net));
    // Its own energy is not known: all of it is counted in the food, whose energy is an upper bound then.
    edge(pot, node(`kept-${each.place}`, 'by-product', 'liquid kept'), each.kept, { water: each.kept });
    edge(pot, node(`skimmed-${each.place}`, 'by-product', 'fat skimmed off'), each.skimmed, {
      kcal: each.skimmed * fatKcalOf(factors),
      solids: each.skimmed,
    });
    edge(pot, node('eaten', 'out', 'eaten before'), each.eatenBefore, of(each.eatenBefore));
    const shares = batch.shares.filter((share) => share.yield === each.place);
    for (const share of shares)
      edge(key, share_(share.id), share.grams, {
        ...of(share.grams),
        ...(over > 0 ? { kcal: of(heldBy(share)).kcal } : {}),
      });
    const set = addUp(shares, (share) => share.grams) - each.net;
    if (set < -HALF_A_GRAM) edge(key, node(`undivided-${each.place}`, 'rest', 'not divided yet'), -set, of(-set));
    else if (set !== 0) {
      // Shares are whole grams, a yield may be none: less than a gram of rounding goes the same way.
      if (set > 0)
        edge(node('unexplained', 'unexplained', 'more than was weighed'), key, set, {
          ...of(set),
          ...(over > 0 ? { kcal: 0 } : {}),
        });
      else edge(key, node('rounding', 'rest', 'rounding'), -set, of(-set));
    }
    for (const share of shares) ofShare(share, of, over > 0);
  }
  return { nodes: [...nodes.values()], edges };

  function ofShare(share: ShareState, of: (grams: number) => Partial<MassEdge>, stands: boolean) {
    const lift = stands ? liftOf(share) : 1;
    const noEnergy = stands ? { kcal: 0 } : {};
    const onTray = (grams: number) => ({ ...of(grams), kcal: (of(grams).kcal ?? 0) * lift });
    const key = node(share_(share.id), 'share', share.fate);
    if (share.fate === 'today') {
      edge(key, node(`fed-${share.id}`, 'out', 'fed warm'), share.used, of(share.used));
      edge(key, node(`warm-${share.id}`, 'rest', 'still warm'), share.grams - share.used, of(share.grams - share.used));
      return;
    }
    if (share.gone.eaten > 0)
      edge(key, node(`gone-${share.id}`, 'out', 'eaten'), share.gone.eaten, of(share.gone.eaten));
    if (share.gone.thrown > 0)
      edge(key, node(`thrown-${share.id}`, 'out', 'thrown away'), share.gone.thrown, of(share.gone.thrown));
    const gone = share.gone.eaten + share.gone.thrown;
    let source = key;
    let ready = share.grams - gone;
    let inStored = of;
    if (share.trays.length > 0) {
      const wet = share.trays.map((tray) => tray.wetGross - tray.tare);
      const onTrays = addUp(wet, (each) => each);
      share.trays.forEach((tray, index) =>
        edge(key, node(`tray-${tray.id}`, 'tray', `tray ${index + 1}`), nth(wet, index), onTray(nth(wet, index))),
      );
      const rest = ready - onTrays;
      if (rest < 0)
        edge(node('unexplained', 'unexplained', 'more than was weighed'), key, -rest, {
          ...of(-rest),
          ...noEnergy,
        });
      else edge(key, node(`beside-${share.id}`, 'rest', 'not on a tray'), rest, of(rest));
      if (!share.dried) return;
      source = node(`dryer-${share.id}`, 'tray', share.method ?? 'dryer');
      share.trays.forEach((tray, index) => {
        const dry = (tray.dryGross ?? tray.wetGross) - tray.tare;
        // Only water leaves: energy and solids of the tray are in what is dry.
        const left = nth(wet, index) - dry;
        const { kcal, solids = 0 } = onTray(nth(wet, index));
        edge(`tray-${tray.id}`, source, dry, { kcal, solids, water: dry - solids });
        edge(`tray-${tray.id}`, node(`dried-${share.id}`, 'out', 'water that left'), left, { water: left });
      });
      const { dry, wet: whole } = share.dried;
      ready = dry;
      inStored = (mass) => {
        const { kcal = 0, solids = 0 } = of((mass * whole) / dry);
        return { kcal, solids, water: mass - solids };
      };
    }
    let packed = 0;
    for (const pack of share.packs) {
      packed += pack.grams;
      edge(source, node(`pack-${pack.holdingId}-${share.id}`, 'pack', pack.code), pack.grams, inStored(pack.grams));
    }
    const rest = ready - packed;
    if (rest < 0)
      edge(node('unexplained', 'unexplained', 'more than was weighed'), source, -rest, {
        ...inStored(-rest),
        ...noEnergy,
      });
    else edge(source, node(`open-${share.id}`, 'rest', 'not packed yet'), rest, inStored(rest));
  }
}

const isStrainedWeighed = (batch: BatchState) =>
  batch.state === 'weighed' && batch.yields.some((each) => each.strained > 0);

/** What each line brings to the food, in g over all its loads, in the order of the lines; what is strained out is none. */
export const linesIn = ({ nodes, edges }: MassGraph): readonly { readonly node: MassNode; readonly grams: number }[] =>
  nodes
    .filter((node) => node.kind === 'line' && !node.key.startsWith('strained'))
    .map((node) => ({
      node,
      grams: addUp(
        edges.filter((edge) => edge.from === node.key),
        (edge) => edge.grams,
      ),
    }));

/** Where a batch's energy went, in kcal: what the lines brought, and what is in the yields, was eaten before, or left as fat. */
export function energyOfGraph({ nodes, edges }: MassGraph): {
  readonly in: number;
  readonly yields: number;
  readonly eaten: number;
  readonly skimmed: number;
} {
  const sum = (wanted: (edge: MassEdge) => boolean) => addUp(edges.filter(wanted), (edge) => edge.kcal);
  const lines = new Set(nodes.flatMap((node) => (node.kind === 'line' ? [node.key] : [])));
  const pots = new Set(nodes.flatMap((node) => (node.kind === 'pot' || node.kind === 'vessel' ? [node.key] : [])));
  const to = (start: string) => sum((edge) => pots.has(edge.from) && edge.to.startsWith(start));
  return {
    in: sum((edge) => lines.has(edge.from)),
    // Into the pans it was weighed in, or straight into the yield.
    yields: to('yield-') + to('pan-'),
    eaten: to('eaten'),
    skimmed: to('skimmed-'),
  };
}

/** What is cooked in a vessel of its own, with its lines; what is only planned is shown as one. */
function componentsOf(batch: BatchState, planned: readonly WeighedLine[]) {
  if (batch.state === 'planned') return [{ place: 0, name: undefined, loads: 1, lines: batchLines(planned) }];
  const { apart = 'components', components, takes } = batch;
  const places = [...new Set(takes.map((take, line) => yieldAt(apart, take, line)))].sort((a, b) => a - b);
  return places.map((place) => ({
    place,
    name: apart === 'lines' ? takes[place]?.words : components[place]?.name,
    loads: apart === 'lines' ? 1 : (components[place]?.loads ?? 1),
    lines: batchLines(
      takes
        .filter((take, line) => yieldAt(apart, take, line) === place)
        .flatMap((take) => staysOfTake(take, take.weighed))
        .filter((line) => line.grams > 0),
    ),
  }));
}

const share_ = (id: number) => `share-${id}`;

/**
 * How far each inner node of a graph is from closing: what comes in less what goes out, in g, or in kcal or g of solids
 * where that is asked. Ends (lines, packs, what went out or is left over) are not inner.
 */
export function imbalance(
  { nodes, edges }: MassGraph,
  measure: 'grams' | 'kcal' | 'solids' = 'grams',
): ReadonlyMap<string, number> {
  const sums = new Map<string, { in: number; out: number }>();
  const at = (key: string) => sums.get(key) ?? sure(sums.set(key, { in: 0, out: 0 }).get(key));
  for (const each of edges) {
    at(each.from).out += each[measure];
    at(each.to).in += each[measure];
  }
  return new Map(
    nodes
      .filter(({ key }) => at(key).in > 0 && at(key).out > 0)
      .map(({ key }) => [key, at(key).in - at(key).out] as const),
  );
}
