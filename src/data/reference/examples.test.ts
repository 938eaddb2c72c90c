import { balanceOf } from '@/core/nutrition/balance';
import { ALONE, linesAt } from '@/core/recipe/bases';
import { readLines } from '@/core/recipe/entry';
import { hazardsIn } from '@/core/recipe/hazards';
import { loadReference } from './reference';

const reference = loadReference();
const known = (ndb: string) => {
  const food = reference.foods.get(ndb);
  return food && { food, measures: reference.measures.get(ndb) ?? [] };
};
const aafco = reference.profiles.profiles.find((each) => each.id === 'aafco-adult')!;

// What each asks for: AAFCO 2016 adult maintenance, as in data/profiles.json; composition: USDA SR 24.
test.each(reference.examples.map((entry) => [entry.name, entry] as const))(
  '%s: every line is read, nothing is short or over, and only what no food table holds is unknown',
  (name, entry) => {
    expect(name).toMatch(/\(example\)$/);
    const read = readLines(entry.lines, known, 'metric');
    expect(read.each.filter((line) => !line?.ok)).toEqual([]);
    const lines = linesAt(read.written, ALONE);
    const balance = balanceOf(lines, reference.profiles.nutrients, aafco, '4-9-4');
    expect(balance.rows.filter((row) => row.toward === 'short' || row.toward === 'over')).toEqual([]);
    expect(balance.rows.filter((row) => row.verdict === 'unknown').map((row) => row.name)).toEqual(['iodine']);
    expect([balance.calciumToPhosphorus.verdict, balance.energyUnknown, balance.boneIn]).toEqual(['met', [], false]);
    const asked = entry.lines.map((line) => ({
      ndb: line.ndb,
      words: line.preparation ?? '',
      part: line.part,
      moment: line.moment,
      strained: false,
    }));
    expect(hazardsIn(asked, reference.hazards).filter(({ hazard }) => hazard.level === 'never')).toEqual([]);
  },
);
