import { z } from 'zod';
import { densityOf, MEAT_G_PER_ML } from '../food/measures';
import { isWater, type FoodMeasure } from '../food/food';
import { nutrientIn } from '../nutrition/totals';
import { ANIMAL, batchLines, PARTS, type Part, type WeighedLine } from './recipe';
import type { RecipeSheet } from './sheet';
import { addUp } from '../add-up';

/** data/shapes.json: what a recipe should consist of, as cooks say it. */
export const shapeSchema = z.object({
  id: z.string().max(40),
  name: z.string(),
  by: z.enum(['weight', 'volume', 'energy']),
  source: z.string(),
  rows: z.array(
    z.object({
      name: z.string(),
      parts: z.array(z.enum(PARTS)),
      named: z.string().optional(),
      notNamed: z.string().optional(),
      about: z.number().optional(),
      least: z.number().optional(),
      most: z.number().optional(),
    }),
  ),
});
export type NamedShape = Readonly<z.infer<typeof shapeSchema>>;

/** Shares of parts by volume, of the volume of those lines whose food has a cup in the table. */
export interface VolumeShares {
  readonly of: ReadonlyMap<Part, number>;
  /** The part of the food's weight whose volume is known, from 0 to 1. */
  readonly coverage: number;
}

type Measures = (ndb: string) => readonly FoodMeasure[];

const foodLines = (lines: readonly WeighedLine[]) => batchLines(lines).filter((line) => !isWater(line.food));

/** mL of a line, raw; undefined where its food has no cup or spoon and is no meat. */
const volumeIn = (line: WeighedLine, measures: Measures): number | undefined => {
  const density = densityOf(line.food, measures(line.food.ndb));
  if (density) return line.grams / density.gramsPerMl;
  return ANIMAL.has(line.part) ? line.grams / MEAT_G_PER_ML : undefined;
};

/** The parts of a recipe by volume, as a cook fills cups with them. Source: USDA SR 24 household measures. */
export function volumeShares(lines: readonly WeighedLine[], measures: Measures): VolumeShares {
  const known = foodLines(lines).map((line) => ({ line, volume: volumeIn(line, measures) }));
  const whole = addUp(known, ({ volume }) => volume ?? 0);
  const mass = addUp(known, ({ line }) => line.grams);
  const covered = known.reduce((sum, { line, volume }) => (volume === undefined ? sum : sum + line.grams), 0);
  const of = new Map<Part, number>();
  for (const { line, volume } of known)
    if (volume !== undefined) of.set(line.part, (of.get(line.part) ?? 0) + volume / whole);
  return { of, coverage: mass === 0 ? 0 : covered / mass };
}

/** One row of a named shape against a recipe. */
export interface ShapeRow {
  readonly name: string;
  readonly share: number;
  readonly least: number;
  readonly most: number;
  readonly verdict: 'under' | 'over' | 'met';
}

/** Around a share that cooks call "half" or "a quarter" (common practice, no source). */
const TOLERANCE = 0.15;

/**
 * A recipe against the shape that it follows. Shares are of the food without the poured water, by weight, volume or
 * energy as the shape says. Source: common practice, no source.
 */
export function shapeAgainst(
  shape: NamedShape,
  lines: readonly WeighedLine[],
  measures: Measures,
  kcalOf: (line: WeighedLine) => number,
): ShapeRow[] {
  const own = foodLines(lines);
  const size = (line: WeighedLine): number =>
    shape.by === 'weight' ? line.grams : shape.by === 'energy' ? kcalOf(line) : (volumeIn(line, measures) ?? 0);
  const whole = addUp(own, (line) => size(line));
  return shape.rows.map((row) => {
    const fits = (line: WeighedLine) => {
      const name = `${line.text} ${line.food.name}`.toLowerCase();
      return (
        row.parts.includes(line.part) &&
        (row.named === undefined || name.includes(row.named)) &&
        (row.notNamed === undefined || !name.includes(row.notNamed))
      );
    };
    const share = whole === 0 ? 0 : addUp(own.filter(fits), (line) => size(line)) / whole;
    const least = row.least ?? (row.about ?? 0) * (1 - TOLERANCE);
    const most = row.most ?? (row.about ?? 1) * (1 + TOLERANCE);
    return { name: row.name, share, least, most, verdict: share < least ? 'under' : share > most ? 'over' : 'met' };
  });
}

/** What cooks ask of a shape besides its shares. */
export interface ShapeFigures {
  /** g of protein from meat, organs and eggs in 1000 kcal. */
  readonly animalProtein: number | undefined;
  /** Fat as a part of the dry matter, from 0 to 1. */
  readonly fatInDryMatter: number | undefined;
  /** Water in the food without the poured water, from 0 to 1. */
  readonly water: number | undefined;
  /** Bone and secreting organs as parts of the weight, where there are any. */
  readonly bone: number;
  readonly secreting: number;
}

/** Figures of a recipe's shape from its lines and its sheet. Unknown where no line has a value. Source: arithmetic. */
export function shapeFigures(lines: readonly WeighedLine[], sheet: RecipeSheet): ShapeFigures {
  const own = foodLines(lines);
  const animal = own.reduce(
    (sum, line) => (ANIMAL.has(line.part) ? sum + (nutrientIn(line.food.per100, 'protein_g', line.grams) ?? 0) : sum),
    0,
  );
  const weightOf = (part: Part) => sheet.shares.find((share) => share.part === part)?.weight ?? 0;
  return {
    animalProtein: sheet.kcal > 0 ? (animal / sheet.kcal) * 1000 : undefined,
    fatInDryMatter: sheet.fat && sheet.solids > 0 ? sheet.fat.amount / sheet.solids : undefined,
    water: sheet.water && sheet.food > 0 ? sheet.water.amount / sheet.food : undefined,
    bone: weightOf('bone'),
    secreting: weightOf('secreting organ'),
  };
}
