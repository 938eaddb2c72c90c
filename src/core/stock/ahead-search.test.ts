import { FRESH } from '../../../tests/fixtures/dating';
import { addUp } from '../add-up';
import { addDays, type LocalDate } from '../calendar/local-date';
import { coverOf, type DogAhead } from './cover';
import type { Source } from './draw';
import { playAhead, tonightOf } from './weeks-ahead';

// Small houses of a few packs, each searched whole: every order in which they can be used is played by rules written down here
// anew (a dog eats what it may, in that order; a frozen pack is safe for the fridge days from its first use on).
const DAY = '2026-11-25' as LocalDate;
const FRIDGE_DAYS = 4;
const DAYS = 14;
const MEAL = 400;

/** A pack that thaws until a day is not eaten before. */
type Packed = Source & { readonly from?: LocalDate };

interface Played {
  /** Days from today on which all dogs are fed. */
  readonly covered: number;
  /** g that are past their safe day when these are over. */
  readonly wasted: number;
}

function playOrder(dogs: readonly DogAhead[], order: readonly Packed[]): Played {
  const left = order.map(({ grams }) => grams);
  const until = order.map(({ safeUntil }) => safeUntil);
  // Today nobody eats what is frozen while there is something that is not.
  const isFrozen = ([, { place }]: [number, Packed]) => Number(place === 'freezer');
  const today = [...order.entries()].sort((a, b) => isFrozen(a) - isFrozen(b));
  const fed = (day: LocalDate) =>
    dogs.every(({ dogId }) => {
      let open = MEAL;
      for (const [index, source] of day === DAY ? today : [...order.entries()]) {
        const safe = until[index];
        if (open <= 0) break;
        if (left[index]! <= 0 || (safe !== undefined && safe < day)) continue;
        if ((source.from ?? day) > day || (source.dogId ?? dogId) !== dogId) continue;
        const eats = Math.min(open, left[index]!);
        open -= eats;
        left[index]! -= eats;
        until[index] ??= addDays(day, FRIDGE_DAYS - 1);
      }
      return open <= 0;
    });
  let covered = 0;
  while (covered < DAYS && fed(addDays(DAY, covered))) covered++;
  const over = addDays(DAY, covered);
  return { covered, wasted: addUp(left, (grams, index) => ((until[index] ?? '9') < over ? grams : 0)) };
}

function* orders<T>(list: readonly T[]): Generator<T[]> {
  if (list.length === 0) yield [];
  for (const [index, first] of list.entries())
    for (const rest of orders([...list.slice(0, index), ...list.slice(index + 1)])) yield [first, ...rest];
}

/** The most days that any order covers, and the least that is wasted by those that do. */
function best(dogs: readonly DogAhead[], sources: readonly Source[]): Played {
  let found: Played = { covered: -1, wasted: Infinity };
  for (const order of orders(sources)) {
    const played = playOrder(dogs, order);
    if (played.covered > found.covered || (played.covered === found.covered && played.wasted < found.wasted))
      found = played;
  }
  return found;
}

/** The same of what the application plays. */
function own(dogs: readonly DogAhead[], sources: readonly Source[]): Played {
  const cover = coverOf(dogs, DAYS, sources, DAY);
  const covered = Math.min(...cover.map(({ coverDays }) => coverDays));
  const drawn = cover.flatMap(({ days }) =>
    days.slice(0, covered).flatMap((day) => day.drawn.map((part) => ({ ...part, day: day.day }))),
  );
  const wasted = addUp(sources, ({ key, grams, safeUntil }) => {
    const parts = drawn.filter((part) => part.key === key);
    const first = parts.map(({ day }) => day).sort()[0];
    const safe = safeUntil ?? (first && addDays(first, FRIDGE_DAYS - 1));
    return safe !== undefined && safe < addDays(DAY, covered) ? grams - addUp(parts, (part) => part.grams) : 0;
  });
  return { covered, wasted };
}

function house(seed: number, count: number) {
  let state = seed * 7919;
  const random = (below: number) => {
    state = (state * 1103515245 + 12345) % 2147483648;
    return Math.floor((state / 2147483648) * below);
  };
  const dogs = Array.from({ length: count }, (_, index) => ({ dogId: index + 1, mealsOn: () => [{ kcal: MEAL }] }));
  const sources = Array.from({ length: 2 + random(4) }, (_, index): Source => {
    const isThawed = random(2) === 0;
    const whose = random(count + 1);
    return {
      key: `p${index}`,
      code: `P${index}`,
      grams: MEAL * (1 + random(4)),
      density: 1,
      waterPerGram: 0,
      keeps: FRESH,
      opened: false,
      short: false,
      ...(whose > 0 ? { dogId: whose } : {}),
      ...(isThawed
        ? { place: 'fridge', safeUntil: addDays(DAY, random(6)) }
        : { place: 'freezer', bestBy: addDays(DAY, 20 + random(60)) }),
    };
  });
  return { dogs, sources };
}

test.each([
  [1, 150],
  [2, 600],
  [3, 300],
])('%i dogs: no order of use feeds all of them for longer, and none wastes less for the same days', (count, houses) => {
  for (let seed = 1; seed <= houses; seed++) {
    const { dogs, sources } = house(seed, count);
    const [found, searched] = [own(dogs, sources), best(dogs, sources)];
    expect([seed, found.covered >= searched.covered]).toEqual([seed, true]);
    if (found.covered === searched.covered) expect([seed, found.wasted <= searched.wasted]).toEqual([seed, true]);
  }
});

/** Whether today and tomorrow are fed from what lies thawed by then: every order is tried, nothing thaws by itself. */
const isFedTillTomorrow = (dogs: readonly DogAhead[], thawed: readonly Packed[]): boolean => {
  for (const order of orders(thawed)) if (playOrder(dogs, order).covered >= 2) return true;
  return false;
};

test.each([1, 2])('%i dogs: tonight takes out what feeds tomorrow wherever any choice of packs does', (count) => {
  let possible = 0;
  for (let seed = 1; seed <= 250; seed++) {
    const { dogs, sources } = house(seed + 5000, count);
    const frozen = sources.filter(({ place }) => place === 'freezer');
    const thawedWith = (taken: (source: Source) => boolean) =>
      sources
        .filter((source) => source.place !== 'freezer' || taken(source))
        .map((source): Packed => (source.place === 'freezer' ? { ...source, from: addDays(DAY, 1) } : source));
    const choices = Array.from({ length: 2 ** frozen.length }, (_, bits) =>
      frozen.filter((_source, index) => (bits >> index) & 1),
    );
    if (
      !choices.some((chosen) =>
        isFedTillTomorrow(
          dogs,
          thawedWith((source) => chosen.includes(source)),
        ),
      )
    )
      continue;
    possible++;
    const taken = new Set(tonightOf(playAhead(dogs, sources, DAY), DAY).map(({ key }) => key));
    expect([
      seed,
      isFedTillTomorrow(
        dogs,
        thawedWith(({ key }) => taken.has(key)),
      ),
    ]).toEqual([seed, true]);
  }
  expect(possible).toBeGreaterThan(60);
});
