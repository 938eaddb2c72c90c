import { addDays, type LocalDate } from '@/core/calendar/local-date';
import { writeMassIn } from '@/core/quantity/write';
import { readAgenda } from '@/data/agenda';
import { contextFor } from '@/data/commands/run';
import { putPacks } from '@/data/commands/stock';
import { serve, setClock } from '@/data/fixtures/served';
import { readPage } from '@/data/page';
import { changeHousehold, readPlaces } from '@/data/repositories/household';
import { readStock } from '@/data/repositories/stock';
import { aheadView } from '@/features/store/ahead/queries';
import { todayView } from '@/features/today/queries';
import { sitterView } from '@/features/today/sitter/queries';

const TODAY = '2026-11-25' as LocalDate;
const CLOCKS = ['06:00', '12:00', '17:30', '20:30'];
const RULES = [undefined, 1, 2, 3].flatMap((proteinDays) => [false, true].map((mixed) => ({ proteinDays, mixed })));

let served: Awaited<ReturnType<typeof serve>>;
beforeAll(async () => {
  served = await serve(`${TODAY}T12:00:00Z`, { demo: true });
});

/** Everything that says what the coming days are, at one moment. */
const shown = async () => ({
  today: await todayView(),
  sheet: await sitterView({ from: TODAY, to: addDays(TODAY, 13) }),
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
    const said = new Set(day.takeOut);
    const inCalendar = agenda.filter((each) => each.kind === 'take out' && each.day === day.day);
    expect(new Set(inCalendar.flatMap((each) => each.said.split(': ')[1]!.split(', ')))).toEqual(said);
    if (index === 0) expect(new Set(today.tonight.map(({ code }) => code))).toEqual(said);
  }
  // Nothing is fed frozen today that the sheet does not say is frozen, and nothing frozen while something else would do.
  const frozenToday = first!.dogs
    .flatMap(({ meals }) => meals.flatMap(({ from }) => from))
    .filter((line) => line.includes('still frozen'));
  for (const code of codesOf(frozenToday)) expect(today.sources.map((source) => source.code)).not.toContain(code);
}

test.each(RULES)(
  'sheet, Today, tonight, weeks and calendar are one play: $proteinDays days of a protein, mixed $mixed',
  async (rule) => {
    await served.db.transaction((tx) =>
      changeHousehold(tx, { unitSet: 'metric', proteinDays: rule.proteinDays ?? null, mixedProteins: rule.mixed }),
    );
    for (const clock of CLOCKS) {
      setClock(`${TODAY}T${clock}:00Z`);
      agree(await shown());
    }
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
