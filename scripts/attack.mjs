// Tries to break a built Hodman: `npm run attack` for an hour, `npm run attack -- --quick` for some minutes. Seeded: the same
// attack at every run (`--seed 7` for another one). Prints one line a kind with its count; ends with 1 where something broke.
import { build, install } from './prepare.mjs';

install();
build();
const quick = process.argv.includes('--quick');
const at = process.argv.indexOf('--seed');
const seed = at < 0 ? 20261128 : Number(process.argv[at + 1]);
const only = process.argv.slice(2).filter((each) => !each.startsWith('--') && each !== String(seed));

const KINDS = [
  ['fuzz', () => import('./attack/fuzz.mjs'), quick ? 150 : 5_000],
  ['tabs', () => import('./attack/tabs.mjs'), quick ? 20 : 400],
  ['careless', () => import('./attack/careless.mjs'), quick ? 60 : 200],
  ['clock', () => import('./attack/clock.mjs'), quick ? 15 : 300],
  ['kills', () => import('./attack/kills.mjs'), quick ? 12 : 200],
  ['owners', () => import('./attack/owners.mjs'), quick ? 2 : 40],
  ['folders', () => import('./attack/folders.mjs'), quick ? 4 : 60],
];

let broken = 0;
for (const [kind, load, count] of KINDS) {
  if (only.length > 0 && !only.includes(kind)) continue;
  const started = Date.now();
  const { attack } = await load();
  // A kind that cannot be tried at all ends none of the others.
  const { tried, said, broke } = await attack(count, seed).catch((error) => ({
    tried: 0,
    said: 'it could not be tried',
    broke: [error.stack],
  }));
  console.log(
    `${kind}: ${tried} tried, ${broke.length} broke something${said ? `; ${said}` : ''} (${Math.round((Date.now() - started) / 1000)} s)`,
  );
  for (const each of broke.slice(0, 40)) console.log(`  ${each}`);
  broken += broke.length;
}
process.exit(broken > 0 ? 1 : 0);
