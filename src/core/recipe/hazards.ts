import { z } from 'zod';
import type { Food } from '../food/food';
import { isCooked, type Moment, type Part } from './recipe';

/** A food that can hurt, as data/hazards.json holds it. */
export const hazardSchema = z.object({
  id: z.string().min(1).max(40),
  /** never: stops a plan; vet: stops it unless a vet's note on the dog allows it; caution: asks. */
  level: z.enum(['never', 'vet', 'caution']),
  name: z.string(),
  why: z.string(),
  /** Whole names that it listens to in the cook's own words. */
  words: z.array(z.string()),
  /** Phrases in which such a word means something else. */
  not: z.array(z.string()).optional(),
  /** Rows of the food table that it means. */
  foods: z.array(z.string()),
  /** The part of a recipe that it means. */
  part: z.literal('bone').optional(),
  /** Only where the line is not cooked, or only where it is. */
  onlyRaw: z.boolean().optional(),
  onlyCooked: z.boolean().optional(),
  source: z.string(),
});
export type Hazard = Readonly<z.infer<typeof hazardSchema>>;

/** What a hazard is looked for in: a line's food, part and moment, and the cook's own words for it. */
export interface CheckedLine {
  readonly ndb: string;
  readonly words: string;
  readonly part: Part;
  readonly moment: Moment;
  /** Broth bones are strained out: nothing of them is eaten. */
  readonly strained?: boolean;
}

/** The lines of a recipe as hazards look at them. */
export const checkedLines = (
  lines: readonly {
    readonly food: Pick<Food, 'ndb'>;
    readonly preparation?: string;
    readonly part: Part;
    readonly moment: Moment;
    readonly strained?: boolean;
  }[],
): CheckedLine[] =>
  lines.map(({ food, preparation, part, moment, strained = false }) => ({
    ndb: food.ndb,
    words: preparation ?? '',
    part,
    moment,
    strained,
  }));

export interface HazardHit {
  readonly hazard: Hazard;
  /** The line's place in the list, from 0. */
  readonly line: number;
}

const spaced = (text: string) =>
  ` ${text
    .toLowerCase()
    .replace(/[^a-z0-9’']+/g, ' ')
    .trim()} `;

/** Whether a text names one of the hazard's words as a whole name: hops is not chops, tea not steak. */
export function namesHazard(hazard: Pick<Hazard, 'words' | 'not'>, text: string): boolean {
  let rest = spaced(text);
  for (const phrase of hazard.not ?? []) rest = rest.split(spaced(phrase)).join(' ');
  return hazard.words.some((word) => rest.includes(spaced(word)));
}

function hits(hazard: Hazard, line: CheckedLine): boolean {
  if (hazard.onlyRaw === true && isCooked(line.moment)) return false;
  if (hazard.onlyCooked === true && !isCooked(line.moment)) return false;
  if (hazard.part !== undefined && hazard.part === line.part && isCooked(line.moment)) return line.strained !== true;
  return hazard.foods.includes(line.ndb) || namesHazard(hazard, line.words);
}

/**
 * What can hurt in the lines of a recipe, by food and by whole name, worst first.
 * Source: data/hazards.json (ASPCA and FDA lists, from memory; cautions are common practice, no source).
 */
export function hazardsIn(lines: readonly CheckedLine[], hazards: readonly Hazard[]): HazardHit[] {
  const rank = { never: 0, vet: 1, caution: 2 };
  return lines
    .flatMap((line, index) => hazards.filter((hazard) => hits(hazard, line)).map((hazard) => ({ hazard, line: index })))
    .sort((a, b) => rank[a.hazard.level] - rank[b.hazard.level] || a.line - b.line);
}

/** Whether a hazard stops a plan for a dog whose vet has allowed what `allowed` names. */
export const stopsPlan = (hazard: Pick<Hazard, 'id' | 'level'>, allowed: readonly string[]): boolean =>
  hazard.level === 'never' || (hazard.level === 'vet' && !allowed.includes(hazard.id));

/** What a name says that can hurt a dog whose vet has not allowed it; undefined: nothing. */
export const hazardNamed = (name: string, hazards: readonly Hazard[], allowed: readonly string[]): Hazard | undefined =>
  hazards.find((hazard) => stopsPlan(hazard, allowed) && namesHazard(hazard, name));

/** "onion and its kin: harm red blood cells …", one sentence a hazard. */
export const sayHazard = (hazard: Pick<Hazard, 'name' | 'why'>): string => `${hazard.name}: ${hazard.why}.`;
