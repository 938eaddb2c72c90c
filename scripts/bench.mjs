// Timings of the built application with the demo data. `npm run bench -- --json` prints them for other programs.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build, install } from './ground.mjs';

install();
if (process.argv.includes('mutate-data')) {
  const { mutateData } = await import('../bench/mutate-data.mjs');
  mutateData();
  process.exit(0);
}
build();
const { pages } = await import('../bench/pages.mjs');
const { foodSearch } = await import('../bench/food-search.mjs');
const { balance } = await import('../bench/balance.mjs');

const { planKeystroke, planRecompute } = await import('../bench/plan.mjs');

const { linesRead } = await import('../bench/lines-read.mjs');

const computed = [...(await balance()), ...(await planRecompute()), ...linesRead()];

const port = await new Promise((resolve) => {
  const probe = createServer();
  probe.listen(0, '127.0.0.1', () => {
    const { port: free } = probe.address();
    probe.close(() => resolve(free));
  });
});
const folder = mkdtempSync(join(tmpdir(), 'hodman-bench-'));
const address = `http://127.0.0.1:${port}`;
const server = spawn(process.execPath, ['scripts/demo.mjs'], {
  env: { ...process.env, PORT: String(port), HODMAN_DATA: folder },
  stdio: ['ignore', 'ignore', 'inherit'],
});
let status = 1;
try {
  let up = false;
  for (let attempt = 0; attempt < 300 && !up && server.exitCode === null; attempt++) {
    up = await fetch(address).then(
      (response) => response.ok,
      () => false,
    );
    if (!up) await new Promise((resolve) => setTimeout(resolve, 200));
  }
  if (!up) throw new Error('the server did not start');
  const report = [
    ...(await pages(address)),
    ...(await foodSearch(address)),
    ...(await planKeystroke(address)),
    ...computed,
  ];
  if (process.argv.includes('--json')) console.log(JSON.stringify(report, null, 2));
  else console.table(Object.fromEntries(report.map(({ name, ...rest }) => [name, rest])));
  status = 0;
} finally {
  server.kill('SIGKILL');
  rmSync(folder, { recursive: true, force: true });
}
process.exit(status);
