import { z } from 'zod';
import { LABEL_NUTRIENTS, type Composition, type Nutrient } from '../nutrition/nutrients';
import { fine, refused, type Outcome } from '../problem';
import { compoundsOf } from './compounds';
import { volumeOf, type UnitSet } from '../quantity/units';
import type { Food, FoodMeasure, KnownFood } from './food';
import { ownMeasure } from './measures';
import { sure } from '../sure';
import { addUp } from '../add-up';

export const LABEL_UNITS = ['g', 'mg', 'µg', 'IU', '%'] as const;
export type LabelUnit = (typeof LABEL_UNITS)[number];

/** What a label's energy is printed for. */
export const ENERGY_PER = ['kg', 'cup', 'measure'] as const;
/** g: what a scale is asked for at the most, as `readScale` has it. */
const MOST_GRAMS = 200_000;

const percent = z.number().min(0).max(100);

/** One row of a label, as printed. */
export const labelAmountSchema = z.object({
  nutrient: z.string().max(60),
  /** 0 is known, and not the same as nothing printed. */
  amount: z.number().min(0).max(1e6),
  unit: z.enum(LABEL_UNITS),
  /** What the amount is of: the element itself, a compound by name, or a form of vitamin E. */
  as: z.string().max(80).optional(),
});

/** A label: amounts in one measure, what that measure weighs, what it costs, how much of it is too much. */
export const labelSchema = z.object({
  measure: z.string().min(1).max(30),
  measureGrams: z.number().positive().max(MOST_GRAMS),
  amounts: z.array(labelAmountSchema).max(60),
  /** What else it is counted in: cups of a base mix, scoops. */
  otherMeasures: z
    .array(z.object({ unit: z.string().min(1).max(30), grams: z.number().positive().max(MOST_GRAMS) }))
    .max(8)
    .optional(),
  /** Its energy as printed: kcal in a kg, in a cup, or in one of the measure. */
  energy: z.object({ kcal: z.number().positive().max(1e6), per: z.enum(ENERGY_PER) }).optional(),
  /** What a bag prints as crude, in percent as fed; a least or a most, so that what follows is an estimate. */
  crude: z
    .object({
      protein: percent.optional(),
      fat: percent.optional(),
      fibre: percent.optional(),
      moisture: percent.optional(),
      ash: percent.optional(),
    })
    .optional(),
  /** g in one mL, where it is poured or spooned. */
  gramsPerMl: z.number().positive().max(20).optional(),
  /** Minor units of the household's currency for so many g. */
  price: z
    .object({ minor: z.number().int().positive().max(1e9), grams: z.number().positive().max(MOST_GRAMS) })
    .optional(),
  /** Measures for each kg of body weight and day that the label allows at the most. */
  mostPerKg: z.number().positive().max(1e4).optional(),
});
export type Label = Readonly<z.infer<typeof labelSchema>>;
export type LabelAmount = Label['amounts'][number];

const IN_G: Readonly<Record<'g' | 'mg' | 'µg', number>> = { g: 1, mg: 1e-3, µg: 1e-6 };

/** Whether a row has to say what it is of: a mineral by weight, or vitamin E by weight. */
export const asksWhat = ({ nutrient, unit }: Pick<LabelAmount, 'nutrient' | 'unit'>): boolean => {
  const known = LABEL_NUTRIENTS[nutrient];
  return unit !== 'IU' && (known?.element === true || known?.forms !== undefined);
};

/** The g of a row as printed, for one measure; undefined for IU, which weigh next to nothing. */
const printedGrams = (row: LabelAmount, measureGrams: number): number | undefined =>
  row.unit === 'IU' ? undefined : row.unit === '%' ? (row.amount / 100) * measureGrams : row.amount * IN_G[row.unit];

