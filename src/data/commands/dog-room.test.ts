import { addDays, type LocalDate } from '@/core/calendar/local-date';
import { dayEnergy } from '@/core/dog/day-energy';
import { mealsOn } from '@/core/dog/meals';
import { proposalFor } from '@/core/dog/proposal';
import { toRationEntry } from '@/core/dog/ration-entry';
import { freshHouse, type TestHouse } from '../fixtures/database';
import { valueOf } from '../fixtures/value-of';
import { planOne, TWENTY_KILOS } from '../fixtures/worked-path';
import { readDog, readDogs } from '../repositories/dogs';
import { readAnswers, readIntake } from '../repositories/eaten';
import { archiveDog, saveCare, saveDog, seeCaution } from './dogs';
import { addBowlLine, addVetNote, endVetNote, saveLitter } from './keeping';
import { saveRecipe } from './recipes';
import { setMeals, setOtherwise, setRation } from './rations';
import { answerProposal, reportIntake, saveWeighIn, strikeWeighIn } from './weigh-ins';

const TODAY = '2026-11-25' as LocalDate;
let house: TestHouse;
let dogId: number;

beforeAll(async () => {
  house = await freshHouse('2026-11-25T12:00:00Z');
  ({ dogId } = valueOf(await house.run((context) => saveDog(context, { entry: { ...TWENTY_KILOS, meals: '' } }))));
});

const dog = async () => (await readDog(house.db, dogId))!;
const kcal = async (day = TODAY) => dayEnergy(await dog(), day).kcal;
const weigh = (date: string, weight: string, sure = false) =>
  house.run((context) =>
    saveWeighIn(context, {
      dogId,
      entry: { date, weight, bodyCondition: '7', appetite: 'eager', stool: '', note: 'after the walk', sure },
    }),
  );

test('a ration from a later day waits for it; the history keeps every one, with its reason', async () => {
  const entry = toRationEntry((await dog()).rations[0]!, TODAY, () => null, String);
  const set = (over: Partial<typeof entry>) =>
    house.run((context) => setRation(context, { dogId, entry: { ...entry, ...over } }));
  valueOf(await set({ method: 'kcal', kcal: '900', from: '2026-12-01', reason: 'the vet, on the phone' }));
  expect(await kcal()).toBeCloseTo(1059.2, 1);
  expect(await kcal('2026-12-01' as LocalDate)).toBe(900);
  valueOf(await set({ method: 'factor', factor: '1.5' }));
  expect(await kcal()).toBeCloseTo(993, 0);
  expect((await dog()).rations.map((each) => each.reason)).toEqual(['as it came', undefined, 'the vet, on the phone']);
  expect(await set({ method: 'factor', factor: '99' })).toMatchObject({ ok: false, problems: [{ field: 'factor' }] });
  expect((await dog()).rations).toHaveLength(3);
  valueOf(await set({ method: 'table' }));
});

test('the usual meals follow the age; own meals keep their slots and may have a recipe', async () => {
  expect(mealsOn(await dog(), TODAY).map((meal) => meal.name)).toEqual(['breakfast', 'supper']);
  const before = (await dog()).slots.find((slot) => slot.name === 'supper')!.id;
  const rows = [
    { slotId: null, name: 'late supper', clock: '21:00', percent: '40', recipeId: null },
    { slotId: null, name: 'supper', clock: '17:30', percent: '60', recipeId: null },
  ];
  const set = (recipeId: number | null) =>
    house.run((context) =>
      setMeals(context, { dogId, entry: { usual: false, rows: rows.map((row) => ({ ...row, recipeId })) } }),
    );
  valueOf(await set(null));
  const meals = mealsOn(await dog(), TODAY);
  expect(meals.map((meal) => [meal.name, meal.clock, meal.fraction])).toEqual([
    ['supper', '17:30', 0.6],
    ['late supper', '21:00', 0.4],
  ]);
  expect(meals[0]!.id).toBe(before);
  expect(await set(99)).toMatchObject({ ok: false });
  valueOf(await house.run((context) => setMeals(context, { dogId, entry: { usual: true, rows: [] } })));
  expect(mealsOn(await dog(), TODAY)).toHaveLength(2);
});

