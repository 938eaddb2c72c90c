import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { addDog, call } from './actions';
import { newFolder, startHodman, type Hodman } from './server';
import { seeded } from '../tests/fixtures/seeded';

/** True only where the server has said that the dog is stored. */
const isAdded = async (hodman: Hodman, name: string): Promise<boolean> =>
  (await addDog(hodman, `kill-${name}`, name)).includes('"ok":true');

// PostgreSQL's src/include/catalog/pg_control.h: after 16 bytes the state of the cluster, 1 shut down, 6 in production.
const stateOf = ({ folder }: Hodman) => readFileSync(join(folder, 'pg/global/pg_control')).readUInt32LE(16);

test('asked to end, it closes its database first; killed, it does not', async () => {
  const killed = await startHodman({});
  await killed.kill('SIGKILL');
  expect(stateOf(killed)).toBe(6);
  const again = await startHodman({ folder: killed.folder });
  expect(await isAdded(again, 'Last')).toBe(true);
  await again.kill('SIGTERM');
  expect(stateOf(again)).toBe(1);
  const after = await startHodman({ folder: killed.folder });
  expect(await (await fetch(`${after.address}/dogs`)).text()).toContain('>Last<');
  await after.kill('SIGKILL');
});

test('kill -9 in the middle of moving 40 packs: all of them moved, or none', async () => {
  const random = seeded(20261127);
  const folder = newFolder();
  let hodman = await startHodman({ folder, demo: true });
  const html = await (await fetch(`${hodman.address}/store/count`)).text();
  const placeId = (name: string) => Number(new RegExp(`place=(\\d+)"[^>]*>${name}`).exec(html)![1]);
  const [fridge, freezer] = [placeId('Fridge'), placeId('Freezer')];
  const found = await call(hodman, '/store/found', 'foundPacks', 'forty-found', {
    recipeId: 1,
    kind: 'cooked',
    placeId: freezer,
    count: '40',
    grams: '200',
    kcalPer100: '120',
    waterPer100: '',
    packedOn: '',
  });
  const holdingIds = JSON.parse(/"holdingIds":(\[[\d,]+\])/.exec(found)![1]!) as number[];
  const codes = JSON.parse(/"codes":(\[[^\]]+\])/.exec(found)![1]!) as string[];
  expect(holdingIds).toHaveLength(40);
  const inFreezer = async (): Promise<number> => {
    const rows = (await (await fetch(`${hodman.address}/api/stock/packs`)).text())
      .split('\n')
      .map((row) => row.split(','));
    return rows.filter(([code, , , place]) => codes.includes(code!) && place === 'Freezer').length;
  };
  const seen = new Set<string>();
  for (let round = 0; round < 5; round++) {
    const before = await inFreezer();
    const input = { holdingIds, placeId: before === 40 ? fridge : freezer, fits: true };
    const answer = call(hodman, '/store', 'movePacks', `forty-moved-${round}`, input).catch(() => '');
    await new Promise((resolve) => setTimeout(resolve, random() * 80));
    await hodman.kill('SIGKILL');
    const isAcknowledged = (await answer).includes('"ok":true');
    hodman = await startHodman({ folder });
    const after = await inFreezer();
    expect([0, 40]).toContain(after);
    // What was answered is there; what was not may have happened or not.
    if (isAcknowledged) expect(after).toBe(40 - before);
    seen.add(isAcknowledged ? 'answered' : after === before ? 'not begun' : 'done, not answered');
  }
  await hodman.kill('SIGKILL');
  // At least one of them was killed before it had answered.
  expect([...seen].some((each) => each !== 'answered')).toBe(true);
});
