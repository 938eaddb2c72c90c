import 'server-only';
import { agendaOf, type AgendaEntry } from '@/core/stock/agenda';
import { playAhead, type Play } from '@/core/stock/weeks-ahead';
import { weighInDue } from '@/core/dog/weigh-in-due';
import { readAhead } from './ahead';
import type { Page } from './page';
import { readToThaw } from './fetching';
import { readPlans } from './repositories/plans';
import { OPEN_PLANS } from './repositories/promised';
import { readPlaces } from './repositories/household';
import { readLots } from './repositories/lots';
import { freezingDays, litresOf } from '@/core/preserve/freezing-plan';

const NOTHING: Play = { cover: [], out: [] };

/** What the coming eight weeks ask for. */
export async function readAgenda(read: Page): Promise<AgendaEntry[]> {
  const { today } = read;
  const ahead = await readAhead(read);
  const places = await readPlaces(read.db);
  const freezers = places.map(({ id, capacityMl }) => ({ id, litres: litresOf(capacityMl) }));
  return agendaOf({
    today,
    sources: ahead.sources,
    played: ahead.stock.length === 0 ? NOTHING : playAhead(ahead.meals, ahead.sources, today, ahead.keeps),
    weighIns: ahead.dogs.map((dog) => ({ dogId: dog.id, name: dog.name, due: weighInDue(dog, today) })),
    toFreeze: freezingDays(ahead.stock, freezers, today).map(({ pack, on }) => ({ code: pack.code, on })),
    toThaw: (await readToThaw(read)).map(({ name, by }) => ({ code: name, on: by.day })),
    toCook: (await readLots(read.db)).flatMap(({ name, safeUntil }) =>
      safeUntil === undefined ? [] : [{ code: name, on: safeUntil }],
    ),
    cookDays: (await readPlans(read.db, OPEN_PLANS)).flatMap(({ open, cookDay, batches }) =>
      open ? batches.map(({ recipeName }) => ({ code: recipeName, on: cookDay })) : [],
    ),
  });
}