test('extras and a change of food leave the pot its part; the change keeps its first day', async () => {
  const entry = {
    extras: [
      { name: 'kibble', kind: 'bought' as const, amount: '100', measure: '100 g' as const, label: '380', weekdays: [] },
    ],
    oldFood: 'old tins',
    oldLabel: '110',
    oldDays: '8',
  };
  valueOf(await house.run((context) => setOtherwise(context, { dogId, entry })));
  expect(dayEnergy(await dog(), TODAY).homeKcal).toBeCloseTo((1059.2 - 380) / 4, 0);
  house.setNow('2026-11-27T12:00:00Z');
  valueOf(await house.run((context) => setOtherwise(context, { dogId, entry })));
  expect(dayEnergy(await dog(), '2026-11-27' as LocalDate).homeKcal).toBeCloseTo((1059.2 - 380) / 2, 0);
  house.setNow('2026-11-25T12:00:00Z');
  const full = { ...entry, oldFood: '', extras: [{ ...entry.extras[0]!, amount: '900' }] };
  expect(await house.run((context) => setOtherwise(context, { dogId, entry: full }))).toMatchObject({
    ok: false,
    problems: [{ field: 'extras.0.amount' }],
  });
});

describe('on the scale', () => {
  beforeAll(async () => {
    ({ dogId } = valueOf(
      await house.run((context) => saveDog(context, { entry: { ...TWENTY_KILOS, weight: '20 kg' } })),
    ));
    for (let week = 10; week >= 1; week--)
      valueOf(await weigh(addDays(TODAY, -7 * week), `${(20 - week * 0.05).toFixed(2)} kg`));
  });

  test('the latest of a day counts; taken back it stays on record and counts no more', async () => {
    valueOf(await weigh(TODAY, '20.1 kg'));
    expect(dayEnergy(await dog(), TODAY).weight).toBe(20_100);
    const last = (await dog()).weighIns.at(-1)!;
    expect(last).toMatchObject({ bodyCondition: 7, appetite: 'eager', stool: undefined, note: 'after the walk' });
    valueOf(await house.run((context) => strikeWeighIn(context, { dogId, weighInId: last.id })));
    expect(dayEnergy(await dog(), TODAY).weight).toBe(20_000);
    expect(await house.run((context) => strikeWeighIn(context, { dogId, weighInId: last.id }))).toMatchObject({
      ok: false,
    });
  });

  test('a slip is asked about and stores nothing until the cook is sure', async () => {
    const before = (await dog()).weighIns.length;
    expect(await weigh(TODAY, '44 kg')).toMatchObject({ ok: false, problems: [{ field: 'weight' }] });
    expect((await dog()).weighIns).toHaveLength(before);
  });

  test('what was really eaten fits the proposal; accepting it changes the ration, with the reason', async () => {
    const intakeOf = async () => readIntake(house.db, await dog(), addDays(TODAY, -90), TODAY);
    expect((await intakeOf())(addDays(TODAY, -5))).toBeUndefined();
    valueOf(
      await house.run((context) =>
        reportIntake(context, { dogId, from: addDays(TODAY, -70), to: addDays(TODAY, -1), kcal: 1059 }),
      ),
    );
    const proposal = proposalFor(await dog(), TODAY, await intakeOf(), 'metric');
    expect(proposal.kind).toBe('change');
    const answer = (kind: 'accepted' | 'adapted' | 'ignored', seen: number | null, own: number | null = null) =>
      house.run((context) => answerProposal(context, { dogId, answer: kind, seen, kcal: own }));
    expect(await answer('accepted', 12)).toMatchObject({ ok: false });
    expect(await answer('adapted', null, 0)).toMatchObject({ ok: false, problems: [{ field: 'kcal' }] });
    valueOf(await answer('ignored', null));
    expect(await kcal()).toBeCloseTo(1059.2, 1);
    valueOf(await answer('accepted', proposal.to!));
    expect(await kcal()).toBe(proposal.to);
    expect((await dog()).rations.at(-1)!.reason).toContain(proposal.said);
    expect((await readAnswers(house.db, dogId)).map((each) => each.answer)).toEqual(['accepted', 'ignored']);
  });

  test.each([
    [{ from: '2019-01-01', to: '2026-11-01', kcal: 900 }, 'from'],
    [{ from: '2026-11-01', to: '2026-12-01', kcal: 900 }, 'to'],
    [{ from: '2026-11-05', to: '2026-11-01', kcal: 900 }, 'to'],
    [{ from: '2026-11-01', to: '2026-11-05', kcal: 0 }, 'kcal'],
  ])('a report %j is refused', async (report, field) => {
    expect(await house.run((context) => reportIntake(context, { dogId, ...report }))).toMatchObject({
      ok: false,
      problems: [{ field }],
    });
  });
});

