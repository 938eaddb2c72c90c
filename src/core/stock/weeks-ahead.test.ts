import { FRESH } from '../../../tests/fixtures/dating';
import fc from 'fast-check';
import { addDays, type LocalDate } from '../calendar/local-date';
import { coverOf } from './cover';
import { thawDays } from './first-use';
import { inOrderOfUse, type Source } from './draw';
import { freezerAhead, passDates, playAhead, sayPlayed, tonightOf, whyBefore } from './weeks-ahead';

const DAY = '2026-11-25' as LocalDate;
const pack = (code: string, over: Partial<Source> = {}): Source => ({
  key: code,
  code,
  grams: 1000,
  density: 1,
  waterPerGram: 0,
  place: 'freezer',
  keeps: FRESH,
  opened: false,
  short: false,
  ...over,
});

test('a dog that is away lacks nothing, though there is nothing left by then', () => {
  // 1 kg at 1 kcal/g for 500 kcal a day: two days are fed, three are not, of the sixth and seventh it is away.
  const isOff = (index: number) => index === 5 || index === 6;
  const mealsOn = (index: number) => (isOff(index) ? [] : [{ kcal: 500 }]);
  const { cover } = playAhead([{ dogId: 1, mealsOn, isOff }], [pack('K1', { place: 'fridge' })], DAY, {}, 8);
  expect(cover[0]!.days.map(({ covered }) => covered)).toEqual([true, true, false, false, false, true, true, false]);
  expect(cover[0]!.coverDays).toBe(2);
  const said = cover[0]!.days.map((day) => sayPlayed(day, DAY).split(': ')[1]);
  expect([said[0], said[2], said[5]]).toEqual(['K1', 'nothing', 'fed already, or away']);
});

const play = (sources: readonly Source[], kcal: number, days = 14) =>
  playAhead([{ dogId: 1, mealsOn: () => [{ kcal }] }], sources, DAY, {}, days);

// USDA: about 24 h in the fridge for 4 to 5 lb; a day for each 2 kg, as handbook 10 has it.
test.each([
  [300, 1],
  [2000, 1],
  [2001, 2],
  [4000, 2],
  [4100, 3],
])('%i g thaw in %i days', (grams, days) => expect(thawDays(grams)).toBe(days));

test('each frozen pack is taken out before its first use, a large one a day earlier; what should lie there by now is late', () => {
  const sources = [pack('V1', { bestBy: addDays(DAY, 50) }), pack('V2', { grams: 3000, bestBy: addDays(DAY, 51) })];
  expect(play(sources, 1000).out).toEqual([
    { key: 'V1', code: 'V1', first: DAY, on: DAY, late: true },
    { key: 'V2', code: 'V2', first: addDays(DAY, 1), on: DAY, late: true },
  ]);
  const fed = [pack('V0', { place: 'fridge', safeUntil: addDays(DAY, 3), grams: 3000 }), ...sources];
  expect(play(fed, 1000).out.map(({ code, on, late }) => [code, on, late])).toEqual(
    [
      ['V2', addDays(DAY, 2), false],
      ['V1', addDays(DAY, 2), false],
    ].sort((a, b) => String(a[1]).localeCompare(String(b[1])) || String(a[0]).localeCompare(String(b[0]))),
  );
});

test('the freezer empties by what is taken out and by nothing else; nothing is ever eaten twice', () => {
  fc.assert(
    fc.property(
      fc.array(fc.record({ grams: fc.integer({ min: 50, max: 3000 }), best: fc.integer({ min: 1, max: 90 }) }), {
        minLength: 1,
        maxLength: 12,
      }),
      fc.integer({ min: 200, max: 2000 }),
      (packs, kcal) => {
        const sources = packs.map(({ grams, best }, index) => pack(`V${index}`, { grams, bestBy: addDays(DAY, best) }));
        const played = play(sources, kcal, 40);
        const litres = freezerAhead(sources, played, DAY, 40).map(({ millilitres }) => millilitres);
        for (const [index, now] of litres.entries()) expect(now).toBeLessThanOrEqual(litres[index - 1] ?? Infinity);
        const { out, cover } = played;
        const all = sources.reduce((sum, source) => sum + source.grams, 0);
        const taken = out.reduce((sum, { key }) => sum + sources.find((source) => source.key === key)!.grams, 0);
        // What is taken out on the last days is for days beyond: nothing else stays.
        expect(litres.at(-1)).toBe(all - taken);
        for (const { grams } of passDates(sources, cover)) expect(grams).toBeGreaterThan(0);
      },
    ),
  );
});

test('a pack that nobody comes to before its date is named with what is left of it', () => {
  const sources = [
    pack('V1', { place: 'fridge', safeUntil: addDays(DAY, 1), grams: 5000 }),
    pack('V2', { bestBy: addDays(DAY, 3) }),
    pack('V3', { bestBy: addDays(DAY, 90) }),
  ];
  expect(passDates(sources, play(sources, 1000).cover)).toEqual([
    { key: 'V1', code: 'V1', on: addDays(DAY, 1), grams: 3000, is: 'safe' },
  ]);
  expect(passDates(sources, play(sources, 100, 14).cover).map(({ code }) => code)).toEqual(['V1', 'V2']);
});

test('why this pack and not that one: the reason is the one that the order of use goes by', () => {
  const day = DAY;
  const of = (a: Source, b: Source) => {
    const [first, second] = inOrderOfUse([a, b], day);
    return whyBefore(first!, second, day);
  };
  expect(of(pack('V2', { bestBy: addDays(day, 9) }), pack('V1', { bestBy: addDays(day, 8) }))).toMatch(
    /^best by .* before V2$/,
  );
  expect(of(pack('V2', { bestBy: addDays(day, 9), short: true }), pack('V1', { bestBy: addDays(day, 9) }))).toBe(
    'short, before V1',
  );
  expect(of(pack('V2', { bestBy: addDays(day, -1) }), pack('V1', { bestBy: addDays(day, 9) }))).toMatch(
    /past its best/,
  );
  expect(of(pack('V2'), pack('V1'))).toBe('as good as V2, and the first by its code');
  expect(whyBefore(pack('V1'), undefined, day)).toBe('the only one');
});

test('once all that is asked for tonight lies in the fridge, nothing more is: one press is enough, and tomorrow is thawed', () => {
  fc.assert(
    fc.property(
      fc.array(fc.record({ grams: fc.integer({ min: 50, max: 4500 }), best: fc.integer({ min: 1, max: 90 }) }), {
        minLength: 1,
        maxLength: 10,
      }),
      fc.array(fc.integer({ min: 100, max: 1500 }), { minLength: 1, maxLength: 3 }),
      (packs, appetites) => {
        const sources = packs.map(({ grams, best }, index) => pack(`V${index}`, { grams, bestBy: addDays(DAY, best) }));
        const dogs = appetites.map((kcal, dogId) => ({ dogId, mealsOn: () => [{ kcal }] }));
        const keys = new Set(tonightOf(playAhead(dogs, sources, DAY), DAY).map(({ key }) => key));
        const moved = sources.map((source) =>
          keys.has(source.key) ? { ...source, place: 'fridge' as const, safeUntil: addDays(DAY, 4) } : source,
        );
        expect(tonightOf(playAhead(dogs, moved, DAY), DAY)).toEqual([]);
        const tomorrow = coverOf(dogs, 2, moved, DAY).flatMap(({ days }) => days.flatMap(({ drawn }) => drawn));
        for (const { key } of tomorrow) expect(moved.find((source) => source.key === key)!.place).toBe('fridge');
      },
    ),
  );
});
