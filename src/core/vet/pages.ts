import { writeDayOnLabel, type LocalDate } from '../calendar/local-date';
import { changesOf, diaryDays, type DiaryEntry } from '../diary/diary';
import { writeAge } from '../dog/ages';
import type { Avoid } from '../dog/avoid';
import { dayEnergy, weightOn } from '../dog/day-energy';
import { asIfHere } from '../dog/days-off';
import type { Dog } from '../dog/dog';
import { mealsOn } from '../dog/meals';
import { lifeStage } from '../dog/stage';
import type { EatenDay } from '../eaten/days';
import { balanceEaten, sayKnown } from '../eaten/fortnight';
import type { EnergyFactors } from '../nutrition/energy';
import type { Profiles } from '../nutrition/profiles';
import { sayVerdict } from '../nutrition/verdict';
import { profileFor } from '../plan/dog-checks';
import { countOf } from '../quantity/count-words';
import type { UnitSet } from '../quantity/units';
import { writeKcal, writeNumber, writeNutrient, writeWeight } from '../quantity/write';
import { sure } from '../sure';
import type { Labelled } from '../eaten/gaps';
import { recipesEaten, supplementsOf, whatItAte, type Labels, type VetPot } from './eats';
import type { VetRange } from './range';
import { seenOf, weightsOf } from './seen';
import type { Section, VetSheet } from './sheet';

/** A dog as a vet asks about it. */
export interface VetDog extends Dog {
  readonly weighIns: readonly (Dog['weighIns'][number] & {
    readonly stool: string | undefined;
    readonly appetite: string | undefined;
    readonly note: string | undefined;
  })[];
  readonly avoids: readonly Avoid[];
  readonly vetNotes: readonly { readonly hazardId: string; readonly note: string }[];
}

export interface VetInputs {
  readonly dog: VetDog;
  readonly range: VetRange;
  readonly today: LocalDate;
  readonly set: UnitSet;
  readonly factors: EnergyFactors;
  readonly profiles: Pick<Profiles, 'profiles' | 'nutrients'>;
  /** Days from two weeks before the range on, so that what is new in it is known to be new. */
  readonly days: readonly EatenDay[];
  readonly pots: readonly VetPot[];
  readonly besides: readonly { readonly day: LocalDate; readonly name: string }[];
  readonly labels: Labels;
  /** The same with the food of each. */
  readonly labelled: readonly Labelled[];
  readonly diary: readonly DiaryEntry[];
  readonly words: readonly { readonly day: LocalDate; readonly words: string; readonly hasPhoto: boolean }[];
}

const FOOT =
  'Made by Hodman from what the cook weighed, pressed and wrote. Nutrients are of food tables and labels, not of a laboratory; what is not known is not counted. It is no diagnosis and no advice: that is for the vet.';

/**
 * The two pages for a dog's vet, over any days: who it is, what it eats and how much, the recipes as they were weighed, supplements by
 * their labels, nutrients against its profile with what is unknown, weights, and what was seen.
 *
 * Source: the household's own entries; profile AAFCO 2016; composition USDA SR 24 and labels; arithmetic.
 */
export function vetSheet(inputs: VetInputs): VetSheet {
  const { dog, range, today, set, factors, pots } = inputs;
  const { from, to } = range;
  const days = inputs.days.filter(({ day }) => day >= from && day <= to);
  const diary = diaryDays(from, to, inputs.diary, dog.weighIns);
  const changes = changesOf(inputs.days, (batchId) => pots.find((pot) => pot.batchId === batchId), inputs.besides);
  const weights = weightsOf(dog.weighIns, range, set);
  return {
    title: `${dog.name}: food and health, for the vet`,
    under: `${writeDayOnLabel(from)} to ${writeDayOnLabel(to)}, ${countOf(days.length, 'day')}; made on ${writeDayOnLabel(today)}`,
    sections: [
      aboutOf(inputs),
      whatItAte(days, pots),
      recipesEaten(days, pots, factors),
      supplementsOf(
        days,
        pots,
        inputs.labels,
        {
          lines: dog.bowlLines,
          weight: weightOn(dog, to),
          mealOf: (id) => dog.slots.find((slot) => slot.id === id)?.name ?? 'a meal',
        },
        factors,
      ),
      nutrientsOf(inputs, days),
      weights.section,
      seenOf(diary, inputs.words, days, changes, dog.avoids, today),
    ],
    weights: weights.shown.map(({ date, grams }) => ({ day: date, grams, said: writeWeight(grams, set) })),
    foot: FOOT,
  };
}

