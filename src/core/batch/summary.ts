import { platedDensity, type Plated, type Plating } from '../portion/plated';
import type { Fate } from '../portion/shares';
import { warmPans, type WarmPan } from '../heat/warm-pans';
import { learnedOf, type Learned } from '../cook/learned';
import { energyOf, fatKcalOf, type EnergyFactors } from '../nutrition/energy';
import { batchLines, type Moment, type Part, type WeighedLine } from '../recipe/recipe';
import { stillToWeigh } from './apart';
import type { BatchState } from './fold';
import { heldOver } from './held-over';
import type { Watch } from './step';
import { stepAt, watchOf, type StepKey } from './steps';
import { isUnproven } from './steps/cook';
import { addUp } from '../add-up';

/** What lists, cover and bowls need of a batch, so that nobody reads its evidence for them. */
export interface BatchSummary {
  readonly step: StepKey;
  /** What is to be done next, in the words of its step; absent where it is done. */
  readonly next?: string;
  /** What it asks to be looked at. */
  readonly watch?: Watch;
  /** g that went in. */
  readonly inPot: number;
  /** The same by what it is in the shape of a recipe, in the order of the lines; absent in what was kept by an older version. */
  readonly went?: readonly { readonly part: Part; readonly grams: number }[];
  /** kcal of all that went in, less the fat that was skimmed off, by each of the three ways. */
  readonly kcal: Readonly<Record<EnergyFactors, number>>;
  /** Once all of it was weighed: g to be divided, g with what was eaten before, and whether that was counted. */
  readonly net?: number;
  readonly whole?: number;
  /** g that its packs, trays and bowls hold over that, and stand: the pot's energy is in them too. */
  readonly over?: number;
  readonly estimated?: boolean;
  /** What is kept apart: the yields, and how they are plated. */
  readonly apart?: { readonly yields: readonly (Plated & { readonly name: string })[]; readonly plating?: Plating };
  /** It was cooked without a passed check of its core, or kept though it cooled too slowly: its packs are marked. */
  readonly unproven?: true;
  /** Pans that are not known to be cold: watched until their time is over, whatever was sealed meanwhile. */
  readonly warm?: readonly WarmPan[];
  /** What its cook day taught, for the plan of the next one. */
  readonly learned?: Learned;
  /** Each food that went in, as avoid lists and hazards look at it. */
  readonly foods: readonly { readonly ndb: string; readonly part: Part; readonly moment: Moment }[];
  readonly shares: readonly { readonly fate: Fate; readonly grams: number; readonly sealed: boolean }[];
}

/** The summary of a batch; undefined while it is planned. */
export function summaryOf(batch: BatchState): BatchSummary | undefined {
  if (batch.state === 'planned') return undefined;
  const lines = batchLines(batch.lines);
  const learned = learnedOf(batch.components, batch.day, batch.pans);
  const warm = warmPans(batch.pans);
  const step = stepAt(batch);
  const next = step.next(batch);
  const watch = watchOf(batch);
  const foods = new Map(
    batch.lines.map(({ food, part, moment }) => [`${food.ndb} ${part} ${moment}`, { ndb: food.ndb, part, moment }]),
  );
  const skimmed = batch.state === 'weighed' ? addUp(batch.yields, (each) => each.skimmed) : 0;
  const left = (factors: EnergyFactors) => energyOf(lines, factors) - skimmed * fatKcalOf(factors);
  const common = {
    foods: [...foods.values()],
    step: step.key,
    ...(next === undefined ? {} : { next }),
    ...(watch ? { watch } : {}),
    ...(isUnproven(batch) ? { unproven: true as const } : {}),
    ...(warm.length > 0 ? { warm } : {}),
    ...(learned ? { learned } : {}),
    inPot: batch.sheet.inPot,
    went: byPart(lines),
    kcal: { '4-9-4': left('4-9-4'), modified: left('modified'), table: left('table') },
  };
  if (batch.state === 'cooking') return { ...common, shares: [] };
  const over = addUp(batch.yields, (each) => heldOver(each, batch.shares));
  const all =
    stillToWeigh(batch).length > 0
      ? {}
      : {
          net: addUp(batch.yields, (each) => each.net),
          whole: addUp(batch.yields, (each) => each.net + each.eatenBefore),
          ...(over > 0 ? { over } : {}),
        };
  return {
    ...common,
    ...all,
    estimated: batch.yields.some((each) => each.estimated),
    ...(batch.yields.length > 1
      ? {
          apart: {
            yields: batch.yields.map(({ place, name, density, net: own }) => ({ place, name, density, net: own })),
            ...(batch.plating ? { plating: batch.plating } : {}),
          },
        }
      : {}),
    shares: batch.shares.map(({ fate, grams, sealed }) => ({ fate, grams, sealed })),
  };
}

function byPart(lines: readonly WeighedLine[]): { readonly part: Part; readonly grams: number }[] {
  const sums = new Map<Part, number>();
  for (const { part, grams } of lines) sums.set(part, (sums.get(part) ?? 0) + grams);
  return [...sums].map(([part, grams]) => ({ part, grams }));
}

/** kcal in each g of a weighed batch as a whole; undefined before all of it was weighed. */
export function densityIn(summary: BatchSummary | null | undefined, factors: EnergyFactors): number | undefined {
  if (summary?.whole === undefined || summary.whole <= 0) return undefined;
  return summary.apart
    ? platedDensity(summary.apart.yields)
    : summary.kcal[factors] / (summary.whole + (summary.over ?? 0));
}
