import { rmSync } from 'node:fs';
import { begin, newFolder, start } from './server.mjs';

/** Several servers begin together on a folder whose owner was killed: one of them owns it, the others say so. */
export async function attack(count) {
  const folder = newFolder();
  const first = await start(folder);
  await first.kill();
  const broke = [];
  for (let race = 0; race < count; race++) {
    const all = await Promise.all([0, 1, 2].map(() => begin(folder)));
    const up = await Promise.all(all.map((server) => server.up()));
    const owners = up.filter(Boolean).length;
    if (owners !== 1) broke.push(`race ${race}: ${owners} of ${all.length} owned the folder`);
    all.forEach((server, at) => {
      if (!up[at] && !/is open in another Hodman/.test(server.printed()))
        broke.push(`race ${race}: ${server.printed().slice(-300)}`);
    });
    await Promise.all(all.map((server) => server.kill()));
  }
  rmSync(folder, { recursive: true, force: true });
  return { tried: count, said: 'three servers each', broke };
}