function aboutOf({ dog, range: { to }, set }: VetInputs): Section {
  const energy = dayEnergy(dog, to);
  const scored = dog.weighIns.findLast(({ date, bodyCondition }) => date <= to && bodyCondition !== undefined);
  // The standing ones: neither a treat of that day nor a day away is a part of them.
  const meals = mealsOn(asIfHere(dog), to, energy);
  return {
    heading: 'The dog',
    said: [],
    columns: ['', ''],
    rows: [
      ['Age', `${writeAge(dog.birthDate, to)}, born ${dog.birthDate}, ${dog.neutered ? 'neutered' : 'entire'}`],
      [
        'Weight',
        `${writeWeight(weightOn(dog, to), set)}${scored ? `; body condition ${scored.bodyCondition} of 9 on ${scored.date}` : '; body condition not known'}`,
      ],
      ...(dog.illness === undefined ? [] : [['Treated for', dog.illness]]),
      [`Ration on ${to}`, `${writeKcal(energy.kcal)} kcal a day: ${energy.because}`],
      ['Meals of it', meals.map(({ name, clock, kcal }) => `${name} ${clock}, ${writeKcal(kcal)} kcal`).join('; ')],
      ...dog.vetNotes.map(({ hazardId, note }) => ['A vet allowed', `${hazardId}: ${note}`]),
    ],
    onPaper: 12,
  };
}

function nutrientsOf(inputs: VetInputs, days: readonly EatenDay[]): Section {
  const {
    dog,
    range: { to },
    factors,
    profiles,
    pots,
  } = inputs;
  const profile = sure(profiles.profiles.find(({ id }) => id === profileFor(lifeStage(dog, to).kind)));
  const eaten = balanceEaten(days, pots, profiles, profile, factors, inputs.labelled);
  const limit = (value: number | undefined) => (value === undefined ? '' : writeNutrient(value));
  const { balance } = eaten;
  return {
    heading: `Nutrients in 1000 kcal, against ${profile.name}`,
    said: [
      sayKnown(eaten),
      ...(balance?.energyUnknown.length
        ? [`Of ${balance.energyUnknown.join(', ')} the energy is not wholly known: figures are at the most.`]
        : []),
    ],
    columns: ['Nutrient', 'Amount', 'Unit', 'At least', 'At most', 'Verdict', '% of weight known'],
    figures: [1, 3, 4, 6],
    rows: balance
      ? [
          ...balance.rows.map((row) => [
            row.name,
            row.amount === undefined ? 'not known' : writeNutrient(row.amount),
            row.unit,
            limit(row.least),
            limit(row.most),
            sayVerdict(row),
            writeNumber(row.coverage * 100, 0),
          ]),
          ...balance.ratios.map((row) => [
            row.name,
            row.value === undefined ? 'not known' : writeNutrient(row.value),
            ': 1',
            limit(row.least),
            limit(row.most),
            sayVerdict(row),
            writeNumber(row.coverage * 100, 0),
          ]),
        ]
      : [],
    onPaper: 60,
  };
}

export const vetFileName = (name: string, { from, to }: VetRange, kind: 'pdf' | 'csv'): string =>
  `${name.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '-')}-${from}-${to}.${kind}`;
