import ICAL from 'ical.js';
import Papa from 'papaparse';
import { GET as calendar } from '@/app/api/calendar/[secret]/route';
import { GET as file } from '@/app/api/stock/[what]/route';
import { contextFor } from '@/data/commands/run';
import { renewCalendar } from '@/data/commands/household';
import { readHousehold } from '@/data/repositories/household';
import { serve } from '@/data/fixtures/served';

const NOON = '2026-11-25T12:00:00Z';
let served: Awaited<ReturnType<typeof serve>>;

beforeAll(async () => {
  served = await serve(NOON, { demo: true });
});

const ask = (secret: string) => calendar(new Request('http://localhost/'), { params: Promise.resolve({ secret }) });
const stock = async (what: string) => {
  const answer = await file(new Request('http://localhost/'), { params: Promise.resolve({ what }) });
  return { status: answer.status, text: await answer.text() };
};

test('the calendar opens by its secret alone, and not by the old one once it is renewed', async () => {
  expect((await ask('')).status).toBe(404);
  expect((await ask('guessed')).status).toBe(404);
  const context = await contextFor(served.db, served.reference, new Date(NOON));
  await renewCalendar(context, { on: true });
  const first = (await readHousehold(served.db)).calendarSecret!;
  expect(first).toMatch(/^[\w-]{32}$/);
  const answer = await ask(first);
  expect(answer.headers.get('content-type')).toMatch('text/calendar');
  const events = new ICAL.Component(ICAL.parse(await answer.text()) as never).getAllSubcomponents('vevent');
  const said = events.map((event) => new ICAL.Event(event).summary);
  expect(said.some((words) => words.startsWith('To the fridge for tomorrow:'))).toBe(true);
  expect(said).toContain('Feed by tonight: V11, V12, V13');
  await renewCalendar(context, { on: true });
  expect((await ask(first)).status).toBe(404);
  await renewCalendar(context, { on: false });
  expect((await ask('null')).status).toBe(404);
  expect((await ask('file')).status).toBe(200);
});

test('the movements as CSV sum to what the packs hold; anything else is not found', async () => {
  const read = (text: string) => Papa.parse<Record<string, string>>(text, { header: true }).data;
  const packs = read((await stock('packs')).text);
  const movements = read((await stock('movements')).text);
  const held = new Map<string, number>();
  for (const { pack, grams } of movements) if (pack) held.set(pack, (held.get(pack) ?? 0) + Number(grams));
  expect(packs.length).toBeGreaterThan(20);
  for (const { code, grams } of packs) expect(held.get(code!)).toBeCloseTo(Number(grams), 6);
  const total = movements.reduce((sum, { grams }) => sum + Number(grams), 0);
  expect(total).toBeCloseTo(0, 6);
  expect((await stock('toString')).status).toBe(404);
});
