import { writeFixed } from '../quantity/write';
import { z } from 'zod';
import { fine, refused, type CommandResult, type Outcome, type Problem } from '../problem';
import { readScale } from '../quantity/typed';
import { asksWhat, ENERGY_PER, LABEL_UNITS, labelKcalPer100, labelSchema, readLabel, type Label } from './label';

/** What a label counts in. */
export const LABEL_MEASURES = [
  'tsp',
  'tbsp',
  'capsule',
  'tablet',
  'softgel',
  'pump',
  'scoop',
  'drop',
  'sachet',
  'cup',
  'g',
] as const;

/** The crude figures of a bag, as typed. */
const crudeEntrySchema = z.object({
  protein: z.string().max(20).optional(),
  fat: z.string().max(20).optional(),
  fibre: z.string().max(20).optional(),
  moisture: z.string().max(20).optional(),
  ash: z.string().max(20).optional(),
});
export const CRUDE_NAMES = ['protein', 'fat', 'fibre', 'moisture', 'ash'] as const;

/** A label as typed. */
export const supplyEntrySchema = z.object({
  name: z.string().max(120),
  measure: z.enum(LABEL_MEASURES),
  measureGrams: z.string().max(30),
  amounts: z
    .array(
      z.object({
        nutrient: z.string().max(60),
        amount: z.string().max(30),
        unit: z.enum(LABEL_UNITS),
        as: z.string().max(80).optional(),
      }),
    )
    .max(60),
  otherMeasures: z
    .array(z.object({ unit: z.enum(LABEL_MEASURES), grams: z.string().max(30) }))
    .max(8)
    .optional(),
  kcal: z.string().max(20).optional(),
  kcalPer: z.enum(ENERGY_PER).optional(),
  crude: crudeEntrySchema.optional(),
  gramsPerMl: z.string().max(20).optional(),
  price: z.string().max(20).optional(),
  priceGrams: z.string().max(20).optional(),
  mostPerKg: z.string().max(20).optional(),
});
export type SupplyEntry = z.infer<typeof supplyEntrySchema>;

/** A plain figure above 0, with a point or a comma; undefined where nothing is typed. */
function readFigure(text: string | undefined, field: string, message: string): Outcome<number | undefined> {
  const typed = (text ?? '').trim();
  if (typed === '') return fine(undefined);
  const value = /^\d{1,9}(?:[.,]\d{1,6})?$/.test(typed) ? Number(typed.replace(',', '.')) : NaN;
  return value > 0 ? fine(value) : refused(message, field);
}

/**
 * Reads a label as typed. Refuses at its field what cannot be: no name, no weight of the measure, an amount that is no
 * figure, a mineral that does not say whether it is the element, rows heavier than their measure.
 */
