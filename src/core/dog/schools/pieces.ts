import { z } from 'zod';
import { fine } from '../../problem';
import { GRAMS_PER_OUNCE, GRAMS_PER_POUND } from '../../quantity/units';
import { amount, fromGrams, number, poundsOfDog, ruleOfThumb, times, type PortionSchool } from './school';

const schema = z.object({
  kind: z.literal('pieces'),
  ounces: amount,
  poundsOfDogPerPiece: amount,
  meals: z.number().int().min(1).max(5),
});

/** Pieces of a raw weight for so many pounds of dog. */
export const pieces: PortionSchool<z.infer<typeof schema>> = {
  ...ruleOfThumb,
  schema,
  offer: 'pieces for so many pounds',
  beside: undefined,
  usual: { kind: 'pieces', ounces: 1, poundsOfDogPerPiece: 8, meals: 2 },
  begins: { amount: '1', per: '8' },
  fields: { amount: 'oz a piece', per: 'lb of dog for one piece, twice a day' },
  units: [],
  read: ({ one }) => ({ kind: 'pieces', ounces: one('amount'), poundsOfDogPerPiece: one('per'), meals: 2 }),
  write: (own) => ({ amount: String(own.ounces), per: String(own.poundsOfDogPerPiece) }),
  say: (own) => `${number(own.ounces)} oz for ${number(own.poundsOfDogPerPiece)} lb, ${times(own.meals)}`,
  day(own, weight, food) {
    const pounds = weight / GRAMS_PER_POUND;
    const count = (pounds / own.poundsOfDogPerPiece) * own.meals;
    const mass = count * own.ounces * GRAMS_PER_OUNCE;
    const steps = [
      {
        what: poundsOfDog(pounds),
        sum: `÷ ${number(own.poundsOfDogPerPiece)} × ${own.meals} = ${number(count, 2)} pieces`,
      },
      {
        what: 'pieces',
        sum: `${number(count, 2)} × ${number(own.ounces * GRAMS_PER_OUNCE, 2)} g = ${number(mass)} g raw`,
      },
    ];
    // A piece is of a raw weight: cooked it weighs less, and holds as much (handbook 9).
    return fine(fromGrams({ low: mass, high: mass, steps }, { ...food, density: food.rawDensity ?? food.density }));
  },
};
