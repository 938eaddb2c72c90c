import { rmSync } from 'node:fs';
import { seeded } from './random.mjs';
import { actionIds, begin, newFolder, post, start } from './server.mjs';

const dog = (name) => ({
  name,
  birthDate: '2020-05-05',
  weight: '12 kg',
  neutered: true,
  work: 'none',
  proneToGain: false,
  expectedAdultWeight: '',
  meals: '2',
});

/** Kills the server while it writes: everything that was acknowledged is there after the next start, and nothing is doubled. */
export async function attack(count, seed) {
  const random = seeded(seed);
  const saveDog = actionIds().get('saveDog');
  const folder = newFolder();
  const broke = [];
  const acknowledged = [];
  const missingIn = async (server) => {
    const page = await (await fetch(`${server.address}/dogs`)).text();
    return acknowledged.filter((name) => page.split(`>${name}<`).length < 2);
  };
  let tried = 0;
  for (; tried < count; tried++) {
    // The first starts are killed while the first database is made.
    if (tried < Math.min(5, count / 4)) {
      const server = await begin(folder, { now: '2026-11-25T12:00:00Z' });
      await new Promise((resolve) => setTimeout(resolve, 1000 + random.next() * 5000));
      await server.kill();
      continue;
    }
    const server = await start(folder, { now: '2026-11-25T12:00:00Z' }).catch((error) => {
      broke.push(`kill ${tried}: ${String(error).slice(0, 300)}`);
    });
    if (!server) break;
    const missing = await missingIn(server);
    if (missing.length > 0) broke.push(`kill ${tried}: ${missing.join(', ')} missing`);
    let going = true;
    let first;
    const firstWrite = new Promise((resolve) => (first = resolve));
    const writing = (async () => {
      for (let write = 0; going; write++) {
        const name = `K${tried}W${write}`;
        const body = JSON.stringify([{ commandId: `attack-${name}`, input: { entry: dog(name) } }]);
        const said = await post(server, saveDog, body, '/dogs/new')
          .then((response) => response.text())
          .catch(() => '');
        if (said.includes('"ok":true')) acknowledged.push(name);
        first();
      }
    })();
    // The clock runs from the first write: a slow day kills no sooner.
    await firstWrite;
    await new Promise((resolve) => setTimeout(resolve, random.next() * 900));
    await server.kill();
    going = false;
    await writing;
  }
  const last = await start(folder, { now: '2026-11-25T12:00:00Z' });
  const missing = await missingIn(last);
  if (missing.length > 0) broke.push(`at the end: ${missing.join(', ')} missing`);
  await last.kill();
  // Where nothing was written nothing was tried.
  if (acknowledged.length < tried / 2) broke.push(`only ${acknowledged.length} writes were acknowledged`);
  rmSync(folder, { recursive: true, force: true });
  return { tried, said: `${acknowledged.length} acknowledged writes compared`, broke };
}
