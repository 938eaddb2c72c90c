import { fine, refused, type Outcome } from '../problem';
import { readCount, readScale } from '../quantity/typed';
import type { UnitSet } from '../quantity/units';
import { typedMass } from '../quantity/write';
import { readAmount } from './typed-amount';
import { z } from 'zod';
import {
  equipmentEntrySchema,
  isDryer,
  sizeOf,
  type DryerSpec,
  type Equipment,
  type EquipmentEntry,
} from './equipment';

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
  if (!isDryer(entry)) return fine({ kind: entry.kind, name, count, ...size.value });
  const dryer = readDryer(entry, set);
  if (!dryer.ok) return dryer;
  const isSaid = Object.keys(dryer.value).length > 0;
  return fine({ kind: entry.kind, name, count, ...size.value, ...(isSaid ? { dryer: dryer.value } : {}) });
}

/** What else is said of a dryer; what is left empty is not known. */
function readDryer(entry: EquipmentEntry, set: UnitSet): Outcome<DryerSpec> {
  const figure = (
    text: string | undefined,
    field: string,
    most: number,
    asked: string,
  ): Outcome<number | undefined> => {
    if ((text ?? '').trim() === '') return fine(undefined);
    const read = readCount(text ?? '');
    return read.ok && read.value >= 0 && read.value <= most ? read : refused(asked, field);
  };
  const tare = (entry.tare ?? '').trim() === '' ? fine(undefined) : readScale(entry.tare ?? '', 'asked', set);
  if (!tare.ok) return { ...tare, problem: { ...tare.problem, field: 'tare' } };
  if (tare.value !== undefined && tare.value > 5000) return refused('What does one tray weigh empty?', 'tare');
  const inside = (entry.inside ?? '').trim();
  const sides = /^(\d+(?:[.,]\d+)?)\s*[x×*]\s*(\d+(?:[.,]\d+)?)\s*(?:cm)?$/i.exec(inside);
  const [wide, long] = [sides?.[1], sides?.[2]].map((side) => Number((side ?? '').replace(',', '.')));
  const isSize = (side: number | undefined): side is number => side !== undefined && side > 3 && side < 120;
  if (inside !== '' && !(isSize(wide) && isSize(long)))
    return refused('The inside of one tray in cm, like 20 × 45.', 'inside');
  const deepest = figure(entry.deepest, 'deepest', 6, 'How deep may food lie on it? Centimetres up to 6.');
  if (!deepest.ok) return deepest;
  const watts = figure(entry.watts, 'watts', 5000, 'Watts in the mean while it runs, up to 5000.');
  if (!watts.ok) return watts;
  const dividers = figure(entry.dividers, 'dividers', 10, 'How many dividers go into a tray? Up to 10.');
  if (!dividers.ok || !Number.isInteger(dividers.value ?? 0))
    return refused('How many dividers go into a tray? A whole number up to 10.', 'dividers');
  return fine({
    ...(tare.value === undefined ? {} : { tare: Math.round(tare.value) }),
    ...(isSize(wide) && isSize(long) && inside !== '' ? { inside: { wide, long } } : {}),
    ...(deepest.value ? { deepest: deepest.value } : {}),
    ...(watts.value ? { watts: watts.value } : {}),
    ...(dividers.value ? { dividers: dividers.value } : {}),
  });
}

/** A thing as it was typed, to be changed. */
export const typedEquipment = (thing: Equipment, set: UnitSet): EquipmentEntry => ({
  kind: thing.kind,
  name: thing.name,
  size: sizeOf(thing, set),
  count: String(thing.count),
  ...(isDryer(thing)
    ? {
        tare: thing.dryer?.tare === undefined ? '' : typedMass(thing.dryer.tare, set),
        inside: thing.dryer?.inside ? `${thing.dryer.inside.wide} × ${thing.dryer.inside.long}` : '',
        deepest: typedFigure(thing.dryer?.deepest),
        watts: typedFigure(thing.dryer?.watts),
        dividers: typedFigure(thing.dryer?.dividers),
      }
    : {}),
});

const typedFigure = (figure: number | undefined): string => (figure === undefined ? '' : String(figure));

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
