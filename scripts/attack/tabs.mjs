import { rmSync } from 'node:fs';
import { seeded } from './random.mjs';
import { roomsDown } from './rooms.mjs';
import { actionIds, ask, newFolder, start } from './server.mjs';

/** More holdings than the demo has. */
const HOLDINGS = 90;

/** How many movements of a kind stand in the file of them. */
const countOf = async ({ address }, kind) => {
  const text = await (await fetch(`${address}/api/stock/movements`)).text();
  return new Set([...text.matchAll(/^(\d+),([^,]+),/gm)].flatMap(([, id, of]) => (of === kind ? [id] : []))).size;
};

/**
 * Two tabs press at once: the same press sent twice is done once, and of two presses that cannot both be, one is refused in words.
 * What was done is in the ledger as often as it was said to be done.
 */
export async function attack(count, seed) {
  const random = seeded(seed);
  const ids = actionIds();
  const folder = newFolder();
  const server = await start(folder, { demo: true, now: '2026-11-25T12:00:00Z' });
  const broke = [];
  const before = await countOf(server, 'discarded');
  let thrown = 0;
  let tried = 0;
  for (; tried < count; tried++) {
    const holdingIds = [1 + random.below(HOLDINGS)];
    const isSamePress = random.chance(0.5);
    const commandIds = isSamePress ? [`tabs-${tried}`, `tabs-${tried}`] : [`tabs-${tried}-a`, `tabs-${tried}-b`];
    const answers = await Promise.all(
      commandIds.map((commandId) => ask(server, ids.get('discardPacks'), commandId, { holdingIds, why: 'attack' })),
    );
    const done = answers.filter((each) => each.done).length;
    if (answers.some(({ status }) => status >= 500))
      broke.push(`tabs ${tried}: answered ${answers.map((each) => each.status)}`);
    // The same press is told twice that it was done.
    if (isSamePress && done === 1)
      broke.push(
        `tabs ${tried}: one of two equal presses was refused: ${answers
          .map((each) => each.said)
          .join(' | ')
          .slice(0, 300)}`,
      );
    if (!isSamePress && done > 1) broke.push(`tabs ${tried}: holding ${holdingIds[0]} was thrown away twice`);
    if (done > 0) thrown += 1;
  }
  const kept = (await countOf(server, 'discarded')) - before;
  if (kept !== thrown) broke.push(`${thrown} were said to be thrown away, and the ledger has ${kept}`);
  if (thrown === 0) broke.push('nothing was thrown away: nothing was tried');
  broke.push(...(await roomsDown(server)));
  await server.kill();
  rmSync(folder, { recursive: true, force: true });
  return { tried, said: `${thrown} of them took something out, the ledger has each once`, broke };
}
