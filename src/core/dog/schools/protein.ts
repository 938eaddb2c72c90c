import { z } from 'zod';
import { fine, refused } from '../../problem';
import { GRAMS_PER_POUND, kilocalories } from '../../quantity/units';
import { amount, number, poundsOfDog, ruleOfThumb, type PortionSchool } from './school';

const schema = z.object({ kind: z.literal('protein'), poundsOfDogPerPound: amount });

/** Raw animal protein, counted as bought: its mark does not move with the density of the cooked food. */
export const protein: PortionSchool<z.infer<typeof schema>> = {
  ...ruleOfThumb,
  schema,
  offer: 'animal protein by weight',
  beside: undefined,
  usual: { kind: 'protein', poundsOfDogPerPound: 50 },
  begins: { per: '50' },
  fields: { per: 'lb of dog for 1 lb of raw animal protein a day' },
  units: [],
  read: ({ one }) => ({ kind: 'protein', poundsOfDogPerPound: one('per') }),
  write: (own) => ({ per: String(own.poundsOfDogPerPound) }),
  say: (own) => `1 lb raw for ${number(own.poundsOfDogPerPound)} lb of dog`,
  day(own, weight, food) {
    if (food.kcalPerAnimalGram === undefined) return refused(`${food.name} holds no animal protein to count by.`);
    const raw = weight / own.poundsOfDogPerPound;
    const kcal = kilocalories(raw * food.kcalPerAnimalGram);
    return fine({
      low: kcal,
      mark: kcal,
      high: kcal,
      steps: [
        {
          what: poundsOfDog(weight / GRAMS_PER_POUND),
          sum: `${number(weight)} g ÷ ${number(own.poundsOfDogPerPound)} = ${number(raw)} g raw`,
        },
        {
          what: 'with all that comes along',
          sum: `${number(raw)} g × ${number(food.kcalPerAnimalGram, 3)} kcal per raw g = ${number(kcal)} kcal`,
        },
      ],
    });
  },
};
