import { z } from 'zod';
import { typed } from './entry-fields';
import type { LocalDate } from '../calendar/local-date';
import type { Food } from '../food/food';
import { proteinsOf } from '../recipe/protein';

export const AVOID_REASONS = ['reaction', 'test', 'vet', 'dislike'] as const;
export type AvoidReason = (typeof AVOID_REASONS)[number];

/** What is avoided: one food of the table, a whole group of it, or everything of one animal. */
export const avoidedSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('food'), ndb: z.string().max(10) }),
  z.object({ kind: z.literal('group'), group: z.string().max(60) }),
  z.object({ kind: z.literal('protein'), protein: z.string().max(40) }),
]);
export type Avoided = Readonly<z.infer<typeof avoidedSchema>>;

/** What stands on a list and cannot be read: until somebody mends it, it may be anything. */
export interface UnreadAvoided {
  readonly kind: 'unread';
}

/** Something that a dog does not get. */
export interface Avoid {
  readonly id: number;
  readonly what: Avoided | UnreadAvoided;
  /** As the cook calls it. */
  readonly label: string;
  readonly reason: AvoidReason;
  readonly since: LocalDate;
  readonly tryAgainOn?: LocalDate;
  readonly note?: string;
}

/** Whether a food is what is avoided; one food stands for its other forms too: "Oats, raw" for "Oats, cooked". */
export function isAvoided(
  what: Avoided | UnreadAvoided,
  food: Pick<Food, 'ndb' | 'name' | 'group'>,
  nameOf: (ndb: string) => string | undefined,
): boolean {
  switch (what.kind) {
    case 'unread':
      return true;
    case 'group':
      return food.group === what.group;
    case 'protein':
      return proteinsOf(food).includes(what.protein);
    case 'food':
      return food.ndb === what.ndb || headOf(food.name) === headOf(nameOf(what.ndb) ?? '-');
  }
}

/** First words of the table that only sort: what the food is comes after them. */
const SORTING = new Set(
  'game meat,fish,mollusks,crustaceans,seeds,nuts,oil,spices,beans,cheese,squash,fat,leavening agents'.split(','),
);

/** What a food of the table is, before cut and state: "oats", "game meat deer". */
function headOf(name: string): string {
  const [first = '', second = ''] = name
    .toLowerCase()
    .split(',')
    .map((word) => word.trim());
  return SORTING.has(first) ? `${first} ${second}` : first;
}

/** What of a list of foods a dog does not get. */
export const avoidedIn = <A extends Avoid>(
  avoids: readonly A[],
  foods: readonly Pick<Food, 'ndb' | 'name' | 'group'>[],
  nameOf: (ndb: string) => string | undefined,
): A[] => avoids.filter((avoid) => foods.some((food) => isAvoided(avoid.what, food, nameOf)));

/** A dislike only warns, as far as anybody can read of what; everything else stops a plan and a bowl. */
export const stops = (avoid: Pick<Avoid, 'reason' | 'what'>): boolean =>
  avoid.reason !== 'dislike' || avoid.what.kind === 'unread';

/** "oats (reaction)" for every hit, for one sentence. */
export const sayAvoided = (avoids: readonly Pick<Avoid, 'label' | 'reason'>[]): string =>
  avoids.map((avoid) => `${avoid.label} (${avoid.reason})`).join(', ');

/** Something that a dog does not get, as typed. */
export const avoidEntrySchema = z.object({
  what: avoidedSchema.nullable(),
  reason: z.enum(AVOID_REASONS),
  tryAgainOn: typed.day,
  note: typed.note,
});
export type AvoidEntry = Readonly<z.infer<typeof avoidEntrySchema>>;