export function readSupply(entry: SupplyEntry): CommandResult<{ readonly name: string; readonly label: Label }> {
  const problems: Problem[] = [];
  const take = <T>(outcome: Outcome<T>): T | undefined => {
    if (outcome.ok) return outcome.value;
    problems.push(outcome.problem);
    return undefined;
  };
  const name = entry.name.trim();
  if (name === '') problems.push({ field: 'name', message: 'What does it say on the front?' });
  const weight = entry.measure === 'g' ? fine(1) : readScale(entry.measureGrams);
  const measureGrams = weight.ok && weight.value > 0 ? weight.value : undefined;
  if (measureGrams === undefined)
    problems.push({
      field: 'measureGrams',
      message: `What does one ${entry.measure} weigh, in g? Weigh ten if one is too light.`,
    });
  const amounts = entry.amounts.map((row, index) => ({
    nutrient: row.nutrient,
    amount: take(neededFigure(row.amount, `amounts.${index}.amount`)) ?? NaN,
    unit: row.unit,
    ...(asksWhat(row) && row.as ? { as: row.as } : {}),
  }));
  const otherMeasures = (entry.otherMeasures ?? []).flatMap(({ unit, grams: typed }, index) => {
    const read = readScale(typed);
    if (read.ok && read.value > 0) return [{ unit, grams: Number(read.value) }];
    problems.push({ field: `otherMeasures.${index}.grams`, message: `What does one ${unit} weigh, in g?` });
    return [];
  });
  const kcal = take(readFigure(entry.kcal, 'kcal', 'A figure above 0, as printed: 3600 kcal.'));
  const crude = Object.fromEntries(
    CRUDE_NAMES.flatMap((name) => {
      const value = take(readPercent(entry.crude?.[name], `crude.${name}`));
      return value === undefined ? [] : [[name, value]];
    }),
  );
  const gramsPerMl = take(readFigure(entry.gramsPerMl, 'gramsPerMl', 'g in one mL, such as 0.92 for an oil.'));
  const price = take(readFigure(entry.price, 'price', 'A price above 0, such as 12.50.'));
  const forGrams = price === undefined ? undefined : readScale(entry.priceGrams ?? '');
  if (forGrams && !(forGrams.ok && forGrams.value > 0))
    problems.push({ field: 'priceGrams', message: 'For how many g is that?' });
  const mostPerKg = take(
    readFigure(entry.mostPerKg, 'mostPerKg', `How many ${entry.measure} for each kg of dog and day?`),
  );
  if (problems.length > 0 || measureGrams === undefined) return { ok: false, problems };
  const label: Label = {
    measure: entry.measure,
    measureGrams,
    amounts,
    ...(otherMeasures.length === 0 ? {} : { otherMeasures }),
    ...(kcal === undefined ? {} : { energy: { kcal, per: entry.kcalPer ?? 'kg' } }),
    ...(Object.keys(crude).length === 0 ? {} : { crude }),
    ...(gramsPerMl === undefined ? {} : { gramsPerMl }),
    ...(price !== undefined && forGrams?.ok
      ? { price: { minor: Math.round(price * 100), grams: Number(forGrams.value) } }
      : {}),
    ...(mostPerKg === undefined ? {} : { mostPerKg }),
  };
  // A cup of how many mL does not matter here: without its weight no energy follows from it.
  if (label.energy?.per === 'cup' && labelKcalPer100(label, 'us') === undefined)
    return { ok: false, problems: [{ field: 'kcal', message: 'What does one cup of it weigh? Add the cup below.' }] };
  // A file of recipes is held to the same: what is typed here can be taken out and in again.
  const shape = labelSchema.safeParse(label);
  if (!shape.success) {
    const field = shape.error.issues[0]?.path.map(String).join('.') ?? '';
    return {
      ok: false,
      problems: [{ field: formField(field), message: 'That is more than a label has. Check the figure.' }],
    };
  }
  const read = readLabel(label);
  return read.ok ? { ok: true, value: { name, label } } : { ok: false, problems: [read.problem] };
}

/** The field of the form that a part of the label was typed in. */
const formField = (path: string) =>
  path.startsWith('energy')
    ? 'kcal'
    : path.startsWith('price')
      ? path.endsWith('grams')
        ? 'priceGrams'
        : 'price'
      : path;

/** A percentage from 0 to 100; undefined where nothing is typed. */
function readPercent(text: string | undefined, field: string): Outcome<number | undefined> {
  const typed = (text ?? '').replace('%', '').trim().replace(',', '.');
  if (typed === '') return fine(undefined);
  const value = /^\d{1,3}(\.\d{1,3})?$/.test(typed) ? Number(typed) : NaN;
  return value <= 100 ? fine(value) : refused('A percentage from 0 to 100, as printed.', field);
}

/** What a label prints of a nutrient: 0 is known, and not the same as nothing printed. */
function neededFigure(text: string, field: string): Outcome<number> {
  if (/^0+(?:[.,]0+)?$/.test(text.trim())) return fine(0);
  const figure = readFigure(text, field, 'A figure, as printed.');
  if (!figure.ok) return figure;
  return figure.value === undefined ? refused('How much, as printed?', field) : fine(figure.value);
}

/** A stored label as it would be typed. */
export const supplyEntryOf = (name: string, label: Label): SupplyEntry => ({
  name,
  measure: label.measure as SupplyEntry['measure'],
  measureGrams: String(label.measureGrams),
  amounts: label.amounts.map((row) => ({ ...row, amount: String(row.amount) })),
  ...(label.otherMeasures === undefined
    ? {}
    : {
        otherMeasures: label.otherMeasures.map(({ unit, grams }) => ({
          unit: unit as SupplyEntry['measure'],
          grams: String(grams),
        })),
      }),
  ...(label.energy === undefined ? {} : { kcal: String(label.energy.kcal), kcalPer: label.energy.per }),
  ...(label.crude === undefined
    ? {}
    : { crude: Object.fromEntries(Object.entries(label.crude).map(([name, value]) => [name, String(value)])) }),
  ...(label.gramsPerMl === undefined ? {} : { gramsPerMl: String(label.gramsPerMl) }),
  ...(label.price === undefined
    ? {}
    : { price: writeFixed(label.price.minor / 100, 2), priceGrams: String(label.price.grams) }),
  ...(label.mostPerKg === undefined ? {} : { mostPerKg: String(label.mostPerKg) }),
});

/** Price of one g in minor units, where the label has one. */
export const pricePerGram = (label: Pick<Label, 'price'>): number | undefined =>
  label.price && label.price.minor / label.price.grams;
