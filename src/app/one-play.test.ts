import { addDays, daysBetween, type LocalDate } from '@/core/calendar/local-date';
import { writeMassIn } from '@/core/quantity/write';
import { readAgenda } from '@/data/agenda';
import { contextFor } from '@/data/commands/run';
import { putPacks } from '@/data/commands/stock';
import { ACTS, playHouse } from '@/data/fixtures/seeded-house';
import { serve, setClock } from '@/data/fixtures/served';
import { readPage } from '@/data/page';
import { changeHousehold, readPlaces } from '@/data/repositories/household';
import { readStock } from '@/data/repositories/stock';
import { aheadView } from '@/features/store/ahead/queries';
import { todayView } from '@/features/today/queries';
import { sitterView } from '@/features/today/sitter/queries';

const TODAY = '2026-11-25' as LocalDate;
const CLOCKS = ['06:00', '12:00', '17:30', '20:30'];
const RULES = [undefined, 1, 2, 3].flatMap((proteinDays, at) =>
  [false, true].map((mixed, of) => ({ proteinDays, mixed, clock: CLOCKS[(at + of) % CLOCKS.length]! })),
);
/** So many houses follow from each other before one is begun anew. */
const IN_A_ROW = 12;
/** ms that all of them may take where other work is done beside. */
const PATIENCE = 60 * 60_000;
/** So many houses are drawn; `HODMAN_HOUSES_PLAYED=300` draws as many as once were looked at whole. */
const HOUSES = Number(process.env['HODMAN_HOUSES_PLAYED'] ?? 24);

let served: Awaited<ReturnType<typeof serve>>;
beforeAll(async () => {
  served = await serve(`${TODAY}T12:00:00Z`, { demo: true });
});

/** Everything that says what the coming days are, at one moment. */
const shown = async (from = TODAY) => ({
  today: await todayView(),
  sheet: await sitterView({ from, to: addDays(from, 13) }),
  weeks: await aheadView(),
  agenda: await readPage(readAgenda),
});
type Shown = Awaited<ReturnType<typeof shown>>;

/** The codes that a sheet's line names. */
const codesOf = (lines: readonly string[]) => lines.flatMap((line) => / from (\S+?)[,)]?(?: |$)/.exec(line)?.[1] ?? []);

function agree({ today, sheet, weeks, agenda }: Shown) {
  const [first] = sheet.days;
  for (const dog of today.dogs) {
    const own = first!.dogs.find(({ id }) => id === dog.id)!;
    // The bowl at hand is the sheet's own line of that meal, but for what has to be thawed in cold water before.
    const line = own.meals.find(({ slotId }) => slotId === dog.next?.slotId)?.from ?? [];
    const thawed = line.filter((said) => !said.includes('still frozen'));
    expect(thawed.map((said) => said.split(' from ')[0]!.replace(/ dry$/, ''))).toEqual(
      (dog.next?.drawn ?? []).map(({ grams }) => writeMassIn(grams, 'metric')),
    );
    expect(codesOf(thawed)).toEqual((dog.next?.drawn ?? []).map(({ code }) => code));
    expect(codesOf(line.filter((said) => said.includes('still frozen')))).toEqual(dog.frozen);
  }
  for (const [index, day] of sheet.days.entries()) {
    for (const own of day.dogs) {
      const played = weeks.dogs.find(({ dogId }) => dogId === own.id)!.days[index]!;
      expect(new Set(codesOf(own.meals.flatMap(({ from }) => from)))).toEqual(
        new Set(played.packs.map(({ code }) => code)),
      );
      expect(own.isShort).toBe(!played.covered);
    }
    // What is taken out on an evening stands on the sheet, in the calendar, and of tonight on Today, and nowhere else.
    const said = new Set(day.takeOut.map(({ code }) => code));
    const inCalendar = agenda.filter((each) => each.kind === 'take out' && each.day === day.day);
    expect(new Set(inCalendar.flatMap((each) => each.said.split(': ')[1]!.split(', ')))).toEqual(said);
    if (index === 0) expect(new Set(today.tonight.map(({ code }) => code))).toEqual(said);
  }
  // How far each dog is provided for, by which day somebody cooks, and what goes into a freezer today.
  for (const { dogId, coverDays, runsOut, cells } of today.ahead) {
    const played = weeks.dogs.find((each) => each.dogId === dogId)!;
    expect([coverDays, runsOut]).toEqual([Math.min(played.coverDays, today.horizon), played.runsOut]);
    expect(cells.map(({ said }) => said.includes('nothing'))).toEqual(
      played.days.slice(0, cells.length).map(({ covered }) => !covered),
    );
  }
  const [cookBy] = agenda.filter(({ kind }) => kind === 'cook by');
  expect(cookBy && daysBetween(today.day, cookBy.day)).toBe(weeks.cookBy?.index);
  if (today.cookBy || (weeks.cookBy?.index ?? 99) < today.horizon) expect(today.cookBy).toEqual(weeks.cookBy);
  expect(
    agenda
      .filter((each) => each.kind === 'into the freezer' && each.day === today.day)
      .flatMap((each) => each.said.split(': ')[1]!.split(', ')),
  ).toEqual(today.toFreezer.flatMap(({ said }) => (said.startsWith(':') ? [] : said.split(': ')[0]!.split(', '))));
  // Nothing is fed frozen today that the sheet does not say is frozen, and nothing frozen while something else would do.
  const frozenToday = first!.dogs
    .flatMap(({ meals }) => meals.flatMap(({ from }) => from))
    .filter((line) => line.includes('still frozen'));
  for (const code of codesOf(frozenToday)) expect(today.sources.map((source) => source.code)).not.toContain(code);
}

