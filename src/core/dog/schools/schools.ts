import { z } from 'zod';
import type { Outcome, Problem } from '../../problem';
import type { Grams, UnitSet } from '../../quantity/units';
import type { FoodFacts } from '../food-facts';
import { cups } from './cups';
import { likeForLike } from './like-for-like';
import { percent } from './percent';
import { pieces } from './pieces';
import { prescribed } from './prescribed';
import { protein } from './protein';
import { NO_SCHOOL, readerOf, type PortionSchool, type SchoolDay, type SchoolEntry } from './school';
import { weightTable } from './weight-table';

/** Every portion school by its kind, in the order in which the spread draws the usual ones. */
export const SCHOOLS = {
  protein,
  cups,
  percent,
  pieces,
  'like for like': likeForLike,
  'weight table': weightTable,
  prescribed,
} as const;

export type SchoolKind = keyof typeof SCHOOLS;
type OwnOf<Each> = Each extends PortionSchool<infer Own> ? Own : never;
/** A rule of thumb with its figures. Amounts are for a day unless the name says otherwise. */
export type School = Readonly<OwnOf<(typeof SCHOOLS)[SchoolKind]>>;

export const isSchoolKind = (text: string): text is SchoolKind => text in SCHOOLS;
export const SCHOOL_KINDS = Object.keys(SCHOOLS).filter(isSchoolKind);
/** Those that can be laid beside the usual ones: what this cook alone knows. */
export const KINDS_BESIDE = SCHOOL_KINDS.filter((kind) => SCHOOLS[kind].beside !== undefined);

const BY_KIND: Readonly<Record<SchoolKind, PortionSchool<School>>> = SCHOOLS;
export const schoolSchema = z.union(SCHOOL_KINDS.map((kind) => BY_KIND[kind].schema));

/** The schools with the figures that cooks use most. Source: common practice, no source. */
export const USUAL_SCHOOLS: readonly School[] = SCHOOL_KINDS.flatMap((kind) => SCHOOLS[kind].usual ?? []);

/** The rule in words. */
export const sayRule = (school: School): string => BY_KIND[school.kind].say(school);

/** Whose figure it is, where somebody set it. */
export const setBy = (school: School): string | undefined => BY_KIND[school.kind].setBy(school);

/**
 * What a portion school gives a dog of a food, in kcal a day: a mark with a band around it.
 *
 * Takes the rule, the body weight in g and the food. Refuses where the food lacks what the rule counts in: a weighed
 * cup, animal protein, or a row for this weight. Source: common practice, no source.
 */
export const schoolDay = (school: School, weight: Grams, food: FoodFacts): Outcome<SchoolDay> =>
  BY_KIND[school.kind].day(school, weight, food);

/** Reads a school as typed. Problems stand at `amount`, `per`, `by`, `makes` and the rows of `bands`. */
export function readSchool(
  kind: SchoolKind,
  entry: SchoolEntry,
  set: UnitSet,
): { ok: true; value: School } | { ok: false; problems: readonly Problem[] } {
  const problems: Problem[] = [];
  const school = BY_KIND[kind].read(readerOf(entry, set, problems));
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: school };
}

/** A school as a cook would type it; weights of bands in kg. */
export const toSchoolEntry = (school: School): SchoolEntry => ({ ...NO_SCHOOL, ...BY_KIND[school.kind].write(school) });

/** The figures of a school that a cook begins to type over. Source: common practice, no source. */
export const beginSchool = (kind: SchoolKind): SchoolEntry => ({ ...NO_SCHOOL, ...SCHOOLS[kind].begins });

/** Whether a school as typed needs a food to become kcal. */
export const needsFood = (kind: SchoolKind, entry: Pick<SchoolEntry, 'unit'>): boolean =>
  SCHOOLS[kind].needsFood(entry);
