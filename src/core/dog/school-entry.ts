import type { Problem } from '../problem';
import { readSpan } from '../quantity/reading';
import type { UnitSet } from '../quantity/units';
import { readBands, type BandEntry } from './bands-entry';
import type { School, SchoolKind, WeightBand } from './schools';

/** A school's figures as typed; which of them count depends on the school. */
export interface SchoolEntry {
  readonly amount: string;
  readonly per: string;
  readonly unit: 'g' | 'cup' | 'kcal';
  readonly by: string;
  readonly makes: string;
  readonly bands: readonly BandEntry[];
}

export const NO_SCHOOL: SchoolEntry = { amount: '', per: '', unit: 'g', by: '', makes: '1', bands: [] };

/** The usual figures of a school, as a cook would type them. Source: common practice, no source. */
export const USUAL_ENTRY: Readonly<Record<SchoolKind, Partial<SchoolEntry>>> = {
  protein: { per: '50' },
  pieces: { amount: '1', per: '8' },
  cups: { amount: '1/2', per: '20-25' },
  percent: { amount: '2-3' },
  'like for like': { amount: '2' },
  'weight table': { unit: 'g', makes: '1' },
  prescribed: { amount: '', unit: 'kcal', by: 'the vet' },
};

/** What the fields of a school are called; a field without a name is not asked for. */
export const SCHOOL_FIELDS: Readonly<
  Record<SchoolKind, Partial<Record<'amount' | 'per' | 'by' | 'makes' | 'unit', string>>>
> = {
  protein: { per: 'lb of dog for 1 lb of raw animal protein a day' },
  pieces: { amount: 'oz a piece', per: 'lb of dog for one piece, twice a day' },
  cups: { amount: 'cups a meal, two meals a day', per: 'lb of dog' },
  percent: { amount: '% of body weight a day' },
  'like for like': { amount: 'cups a day of the food before' },
  'weight table': { unit: 'The table counts in', makes: 'One part becomes, when mixed' },
  prescribed: { amount: 'A day', unit: 'in', by: 'Set by' },
};

/** Reads a school as typed. Problems stand at `amount`, `per`, `by`, `makes` and the rows of `bands`. */
export function readSchool(
  kind: SchoolKind,
  entry: SchoolEntry,
  set: UnitSet,
): { ok: true; value: School } | { ok: false; problems: readonly Problem[] } {
  const problems: Problem[] = [];
  const span = (field: 'amount' | 'per' | 'makes') => {
    const read = readSpan(entry[field]);
    if (!read.ok) problems.push({ message: read.problem.message, field });
    return read.ok ? read.value : { low: 1, high: 1 };
  };
  const one = (field: 'amount' | 'per' | 'makes') => {
    const { low, high } = span(field);
    if (low !== high) problems.push({ message: 'One number here, not a range.', field });
    return low;
  };
  const read = (): School => {
    switch (kind) {
      case 'protein':
        return { kind, poundsOfDogPerPound: one('per') };
      case 'pieces':
        return { kind, ounces: one('amount'), poundsOfDogPerPiece: one('per'), meals: 2 };
      case 'cups':
        return { kind, cups: one('amount'), ...span('per'), meals: 2 };
      case 'percent': {
        const percent = span('amount');
        if (percent.high > 20) problems.push({ message: 'No dog eats a fifth of its weight a day.', field: 'amount' });
        return { kind, ...percent };
      }
      case 'like for like':
        return { kind, cups: one('amount') };
      case 'prescribed':
        return { kind, ...span('amount'), unit: entry.unit, by: entry.by.trim() || 'the vet' };
      case 'weight table':
        return {
          kind,
          unit: entry.unit === 'cup' ? 'cup' : 'g',
          bands: readRows(entry, set, problems),
          makes: one('makes'),
        };
    }
  };
  const school = read();
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: school };
}

function readRows(entry: SchoolEntry, set: UnitSet, problems: Problem[]): WeightBand[] {
  const rows = readBands(entry.bands, set);
  if (!rows.ok) {
    problems.push(rows.problem);
    return [];
  }
  return rows.value.map((row, index) => {
    const amount = readSpan(row.amount);
    if (!amount.ok) problems.push({ message: amount.problem.message, field: `bands.${index}.amount` });
    const { low, high } = amount.ok ? amount.value : { low: 1, high: 1 };
    return { upTo: row.upTo, low, high };
  });
}