test.each(RULES)(
  'sheet, Today, tonight, weeks and calendar are one play: $proteinDays days of a protein, mixed $mixed, at $clock',
  async (rule) => {
    await served.db.transaction((tx) =>
      changeHousehold(tx, { unitSet: 'metric', proteinDays: rule.proteinDays ?? null, mixedProteins: rule.mixed }),
    );
    setClock(`${TODAY}T${rule.clock}:00Z`);
    agree(await shown());
  },
);

test('so they are with every frozen pack taken out, and with nothing thawed at all', async () => {
  const context = () => contextFor(served.db, served.reference, new Date(`${TODAY}T12:00:00Z`));
  const places = await readPlaces(served.db);
  const idOf = (kind: string) => places.find((place) => place.kind === kind)!.id;
  setClock(`${TODAY}T12:00:00Z`);
  for (const to of ['freezer', 'fridge']) {
    const held = (await readStock(served.db)).filter((pack) => pack.placeKind !== to);
    await putPacks(await context(), { holdingIds: held.map(({ holdingId }) => holdingId), placeId: idOf(to) });
    const all = await shown();
    agree(all);
    if (to === 'freezer') {
      const lines = all.sheet.days[0]!.dogs.flatMap(({ meals }) => meals.flatMap(({ from: said }) => said));
      expect(lines.some((line) => line.includes('still frozen: thaw it in cold water first'))).toBe(true);
    }
  }
});

test(
  'and so they are in houses drawn by a seed: guests, fasts, treats, holds, corrections, pots, food kept apart, broth',
  async () => {
    const done = new Set<string>();
    for (let house = 0; house < HOUSES; house++) {
      const of = house % IN_A_ROW;
      if (of === 0) {
        await served.close();
        served = await serve(`${TODAY}T12:00:00Z`, { demo: true });
      }
      // Every few houses it is the next day: what was not fed was missed, packs pass their dates.
      const day = addDays(TODAY, Math.floor(of / 4));
      const instant = new Date(`${day}T${CLOCKS[of % CLOCKS.length]}:00Z`);
      setClock(instant.toISOString());
      for (const act of await playHouse({ ...served, instant }, 1000 + house, 5)) done.add(act);
      try {
        agree(await shown(day));
      } catch (error) {
        throw new Error(`house ${house}`, { cause: error });
      }
    }
    // Nearly all that may be done was done in one of them.
    expect(done.size).toBeGreaterThan(Object.keys(ACTS).length * 0.7);
  },
  PATIENCE,
);