/** One row in the unit of its column, for one measure. */
function inColumn(row: LabelAmount, measureGrams: number): Outcome<number> {
  const known = LABEL_NUTRIENTS[row.nutrient];
  if (!known) return refused('Choose a nutrient.', 'nutrient');
  if (row.unit === 'IU')
    return known.iu === undefined
      ? refused(`${row.nutrient} is not counted in IU.`, 'unit')
      : fine(row.amount * known.iu);
  const printed = sure(printedGrams(row, measureGrams));
  if (known.iuPerMicrogram !== undefined) return fine(printed * 1e6 * known.iuPerMicrogram);
  if (known.forms) {
    const form = known.forms[row.as ?? ''];
    return form === undefined
      ? refused('Which vitamin E is it? Natural and synthetic count differently.', 'as')
      : fine(printed * 1000 * form * (known.iu ?? 1));
  }
  const unit = known.unit === 'IU' ? 'g' : known.unit;
  if (known.element && row.as !== 'element') {
    const compound = compoundsOf(row.nutrient).find((each) => each.name === row.as);
    if (!compound) return refused(`Is that ${row.nutrient} itself, or a compound of it?`, 'as');
    return fine((printed * compound.share) / IN_G[unit]);
  }
  return fine(printed / IN_G[unit]);
}

/** g of all rows together: fatty acids are a part of the fat, fibre of the carbohydrate. */
function weightOf(printed: Readonly<Record<string, number>>): number {
  const { fat = 0, carbohydrate = 0, fibre = 0, ...rest } = printed;
  const acids = ['EPA + DHA', 'alpha-linolenic acid', 'linoleic acid'];
  const ofFat = addUp(acids, (name) => rest[name] ?? 0);
  const others = Object.entries(rest).reduce((sum, [name, g]) => (acids.includes(name) ? sum : sum + g), 0);
  return others + Math.max(fat, ofFat) + Math.max(carbohydrate, fibre);
}

/** Crude figures of a bag by their columns. */
const CRUDE: readonly [keyof NonNullable<Label['crude']>, Nutrient][] = [
  ['protein', 'protein_g'],
  ['fat', 'fat_g'],
  ['fibre', 'fiber_g'],
  ['moisture', 'water_g'],
  ['ash', 'ash_g'],
];

/** g of one cup by the label's own measures; undefined where it says none. */
const cupGrams = (
  { measure, measureGrams, otherMeasures = [], gramsPerMl }: Label,
  set: UnitSet,
): number | undefined =>
  measure === 'cup'
    ? measureGrams
    : (otherMeasures.find(({ unit }) => unit === 'cup')?.grams ??
      (gramsPerMl === undefined ? undefined : gramsPerMl * volumeOf('cup', set)));

/**
 * kcal in 100 g as the label prints it; undefined where it prints none, or for a cup that nobody has weighed.
 * Source: the label.
 */
export function labelKcalPer100(label: Label, set: UnitSet): number | undefined {
  const { energy, measureGrams } = label;
  if (!energy) return undefined;
  const grams = energy.per === 'kg' ? 1000 : energy.per === 'cup' ? cupGrams(label, set) : measureGrams;
  return grams === undefined ? undefined : (energy.kcal / grams) * 100;
}

/** What follows from a bag's crude figures, and is an estimate: the columns that they fill. */
export const estimatedOf = (label: Pick<Label, 'crude' | 'amounts'>): readonly Nutrient[] => {
  const printed = CRUDE.filter(([name]) => label.crude?.[name] !== undefined).map(([, column]) => column);
  // What a row of its own says is no estimate.
  const said = new Set(label.amounts.map(({ nutrient }) => LABEL_NUTRIENTS[nutrient]?.column));
  const byDifference = carbohydrateOf(label.crude) === undefined ? [] : (['carbohydrate_g'] as const);
  return [...printed, ...byDifference].filter((column) => !said.has(column));
};

