import type { Part } from '../recipe/recipe';
import { safeCoreOf } from './safe-core';

const line = (name: string, group: string, part: Part = 'muscle', text = name) => ({
  food: { name, group },
  part,
  text,
});
const of = (...lines: ReturnType<typeof line>[]) => safeCoreOf(lines)?.celsius;

// USDA FSIS chart of safe internal temperatures (handbook 6, from memory).
test.each([
  ['poultry, whole or ground', line('Chicken, broilers or fryers, thigh, meat only, raw', 'Poultry'), 74],
  ['ground meat', line('Beef, ground, 90% lean meat / 10% fat, raw', 'Beef'), 71],
  ['a whole cut that the cook had minced', line('Pork, fresh, shoulder, raw', 'Pork', 'muscle', 'pork, minced'), 71],
  ['organ meat', line('Beef, variety meats and by-products, liver, raw', 'Beef', 'secreting organ'), 71],
  ['game, whole cuts too', line('Game meat, deer, raw', 'Lamb, veal and game'), 71],
  ['egg', line('Egg, whole, raw, fresh', 'Dairy and egg', 'egg'), 71],
  ['whole cuts of beef', line('Beef, chuck, arm pot roast, raw', 'Beef'), 63],
  ['whole cuts of lamb', line('Lamb, leg, whole, raw', 'Lamb, veal and game'), 63],
  ['fish', line('Fish, pollock, atlantic, raw', 'Fish and shellfish'), 63],
  ['leftovers', line('Beef, chuck, braised, cooked', 'Beef'), 74],
])('%s', (_, each, celsius) => {
  expect(of(each)).toBe(celsius);
});

test('the strictest part of a pot decides, and is named; plants, fat and dairy ask for nothing', () => {
  const beef = line('Beef, chuck, arm pot roast, raw', 'Beef');
  const chicken = line('Chicken, heart, all classes, raw', 'Poultry', 'muscular organ', 'chicken hearts');
  expect(safeCoreOf([beef, chicken])).toEqual({ celsius: 74, because: 'chicken hearts', as: 'poultry' });
  expect(safeCoreOf([beef])).toMatchObject({ celsius: 63, rest: 3 });
  const plants = [
    line('Barley, pearled, raw', 'Grains', 'carbohydrate'),
    line('Fish oil, salmon', 'Fats and oils', 'fat'),
    line('Yogurt, plain', 'Dairy and egg', 'dairy'),
  ];
  expect(safeCoreOf(plants)).toBeUndefined();
});
