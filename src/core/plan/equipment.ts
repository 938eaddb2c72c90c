import { isAmong } from '../sure';
import { z } from 'zod';
import { DRYING_METHODS } from '../preserve/methods';
import { volumeOf, type UnitSet } from '../quantity/units';
import { typedMass, writeNumber } from '../quantity/write';

const VESSEL_KINDS = ['pot', 'pressure cooker', 'slow cooker', 'oven trays'] as const;
const DRYER_KINDS = DRYING_METHODS.map(({ machine }) => machine);
export const EQUIPMENT_KINDS = [...VESSEL_KINDS, 'container', ...DRYER_KINDS] as const;
export type EquipmentKind = (typeof EQUIPMENT_KINDS)[number];

/**
 * A thing of the kitchen that limits a plan: a vessel with its volume (oven trays with the g on each), a container by
 * volume or weight, a dryer with the g on each tray.
 */
export interface Equipment {
  readonly id: number;
  readonly kind: EquipmentKind;
  readonly name: string;
  readonly millilitres?: number;
  /** g of one filling, or on one tray. */
  readonly grams?: number;
  /** How many of them there are: pots of this size, containers, trays. */
  readonly count: number;
  /** Of a dryer, what else is known of it. */
  readonly dryer?: DryerSpec;
}

/** What a household says of its dryer beside its trays and what goes on one; what nobody said is absent. */
export interface DryerSpec {
  /** g of an empty tray. */
  readonly tare?: number;
  /** Inside of a tray, cm. */
  readonly inside?: { readonly wide: number; readonly long: number };
  /** cm that food may lie deep on it. */
  readonly deepest?: number;
  /** W in the mean while it runs. */
  readonly watts?: number;
  /** Dividers that go into a tray: one makes two parts of it. */
  readonly dividers?: number;
}

/** A dryer's room, as loads are planned for it. */
export const roomOf = ({ count, grams = 0, dryer = {} }: Pick<Equipment, 'count' | 'grams' | 'dryer'>) => ({
  trays: count,
  perTray: grams,
  ...(dryer.inside ? { areaCm2: dryer.inside.wide * dryer.inside.long } : {}),
  ...(dryer.deepest === undefined ? {} : { deepest: dryer.deepest }),
  ...(dryer.dividers === undefined ? {} : { dividers: dryer.dividers }),
});

export const isVessel = (thing: Pick<Equipment, 'kind'>): boolean => isAmong(VESSEL_KINDS, thing.kind);
export const isDryer = (thing: Pick<Equipment, 'kind'>): boolean => isAmong(DRYER_KINDS, thing.kind);

/** How much one of it takes, so that it can be typed again: "7 L", "700 mL", "450 g", "7.4 qt", "1 lb". */
export function sizeOf({ grams, millilitres = 0 }: Pick<Equipment, 'grams' | 'millilitres'>, set: UnitSet): string {
  if (grams !== undefined) return typedMass(grams, set);
  if (set === 'us') return `${writeNumber(millilitres / volumeOf('qt', set), 2)} qt`;
  return millilitres >= 2000 ? `${writeNumber(millilitres / 1000, 2)} L` : `${writeNumber(millilitres, 0)} mL`;
}

/** A thing of the kitchen as typed; shared by the form and the action. */
export const equipmentEntrySchema = z.object({
  kind: z.enum(EQUIPMENT_KINDS),
  name: z.string().max(60),
  /** "7 L", "700 mL", "450 g". */
  size: z.string().max(30),
  count: z.string().max(10),
  /** Of a dryer: "620 g", "20 × 45", "2", "1000", "1"; empty: not said. */
  tare: z.string().max(20).optional(),
  inside: z.string().max(30).optional(),
  deepest: z.string().max(10).optional(),
  watts: z.string().max(10).optional(),
  dividers: z.string().max(10).optional(),
});
export type EquipmentEntry = Readonly<z.infer<typeof equipmentEntrySchema>>;