/** Carbohydrate by difference, fibre in it: only where protein, fat, moisture and ash are all printed. */
function carbohydrateOf(crude: Label['crude']): number | undefined {
  if (crude?.protein === undefined || crude.fat === undefined) return undefined;
  if (crude.moisture === undefined || crude.ash === undefined) return undefined;
  return Math.max(0, 100 - crude.protein - crude.fat - crude.moisture - crude.ash);
}

/**
 * Reads a label into a composition per 100 g. What the label does not name stays unknown.
 *
 * Refuses at its field a row without what it is of, a unit that its nutrient is not counted in, a nutrient named
 * twice, and a label whose rows weigh more than the measure. Source: units as in handbook 3; stoichiometry.
 */
export function readLabel(label: Label): Outcome<Composition> {
  const per100: Partial<Record<Nutrient, number>> = {};
  const printed: Record<string, number> = {};
  for (const [index, row] of label.amounts.entries()) {
    const value = inColumn(row, label.measureGrams);
    if (!value.ok) return refused(value.problem.message, `amounts.${index}.${value.problem.field}`);
    const { column } = sure(LABEL_NUTRIENTS[row.nutrient]);
    if (per100[column] !== undefined) return refused(`${row.nutrient} stands here twice.`, `amounts.${index}.nutrient`);
    per100[column] = (value.value / label.measureGrams) * 100;
    printed[row.nutrient] = printedGrams(row, label.measureGrams) ?? 0;
  }
  const crude = label.crude ?? {};
  const sum = (crude.protein ?? 0) + (crude.fat ?? 0) + (crude.moisture ?? 0) + (crude.ash ?? 0);
  if (sum > 100 + 1e-9)
    return refused(`These come to ${Number(sum.toPrecision(4))} %, more than all of it.`, 'crude.protein');
  // An amount of its own row goes before a crude one, which is a least or a most.
  for (const [name, column] of CRUDE) if (crude[name] !== undefined) per100[column] ??= crude[name];
  const carbohydrate = carbohydrateOf(label.crude);
  if (carbohydrate !== undefined) per100.carbohydrate_g ??= carbohydrate;
  const weight = weightOf(printed);
  if (weight > label.measureGrams * (1 + 1e-9))
    return refused(
      `These rows weigh ${Number(weight.toPrecision(4))} g, more than the ${label.measureGrams} g of one ${label.measure}. Check the units.`,
      'measureGrams',
    );
  // What a label calls vitamin A is counted against its maximum too.
  if (per100.vitamin_a_iu !== undefined) per100.retinol_ug = per100.vitamin_a_iu * 0.3;
  return fine(per100);
}

/** A supply as a food with its measures. Throws where the label was never read: that is a programmer's error. */
export function supplyAsFood(
  supply: { readonly id: number; readonly name: string; readonly label: Label },
  set: UnitSet,
): KnownFood {
  const per100 = readLabel(supply.label);
  if (!per100.ok) throw new Error(`the label of ${supply.name} cannot be: ${per100.problem.message}`);
  const { measure, measureGrams, otherMeasures = [], gramsPerMl } = supply.label;
  const kcal = labelKcalPer100(supply.label, set);
  const estimated = estimatedOf(supply.label);
  const food: Food = {
    ndb: `L${supply.id}`,
    name: supply.name,
    group: 'Supplement',
    per100: kcal === undefined ? per100.value : { ...per100.value, energy_kcal: kcal },
    ...(kcal === undefined ? {} : { labelEnergy: true as const }),
    ...(estimated.length === 0 ? {} : { estimated }),
  };
  const measures: FoodMeasure[] = [
    ownMeasure(measure, measureGrams, set),
    ...otherMeasures.map(({ unit, grams }) => ownMeasure(unit, grams, set)),
  ];
  if (gramsPerMl !== undefined && !measures.some(({ unit }) => unit === 'cup'))
    measures.push(ownMeasure('cup', gramsPerMl * volumeOf('cup', set), set));
  return { food, measures };
}
