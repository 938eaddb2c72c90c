import { readdirSync, rmSync } from 'node:fs';
import { inputFor } from './inputs.mjs';
import { seeded } from './random.mjs';
import { roomsDown } from './rooms.mjs';
import { actionIds, newFolder, post, start } from './server.mjs';
import { actionShapes } from './shapes.mjs';

/** Makes files or puts old states in place of new ones: not what is asked about here. */
const LEFT_OUT = new Set(['makeBackup', 'restoreBackup', 'lookIntoBackup']);

/** So many inputs stand between two looks at every room. */
const BETWEEN = 60;

/** The rooms and files of the house, found by reading its routes; what stands in brackets is filled in. */
const routes = () =>
  readdirSync('src/app', { recursive: true })
    .filter((file) => /(^|\/)(page\.tsx|route\.ts)$/.test(file))
    .map((file) => `/${file.replace(/(^|\/)(page\.tsx|route\.ts)$/, '')}`)
    .filter((path) => !/api\/(changes|instruments|timers)/.test(path));
const HOSTILE = ['1', '2', '0', '99999', '2147483648', 'abc', '%00', '%E0%A4%A', '..%2f..', 'R1', 'V1', '%F0%9F%92%A5'];
const filled = (path, random) => path.replace(/\[[^\]]+\]/g, () => random.pick(HOSTILE));

/** Sends what fits the shape of every action and is hostile in its figures, and what fits no route; then looks at every room. */
export async function attack(count, seed) {
  const random = seeded(seed);
  const shapes = [...(await actionShapes())].filter(([name]) => !LEFT_OUT.has(name));
  const ids = actionIds();
  const folder = newFolder();
  const server = await start(folder, { demo: true, now: '2026-11-25T12:00:00Z' });
  const broke = [];
  const taken = new Map();
  const down = new Set();
  const look = async (after) => {
    for (const room of await roomsDown(server)) {
      if (!down.has(room)) broke.push(`${room} after ${after}`);
      down.add(room);
    }
  };
  let tried = 0;
  let kept = [];
  const all = routes();
  for (; tried < count; tried++) {
    if (tried % 4 === 3) {
      const path =
        filled(random.pick(all), random) +
        (random.chance(0.5) ? `?${random.pick(['pack', 'day', 'q', 'kind', 'recipe'])}=${random.pick(HOSTILE)}` : '');
      const response = await fetch(server.address + path).catch((error) => ({
        status: 599,
        text: () => String(error),
      }));
      await response.text();
      if (response.status >= 500) broke.push(`GET ${path}: ${response.status}`);
    } else {
      const [name, { schema }] = random.pick(shapes);
      const input = inputFor(schema, random);
      const commandId = `attack-${seed}-${tried}`;
      const response = await post(server, ids.get(name), JSON.stringify([{ commandId, input }]));
      const said = await response.text();
      if (response.status >= 500 || /stumbled|Internal Server Error/.test(said))
        broke.push(`${name}: ${response.status} for ${JSON.stringify(input).slice(0, 400)}`);
      if (said.includes('"ok":true')) {
        taken.set(name, (taken.get(name) ?? 0) + 1);
        kept.push(`${name} ${JSON.stringify(input).slice(0, 200)}`);
      }
    }
    if (tried % BETWEEN === BETWEEN - 1) {
      await look(kept.join(' | ').slice(0, 1500) || 'nothing');
      kept = [];
    }
  }
  await look(kept.join(' | ').slice(0, 1500) || 'nothing');
  await server.kill();
  // What was kept can be opened again.
  const again = await start(folder, { now: '2026-11-25T12:00:00Z' }).catch((error) => {
    broke.push(`does not start again: ${String(error).slice(0, 300)}`);
  });
  await again?.kill();
  rmSync(folder, { recursive: true, force: true });
  const total = [...taken.values()].reduce((sum, each) => sum + each, 0);
  return {
    tried,
    said: `${shapes.length} actions, ${all.length} routes, ${total} inputs taken by ${taken.size} actions`,
    broke,
  };
}
