import type { Preview } from './entry-schema';
import { grams, type Grams } from '../quantity/units';
import { isWater } from '../food/food';
import { splitBone } from './bone';
import { ANIMAL, type WeighedLine } from './recipe';
import { partOf, type WrittenLine } from './written';
import { nth, sure } from '../sure';
import { addUp } from '../add-up';

/** What the lines of a recipe are reckoned for. */
export interface At {
  /** What the batch lines are multiplied by. */
  readonly scale: number;
  /** Dogs × days. */
  readonly dogDays: number;
  /** Body weight in kg, summed over dogs and days. */
  readonly kgDays: number;
  /** Vesselfuls of each component, by its place; 1 where nothing is said. */
  readonly loads: readonly number[];
  /** Of each choice, the place of the line that is taken; without one, the first. */
  readonly choices?: Readonly<Record<string, number>>;
}

/** A recipe by itself: one load, and no dog yet. */
export const ALONE: At = { scale: 1, dogDays: 0, kgDays: 0, loads: [] };

export const atPreview = (preview: Preview | undefined): At =>
  preview ? { ...ALONE, dogDays: preview.dogDays, kgDays: preview.kgDays } : ALONE;

/** A line in g, with what must be bought for it and the place of the written line it comes from. */
export interface ReckonedLine extends WeighedLine {
  readonly bought: Grams;
  readonly line: number;
}

/** Whether a written line counts: it is no choice, or the one that is taken. */
function taken(lines: readonly WrittenLine[], index: number, choices: At['choices']): boolean {
  const choice = nth(lines, index).choice;
  if (choice === undefined) return true;
  const wanted = choices?.[choice];
  const first = lines.findIndex((line) => line.choice === choice);
  return index === (wanted !== undefined && lines[wanted]?.choice === choice ? wanted : first);
}

/**
 * How much of each written line is bought, in g, in the order of the lines; a choice that is not taken is 0.
 *
 * Each basis multiplies the line's own amount: the batch by the scale; a load by the loads of its component; another line and animal
 * protein by the g of those over the g that the amount is for; finished food likewise, by all that goes in; a dog and
 * day by the dog-days; body weight by the kg-days over the kg that the amount is for. All are linear in the scale.
 * Source: arithmetic; design 1.
 */
export function boughtAt(lines: readonly WrittenLine[], at: At): Grams[] {
  const bought = lines.map(() => 0);
  const stays = (index: number) => nth(bought, index) * (1 - nth(lines, index).refuse);
  const fill = (wanted: (line: WrittenLine) => boolean, factor: (line: WrittenLine) => number) =>
    lines.forEach((line, index) => {
      if (wanted(line) && taken(lines, index, at.choices)) bought[index] = line.grams * factor(line);
    });
  fill(
    ({ basis }) => basis === 'batch',
    () => at.scale,
  );
  fill(
    ({ basis }) => basis === 'load',
    ({ component = 0 }) => at.loads[component] ?? 1,
  );
  fill(
    ({ basis }) => basis === 'dog and day',
    () => at.dogDays,
  );
  fill(
    ({ basis }) => basis === 'body weight and day',
    ({ per }) => at.kgDays / sure(per).amount,
  );
  fill(
    ({ basis }) => basis === 'line',
    ({ per }) => (per?.line === undefined ? 0 : (bought[per.line] ?? 0) / per.amount),
  );
  // The meat of a bone-in line counts without its bone.
  const animal = lines.reduce(
    (sum, line, index) =>
      ANIMAL.has(line.part) && !(line.strained && line.bone) ? sum + stays(index) * (1 - (line.bone?.share ?? 0)) : sum,
    0,
  );
  fill(
    ({ basis }) => basis === 'animal protein',
    ({ per }) => animal / sure(per).amount,
  );
  const whole = lines.reduce((sum, line, index) => (line.moment === 'bowl' ? sum : sum + stays(index)), 0);
  fill(
    ({ basis }) => basis === 'finished food',
    ({ per }) => whole / sure(per).amount,
  );
  return bought.map(grams);
}

