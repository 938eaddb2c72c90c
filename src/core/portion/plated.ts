import { z } from 'zod';
import { addUp } from '../add-up';
import { fine, refused, type Outcome } from '../problem';
import { readCount, readScale } from '../quantity/typed';
import type { UnitSet } from '../quantity/units';
import { typedMass, writeMassIn, writeNumber } from '../quantity/write';
import { sure } from '../sure';

/** g of a food for so many kcal of a dog's day. */
export type Serving = (kcal: number) => number;

/** A food that is all of what is fed: kcal over its density (kcal/g). */
export const servedAt =
  (density: number): Serving =>
  (kcal) =>
    kcal / density;

/**
 * How what is kept apart goes into the bowls: by parts of the weight, or so many g a day of one of them to every dog and the
 * rest of its energy from the others. Places are those of the yields.
 */
export type Plating =
  | { readonly by: 'parts'; readonly parts: readonly { readonly place: number; readonly part: number }[] }
  | { readonly by: 'same'; readonly place: number; readonly grams: number };

/** The same as it is typed; nothing said: as much of each as there is. */
export const platingSchema = z.object({
  by: z.enum(['as weighed', 'parts', 'same']),
  /** Parts of the weight, in the order of the yields. */
  parts: z.array(z.string().max(10)).max(20),
  /** Of which yield every dog gets the same. */
  place: z.number().int().min(0).max(300),
  /** g of it a day. */
  size: z.string().max(30),
});
export type PlatingEntry = Readonly<z.infer<typeof platingSchema>>;

/** A yield as a plate looks at it: kcal in each g, and how much of it there is in g. */
export interface Plated {
  readonly place: number;
  readonly density: number;
  readonly net: number;
}

/** What a dog gets of each yield in a day, in g. */
export interface PlatePart {
  readonly place: number;
  readonly grams: number;
}
export type Plate = (kcal: number) => readonly PlatePart[];

/** kcal in each g of yields mixed by parts of the weight; 0 parts weigh nothing. */
const mixed = (yields: readonly Plated[], partOf: (place: number) => number) => {
  const whole = addUp(yields, ({ place }) => partOf(place));
  return whole > 0 ? addUp(yields, ({ place, density }) => (density * partOf(place)) / whole) : 0;
};

/**
 * kcal in each g of what is kept apart, as it comes into a bowl: mixed by the parts of the weight that were said, else by as much
 * of each as there is. Source: arithmetic.
 */
export function platedDensity(yields: readonly Plated[], plating?: Plating): number {
  const said = plating?.by === 'parts' ? plating.parts : undefined;
  return mixed(yields, (at) =>
    said ? (said.find(({ place }) => place === at)?.part ?? 0) : (yields.find(({ place }) => place === at)?.net ?? 0),
  );
}

/**
 * What a dog gets of each yield so that the kcal of its day are met exactly. Nothing said: as much of each as there is, so
 * that all come to their end together. Of what every dog gets the same, a dog gets at most what fills its day.
 *
 * Takes yields (kcal/g, g) and how they are plated; returns a function of kcal. Source: arithmetic.
 */
export function plateOf(yields: readonly Plated[], plating?: Plating): Plate {
  const partOf = (place: number) =>
    plating?.by === 'parts'
      ? (plating.parts.find((each) => each.place === place)?.part ?? 0)
      : (yields.find((each) => each.place === place)?.net ?? 0);
  const byParts = (of: readonly Plated[], kcal: number): PlatePart[] => {
    const whole = addUp(of, ({ place }) => partOf(place));
    const grams = whole > 0 ? kcal / mixed(of, partOf) : 0;
    return of.map(({ place }) => ({ place, grams: whole > 0 ? (grams * partOf(place)) / whole : 0 }));
  };
  if (plating?.by !== 'same') return (kcal) => byParts(yields, kcal);
  const fixed = yields.find(({ place }) => place === plating.place);
  const others = yields.filter(({ place }) => place !== plating.place);
  if (!fixed || others.length === 0) return (kcal) => byParts(yields, kcal);
  return (kcal) => {
    const grams = Math.min(plating.grams, kcal / fixed.density);
    const rest = byParts(others, Math.max(0, kcal - grams * fixed.density));
    return yields.map(({ place }) =>
      place === fixed.place ? { place, grams } : sure(rest.find((each) => each.place === place)),
    );
  };
}

/** What part of a dog's kcal each yield gives. */
export function energyParts(plate: Plate, yields: readonly Plated[], kcal: number): ReadonlyMap<number, number> {
  const of = plate(kcal);
  const each = of.map(({ place, grams }) => ({
    place,
    kcal: grams * (yields.find((own) => own.place === place)?.density ?? 0),
  }));
  const whole = addUp(each, (own) => own.kcal);
  return new Map(each.map((own) => [own.place, whole > 0 ? own.kcal / whole : 0]));
}

/**
 * Reads how what is kept apart is plated; each problem at its field (`parts.0`, `size`). Refuses what of one yield alone would
 * be more than a dog's day, with the dog that eats least.
 */
export function readPlating(
  entry: PlatingEntry,
  yields: readonly (Plated & { readonly name: string })[],
  dogs: readonly { readonly name: string; readonly kcal: number }[],
  set: UnitSet,
): Outcome<Plating | undefined> {
  if (entry.by === 'as weighed') return fine(undefined);
  if (entry.by === 'parts') {
    const parts: { place: number; part: number }[] = [];
    for (const [index, { place, name }] of yields.entries()) {
      const text = (entry.parts[index] ?? '').trim();
      const read = text === '' || text === '0' ? fine(0) : readCount(text);
      if (!read.ok) return refused(`${name}: a part, like 2 or 1/2.`, `parts.${index}`);
      parts.push({ place, part: read.value });
    }
    if (addUp(parts, ({ part }) => part) <= 0) return refused('At least one part above 0.', 'parts.0');
    return fine({ by: 'parts', parts });
  }
  const own = yields.find(({ place }) => place === entry.place);
  if (!own) return refused('Choose what every dog gets the same of.', 'place');
  const read = readScale(entry.size, 'asked', set);
  if (!read.ok) return { ...read, problem: { ...read.problem, field: 'size' } };
  if (!(read.value > 0)) return refused('How much of it does every dog get a day?', 'size');
  const least = [...dogs].filter(({ kcal }) => kcal > 0).sort((a, b) => a.kcal - b.kcal)[0];
  const kcal = read.value * own.density;
  if (least && kcal > least.kcal)
    return refused(
      `${writeMassIn(read.value, set)} of ${own.name} are ${writeNumber(kcal, 0)} kcal: more than ${least.name}’s whole day of ${writeNumber(least.kcal, 0)} kcal.`,
      'size',
    );
  return fine({ by: 'same', place: own.place, grams: read.value });
}

/** A kept plating as it was typed. */
export function typedPlating(plating: Plating | undefined, yields: readonly Plated[], set: UnitSet): PlatingEntry {
  const empty: PlatingEntry = { by: 'as weighed', parts: yields.map(() => ''), place: yields[0]?.place ?? 0, size: '' };
  if (!plating) return empty;
  if (plating.by === 'same') return { ...empty, by: 'same', place: plating.place, size: typedMass(plating.grams, set) };
  return {
    ...empty,
    by: 'parts',
    parts: yields.map(({ place }) => String(plating.parts.find((each) => each.place === place)?.part ?? 0)),
  };
}
