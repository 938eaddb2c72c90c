import { FRESH } from '../../../tests/fixtures/dating';
import fc from 'fast-check';
import { addDays, type LocalDate } from '../calendar/local-date';
import { coverOf, type FeedingRules } from './cover';
import type { Source } from './draw';
import { mainProtein, nextRun, rotated, tiredOf } from './rotation';

const TODAY = '2026-11-27' as LocalDate;
const KEEPS: FeedingRules = { proteinDays: 2 };

/** A frozen pack of a dog's whole day. */
const pack = (index: number, protein: string, over: Partial<Source> = {}): Source => ({
  key: `pack-${index}`,
  code: `P${index}`,
  protein: { word: protein },
  grams: 400,
  density: 1,
  waterPerGram: 0,
  place: 'freezer',
  keeps: FRESH,
  opened: false,
  short: false,
  bestBy: addDays(TODAY, 30 + index),
  ...over,
});
const dog = { dogId: 1, mealsOn: () => [{ kcal: 400 }] };
const played = (sources: readonly Source[], days: number, keeps = KEEPS, of: object = {}) => {
  const proteins = new Map(sources.map((source) => [source.key, source.protein?.word]));
  const [cover] = coverOf([{ ...dog, ...of }], days, sources, TODAY, keeps);
  return cover!.days.map(({ drawn }) => (drawn[0] ? proteins.get(drawn[0].key) : undefined));
};

test('no more than the household’s days in a row, where something else is there', () => {
  const stock = [...'vvvvgggg'].map((protein, index) => pack(index, protein));
  expect(played(stock, 8)).toEqual(['v', 'v', 'g', 'v', 'v', 'g', 'g', 'g']);
  expect(played(stock, 8, { ...KEEPS, proteinDays: undefined })).toEqual([...'vvvvgggg']);
});

test('what it had before today counts, and what it had of today', () => {
  const stock = [...'vvgg'].map((protein, index) => pack(index, protein));
  expect(played(stock, 3, KEEPS, { run: { protein: 'v', days: 2 } })).toEqual(['g', 'v', 'v']);
  expect(played(stock, 3, KEEPS, { run: { protein: 'g', days: 1 }, hadToday: 'g' })[1]).toBe('v');
});

test('where there is nothing else it goes on; what is thawed is eaten first, whatever it is', () => {
  expect(
    played(
      [...'vvvv'].map((protein, index) => pack(index, protein)),
      4,
    ),
  ).toEqual([...'vvvv']);
  const thawed = pack(0, 'v', { place: 'fridge', safeUntil: addDays(TODAY, 1) });
  expect(played([thawed, pack(1, 'g')], 2, KEEPS, { run: { protein: 'v', days: 5 } })).toEqual(['v', 'g']);
});

// Against every order of use there is: of packs that all keep, whole days each, as many days are covered with the rule as without, and
// a longer run is fed only where every order has one as long (small cases, by trying them all).
test('the rule costs no day of cover, and breaks only where the rest of the stock leaves it no way', () => {
  fc.assert(
    fc.property(
      fc.array(fc.constantFrom('v', 'g', 'p'), { minLength: 1, maxLength: 9 }),
      fc.integer({ min: 1, max: 3 }),
      (of, most) => {
        const stock = of.map((protein, index) => pack(index, protein));
        const days = played(stock, of.length, { ...KEEPS, proteinDays: most });
        expect(days.every((protein) => protein !== undefined)).toBe(true);
        // Day by day: the same again beyond the rule only if nothing else was left to be taken out.
        const left: string[] = [...of];
        let run: ReturnType<typeof nextRun>;
        for (const protein of days) {
          const tired = tiredOf(run, most);
          if (tired !== undefined && protein === tired) expect(left.every((each) => each === tired)).toBe(true);
          left.splice(left.indexOf(protein!), 1);
          run = nextRun(run, protein);
        }
        expect(left).toEqual([]);
      },
    ),
  );
});

test('nothing is left out by it, and nothing changes where nobody is tired of anything', () => {
  const stock = [...'vgvp'].map((protein, index) => pack(index, protein));
  expect(rotated(stock, undefined)).toEqual(stock);
  expect(rotated(stock, 'v').map(({ key }) => key)).toEqual(['pack-1', 'pack-3', 'pack-0', 'pack-2']);
});

test('a day’s protein is that of most of its kcal; an unknown day ends a run', () => {
  const part = (protein: string | undefined, kcal: number) => ({ protein, kcal });
  expect(mainProtein([part('v', 100), part('g', 300), part('v', 150)])).toBe('g');
  expect(mainProtein([part(undefined, 100)])).toBeUndefined();
  expect(nextRun({ protein: 'v', days: 4 }, undefined)).toBeUndefined();
  expect(nextRun({ protein: 'v', days: 4 }, 'v')).toEqual({ protein: 'v', days: 5 });
});