test('what can hurt stops the plan on the server too; a vet’s note lets garlic through; cautions must be seen', async () => {
  const cook = (ndb: string) =>
    house.run(async (context) => {
      const lines = [
        { amount: '500 g', ndb: '17343', part: 'muscle' as const, moment: 'cook' as const },
        { amount: '5 g', ndb, part: 'herb' as const, moment: 'cook' as const },
      ];
      const { recipeId } = await saveRecipe(context, { entry: { name: `with ${ndb}`, lines } });
      return recipeId;
    });
  const plan = (recipeId: number, seen: string[]) =>
    house.run((context) => planOne(context, recipeId, [dogId], 2, { firstDay: TODAY, seen }));
  const said = async (recipeId: number, seen: string[] = []) => {
    const answer = await plan(recipeId, seen);
    return answer.ok ? '' : answer.problems[0]!.message;
  };
  const [onion, garlic, kale] = [
    valueOf(await cook('11282')),
    valueOf(await cook('11215')),
    valueOf(await cook('11233')),
  ];
  expect(await said(onion, ['onion'])).toMatch(/not cooked/);
  expect(await said(garlic, ['garlic'])).toMatch(/No vet’s note/);
  expect(await said(kale)).toMatch(/Look first/);
  expect(await said(kale, ['oxalate'])).toBe('');
  const note = (hazardId: string, text: string) =>
    house.run((context) => addVetNote(context, { dogId, hazardId, note: text }));
  expect(await note('onion', 'please')).toMatchObject({ ok: false, problems: [{ field: 'hazardId' }] });
  expect(await note('garlic', ' ')).toMatchObject({ ok: false, problems: [{ field: 'note' }] });
  valueOf(await note('garlic', 'Dr. Alder'));
  expect(await said(garlic)).toBe('');
  const noteId = (await dog()).vetNotes[0]!.id;
  valueOf(await house.run((context) => endVetNote(context, { dogId, noteId })));
  expect(await said(garlic)).toMatch(/No vet’s note/);
  const slotId = mealsOn(await dog(), TODAY)[0]!.id;
  const line = {
    what: 'garlic oil',
    unit: 'mL',
    by: 'flat' as const,
    amount: '1',
    perKg: '',
    bands: [],
    slotId,
    kcal: '',
  };
  expect(await house.run((context) => addBowlLine(context, { dogId, entry: line }))).toMatchObject({
    ok: false,
    problems: [{ field: 'what' }],
  });
});

test('a litter, an illness, the archive: nothing is deleted', async () => {
  const sedge = valueOf(
    await house.run((context) =>
      saveDog(context, { entry: { ...TWENTY_KILOS, name: 'Sedge', weight: '22 kg', neutered: false } }),
    ),
  );
  const litter = { matedOn: '', whelpedOn: '2026-11-08', pups: '6', weanedOn: '' };
  const save = (litterId: number | null) =>
    house.run((context) => saveLitter(context, { ...sedge, litterId, entry: litter }));
  valueOf(await save(null));
  // Handbook 2, NRC 2006: 22 kg, six pups, week 3.
  expect(Math.round(dayEnergy((await readDog(house.db, sedge.dogId))!, TODAY).kcal)).toBe(4377);
  valueOf(await save((await readDog(house.db, sedge.dogId))!.litterId!));
  expect((await readDog(house.db, sedge.dogId))!.litters).toHaveLength(1);
  valueOf(await house.run((context) => saveCare(context, { ...sedge, illness: 'a weak kidney', biteSize: 'minced' })));
  expect(await readDog(house.db, sedge.dogId)).toMatchObject({ illness: 'a weak kidney', biteSize: 'minced' });
  valueOf(await house.run((context) => seeCaution(context, sedge)));
  expect((await readDog(house.db, sedge.dogId))!.cautionSeen).toEqual({ of: 'lactation, a weak kidney', on: TODAY });
  valueOf(await house.run((context) => archiveDog(context, { ...sedge, archived: true })));
  expect((await readDogs(house.db)).map((each) => each.name)).not.toContain('Sedge');
  expect((await readDogs(house.db, 'archived too')).map((each) => each.name)).toContain('Sedge');
  expect(await save(null)).toMatchObject({
    ok: false,
    problems: [{ message: expect.stringContaining('archived') as string }],
  });
  valueOf(await house.run((context) => archiveDog(context, { ...sedge, archived: false })));
  expect((await readDogs(house.db)).map((each) => each.name)).toContain('Sedge');
});
