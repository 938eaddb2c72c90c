import { fine, refused, type Outcome } from '../problem';
import type { UnitSet } from '../quantity/units';
import { readAmount } from './typed-amount';
import { z } from 'zod';
import { equipmentEntrySchema, isDryer, sizeOf, type Equipment, type EquipmentEntry } from './equipment';

/** How a size is asked for, by the kind of thing. */
export function sizeAsked(kind: EquipmentEntry['kind'], set: UnitSet): string {
  const us = set === 'us';
  if (kind === 'container') return `What does one hold? Write it like ${us ? '2 cups or 1 lb' : '700 mL or 450 g'}.`;
  if (kind === 'oven trays' || isDryer({ kind }))
    return `What goes on one tray? Write it like ${us ? '3 lb' : '1.4 kg'}.`;
  return `How much does it hold? Write it like ${us ? '8 qt' : '7 L'}.`;
}

/** Reads a thing of the kitchen, and refuses at its field what cannot be. */
export function readEquipment(entry: EquipmentEntry, set: UnitSet): Outcome<Omit<Equipment, 'id'>> {
  const name = entry.name.trim();
  if (name === '') return refused('What is it called in this kitchen?', 'name');
  const size = readAmount(entry.size, set, 'size', sizeAsked(entry.kind, set));
  if (!size.ok) return size;
  const byWeight = 'grams' in size.value;
  const onTrays = entry.kind === 'oven trays' || isDryer(entry);
  if (byWeight !== onTrays && entry.kind !== 'container') return refused(sizeAsked(entry.kind, set), 'size');
  const count = /^\d{1,4}$/.test(entry.count.trim()) ? Number(entry.count) : 0;
  if (count < 1) return refused('How many of them? A whole number from 1.', 'count');
  return fine({ kind: entry.kind, name, count, ...size.value });
}

/** A thing as it was typed, to be changed. */
export const typedEquipment = (thing: Equipment, set: UnitSet): EquipmentEntry => ({
  kind: thing.kind,
  name: thing.name,
  size: sizeOf(thing, set),
  count: String(thing.count),
});

/** A thing that many kitchens have, with the size that it usually has. */
export interface ThingToTick {
  readonly entry: EquipmentEntry;
  /** Most kitchens have it: ticked to begin with. */
  readonly usual: boolean;
}

/** What a kitchen may have, to be ticked by a cook who begins, sizes to be changed there (common practice, no source). */
export const kitchenToTick = (set: UnitSet): readonly ThingToTick[] => {
  const us = set === 'us';
  const thing = (kind: EquipmentEntry['kind'], name: string, size: string, count = '1', usual = false) => ({
    entry: { kind, name, size, count },
    usual,
  });
  return [
    thing('pot', 'big pot', us ? '8 qt' : '7 L', '1', true),
    thing('container', 'tubs', us ? '1 lb' : '450 g', '20', true),
    thing('oven trays', 'oven trays', us ? '2 lb 8 oz' : '1.2 kg', '2'),
    thing('pressure cooker', 'pressure cooker', us ? '6 qt' : '6 L'),
    thing('slow cooker', 'slow cooker', us ? '6 qt' : '5 L'),
    thing('dehydrator', 'dehydrator', us ? '1 lb' : '400 g', '5'),
    thing('freeze-dryer', 'freeze-dryer', us ? '3 lb' : '1.4 kg', '4'),
  ];
};

/** The room for packs in a usual freezer: two drawers (common practice, no source). */
export const usualFreezer = (set: UnitSet): string => (set === 'us' ? '60 qt' : '60 L');

/** What a cook ticked to begin with. */
export const kitchenTicksSchema = z.object({
  things: z.array(equipmentEntrySchema).max(20).readonly(),
  /** How much the freezer takes, as typed; absent: not ticked. */
  freezer: z.string().max(30).optional(),
});
export type KitchenTicks = z.infer<typeof kitchenTicksSchema>;
