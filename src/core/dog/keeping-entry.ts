import { z } from 'zod';
import { daysBetween, readLocalDate, type LocalDate } from '../calendar/local-date';
import type { Problem } from '../problem';
import { readCount } from '../quantity/typed';
import { readQuantity } from '../quantity/read';
import type { UnitSet } from '../quantity/units';
import { bandEntrySchema, readBands } from './bands-entry';
import type { BowlLine } from './bowl-line';
import type { Dog } from './dog';
import { typed } from './entry-fields';
import type { Litter } from './stage';

type Read<T> = { ok: true; value: T } | { ok: false; problems: readonly Problem[] };

const answer = <T>(problems: readonly Problem[], value: T): Read<T> =>
  problems.length > 0 ? { ok: false, problems } : { ok: true, value };

/** An addition in the bowl as typed. */
export const bowlLineEntrySchema = z.object({
  what: typed.word,
  unit: typed.word,
  by: z.enum(['flat', 'body weight', 'bands']),
  amount: typed.number,
  /** kg of body weight that the amount is for. */
  perKg: typed.number,
  bands: z.array(bandEntrySchema).max(30),
  slotId: z.number().int().min(0).max(2_147_483_647),
  kcal: typed.number,
});
export type BowlLineEntry = Readonly<z.infer<typeof bowlLineEntrySchema>>;

/** Reads a bowl line; problems stand at their fields. Source of the dose: the label, or whoever set it. */
export function readBowlLine(entry: BowlLineEntry, set: UnitSet): Read<Omit<BowlLine, 'id'>> {
  const problems: Problem[] = [];
  const number = (text: string, field: string, message: string) => {
    const read = readCount(text);
    if (!read.ok) problems.push({ field, message });
    return read.ok ? read.value : 1;
  };
  const what = entry.what.trim();
  const unit = entry.unit.trim();
  if (what === '') problems.push({ field: 'what', message: 'What goes into the bowl?' });
  if (/^calcium(?: powder| supplement)?$/i.test(what))
    problems.push({
      field: 'what',
      message: 'Calcium itself, or a compound of it? Write “calcium carbonate”, say, or “calcium, the element”.',
    });
  if (unit === '') problems.push({ field: 'unit', message: 'In what is it counted: mL, tsp, tablets, g?' });
  // "20 lb", "10 kg", or a bare figure in the household's unit.
  const perKg = (): number => {
    const bare = /^[\d.,/ ]+$/.test(entry.perKg.trim());
    const read = readQuantity(bare ? `${entry.perKg.trim()} ${set === 'us' ? 'lb' : 'kg'}` : entry.perKg, set);
    if (read.ok && read.value.kind === 'mass') return read.value.grams / 1000;
    problems.push({ field: 'perKg', message: `For how much dog? Write it like ${set === 'us' ? '20 lb' : '10 kg'}.` });
    return 1;
  };
  const readRule = (): BowlLine['rule'] => {
    const dose = 'How much a day? A number above 0, such as 3 or 1/8.';
    if (entry.by === 'flat') return { by: 'flat', amount: number(entry.amount, 'amount', dose) };
    if (entry.by === 'body weight') {
      const amount = number(entry.amount, 'amount', dose);
      return { by: 'body weight', amount, perKg: perKg() };
    }
    const rows = readBands(entry.bands, set);
    if (!rows.ok) {
      problems.push(rows.problem);
      return { by: 'bands', bands: [] };
    }
    const bands = rows.value.map((row, index) => {
      const none = /^0([.,]0+)?$/.test(row.amount.trim());
      return {
        upTo: row.upTo,
        amount: none ? 0 : number(row.amount, `bands.${index}.amount`, 'How much, such as 1 or 1/2?'),
      };
    });
    return { by: 'bands', bands };
  };
  const rule = readRule();
  const kcalPerUnit =
    entry.kcal.trim() === '' ? undefined : number(entry.kcal, 'kcal', 'kcal in one of them, from the label.');
  return answer(problems, { what, unit, rule, slotId: entry.slotId, kcalPerUnit });
}

/** A litter as typed. */
export const litterEntrySchema = z.object({
  matedOn: typed.day,
  whelpedOn: typed.day,
  pups: typed.number,
  weanedOn: typed.day,
});
export type LitterEntry = Readonly<z.infer<typeof litterEntrySchema>>;

/** No litter larger is known (from memory: 24). */
const MOST_PUPS = 24;

/** Reads a litter; refuses days in the future where they cannot be, a wrong order, and a neutered dog. */
export function readLitter(entry: LitterEntry, dog: Dog, today: LocalDate): Read<Litter> {
  const problems: Problem[] = [];
  const day = (field: 'matedOn' | 'whelpedOn' | 'weanedOn') => {
    const text = entry[field].trim();
    if (text === '') return undefined;
    const read = readLocalDate(text);
    if (!read) problems.push({ field, message: 'This is no day of the calendar.' });
    else if (read > today) problems.push({ field, message: 'This day has not come yet.' });
    else if (daysBetween(dog.birthDate, read) < 180)
      problems.push({ field, message: `${dog.name} was too young then.` });
    return read;
  };
  const matedOn = day('matedOn');
  const whelpedOn = day('whelpedOn');
  const weanedOn = day('weanedOn');
  if (dog.neutered) problems.push({ field: 'matedOn', message: `${dog.name} is kept as neutered. Change that first.` });
  if (!matedOn && !whelpedOn && problems.length === 0) {
    problems.push({ field: 'matedOn', message: 'Give the day of mating, or the day the pups were born.' });
  }
  if (matedOn && whelpedOn && (daysBetween(matedOn, whelpedOn) < 50 || daysBetween(matedOn, whelpedOn) > 75)) {
    problems.push({ field: 'whelpedOn', message: 'Pups come 58 to 70 days after mating. Check both days.' });
  }
  if (whelpedOn && weanedOn && weanedOn <= whelpedOn) {
    problems.push({ field: 'weanedOn', message: 'Weaned before they were born? Check both days.' });
  }
  const pups = entry.pups.trim() === '' ? undefined : Number(entry.pups);
  if (pups !== undefined && !(Number.isInteger(pups) && pups >= 0 && pups <= MOST_PUPS)) {
    problems.push({ field: 'pups', message: `A whole number of pups, up to ${MOST_PUPS}.` });
  }
  if (whelpedOn && pups === undefined) problems.push({ field: 'pups', message: 'How many pups does she nurse?' });
  return answer(problems, { matedOn, whelpedOn, pups, weanedOn });
}
