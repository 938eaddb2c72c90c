import { fine, refused, type Outcome } from '../problem';
import type { UnitSet } from '../quantity/units';
import { readAmount } from './typed-amount';
import { isDryer, sizeOf, type Equipment, type EquipmentEntry } from './equipment';

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

/** A small kitchen to begin with (common practice, no source). */
export const exampleKitchen = (set: UnitSet): readonly EquipmentEntry[] => [
  { kind: 'pot', name: 'big pot', size: set === 'us' ? '8 qt' : '7 L', count: '1' },
  { kind: 'oven trays', name: 'oven trays', size: set === 'us' ? '2 lb 8 oz' : '1.2 kg', count: '2' },
  { kind: 'container', name: 'tubs', size: set === 'us' ? '1 lb' : '450 g', count: '20' },
];