/** What stays of a weight of a written line, as the line or as the lines of the recipe that it takes. */
function staysOf(line: WrittenLine, index: number, bought: Grams): ReckonedLine[] {
  const stays = bought * (1 - line.refuse);
  if (!(stays > 0)) return [];
  const { made, food } = line.source;
  if (!made) {
    const own = {
      text: line.text,
      grams: grams(stays),
      food,
      part: line.part,
      moment: line.moment,
      bought,
      line: index,
    };
    return partOf(line) === 'bone' && !line.strained ? splitBone(own, line.bone?.share) : [own];
  }
  return made.lines.map((own) => ({
    ...own,
    text: `${own.text} (in ${food.name})`,
    grams: grams((own.grams * stays) / made.grams),
    moment: line.moment,
    bought: grams((own.grams * bought) / made.grams),
    line: index,
  }));
}

/** The written lines that a batch takes, with what of each is bought; choices not taken are left out. */
export const takenLines = <T extends WrittenLine>(
  lines: readonly T[],
  at: At,
): { readonly written: T; readonly bought: Grams }[] => takenOf(lines, boughtAt(lines, at));

/** The written lines of which something is bought. */
export const takenOf = <T extends WrittenLine>(
  lines: readonly T[],
  bought: readonly number[],
): { readonly written: T; readonly bought: Grams }[] =>
  lines.flatMap((written, index) => (nth(bought, index) > 0 ? [{ written, bought: grams(nth(bought, index)) }] : []));

/** The lines with what really went in, in g as bought and in the order of the written lines; nothing is 0 g. */
export const linesOfWeights = (lines: readonly WrittenLine[], bought: readonly number[]): ReckonedLine[] =>
  lines.flatMap((line, index) => staysOf(line, index, grams(bought[index] ?? 0)));

/** The lines of a recipe in g: what stays of each, choices taken, recipes taken apart into their own lines. */
export const linesAt = (lines: readonly WrittenLine[], at: At): ReckonedLine[] =>
  linesOfWeights(lines, boughtAt(lines, at));

/**
 * The lines of a pot of which only a part is left: what went away is water, and it is taken from the poured water as
 * far as there is some. Source: handbook 7 (only water leaves).
 */
export function boiledDown<T extends WeighedLine>(lines: readonly T[], kept: number): T[] {
  const whole = addUp(lines, (line) => line.grams);
  const poured = lines.reduce((sum, line) => (isWater(line.food) ? sum + line.grams : sum), 0);
  const left = poured === 0 ? 1 : Math.max(0, 1 - (whole * (1 - kept)) / poured);
  return lines.map((line) => (isWater(line.food) ? { ...line, grams: grams(line.grams * left) } : line));
}

/** Every food that a recipe holds with these choices (without any: may hold): what hazards and avoid lists look at. */
export const everyLine = (
  lines: readonly WrittenLine[],
  choices?: At['choices'],
): (Pick<WeighedLine, 'food' | 'part' | 'moment'> & {
  readonly preparation?: string;
  readonly strained: boolean;
  readonly line: number;
})[] =>
  lines.flatMap((line, index) => {
    if (choices !== undefined && !taken(lines, index, choices)) return [];
    const outer = { strained: line.strained, moment: line.moment, line: index };
    if (!line.source.made)
      return [{ ...outer, food: line.source.food, part: partOf(line), preparation: line.preparation }];
    return line.source.made.lines.map((own) => ({ ...outer, food: own.food, part: own.part }));
  });

/** The choices of a recipe, each with the places of its lines. */
export function choicesOf(lines: readonly Pick<WrittenLine, 'choice'>[]): ReadonlyMap<string, readonly number[]> {
  const found = new Map<string, number[]>();
  lines.forEach(({ choice }, index) => {
    if (choice !== undefined) found.set(choice, [...(found.get(choice) ?? []), index]);
  });
  return found;
}
