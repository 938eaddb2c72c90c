import { dogOf } from '../../../tests/fixtures/dogs';
import { grams } from '../quantity/units';
import { addDays, type LocalDate } from '../calendar/local-date';
import { eaterOn, sayFit, sayFits, stomachFit } from './stomach';

const DAY = '2026-11-25' as LocalDate;
const pup = eaterOn(
  dogOf(8, DAY, { name: 'Wren', birthDate: addDays(DAY, -122), expectedAdultWeight: grams(19_000) }),
  DAY,
);
const grown = eaterOn(dogOf(26, DAY, { name: 'Juniper' }), DAY);

// Handbook 13 (common veterinary practice, from memory): an 8-kg pup, 1174 kcal in three meals: of 0.60 kcal/g 652 g a meal, 82 mL/kg,
// does not fit; of 1.30 kcal/g 301 g, 38 mL/kg.
test.each([
  [pup, 1174 / 0.6, 3, 'does not fit', true, 82],
  [pup, 1174 / 1.3, 3, 'fits', false, 38],
  [pup, 1174 / 1.3, 2, 'large', false, 56],
  [grown, 2717, 2, 'large', true, 52],
  [grown, 1200, 2, 'fits', false, 23],
  [grown, 2000, 1, 'large', false, 77],
  [grown, 2130, 1, 'does not fit', true, 82],
] as const)('portion %#', (dog, day, meals, meal, isThin, mlPerKg) => {
  const fit = stomachFit(
    dog,
    Array.from({ length: meals }, () => day / meals),
  );
  expect(fit).toMatchObject({ meal, isThin });
  expect(Math.round(fit.mlPerKg)).toBe(mlPerKg);
  const said = sayFit(
    dog,
    Array.from({ length: meals }, () => day / meals),
  );
  expect(said === undefined).toBe(meal === 'fits' && !isThin);
  expect(said?.isTooMuch ?? false).toBe(meal === 'does not fit');
});

test('what is said names what helps', () => {
  expect(sayFit(pup, [652, 652, 652])!.said).toMatch(/does not fit into Wren .* a dog eats energy, not volume/);
  expect(sayFit(grown, [])).toBeUndefined();
});

test('of several dogs it is said once: of the one that it is worst for, and who else cannot eat it', () => {
  const large = sayFit(grown, [2000])!;
  const tooMuch = sayFit(pup, [700])!;
  expect(sayFits([large, tooMuch])).toMatchObject({ isTooMuch: true, name: 'Wren' });
  expect(sayFits([large, tooMuch])!.said).toMatch(/does not fit into Wren .* It is much for Juniper as well\.$/);
  // The fullest meal for each kg is the worst, whoever comes first.
  const [small, full] = [sayFit(grown, [2200])!, sayFit(pup, [900])!];
  expect(sayFits([small, full])!.name).toBe('Wren');
  // 700 g in a meal of a pup of 8 kg: 87.5 mL for each kg.
  expect(tooMuch.why.steps[0]!.sum).toBe('700 g, about as many mL, ÷ 8 kg = 88 mL for each kg');
  expect(sayFits([large])).toBe(large);
  expect(sayFits([])).toBeUndefined();
  expect(sayFits(Array.from({ length: 30 }, () => large))!.said).toMatch(/Juniper and 25 more as well\.$/);
});
