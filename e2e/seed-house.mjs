// Plays what a household may do on the house in a folder that nobody has open, drawn by a seed.
// node --conditions=react-server --import ./bench/register.mjs e2e/seed-house.mjs <folder> <seed> <instant>
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';

const [folder, seed, instant] = process.argv.slice(2);
process.env.HODMAN_NOW = instant;
const { loadReference } = await import('@/data/reference/reference');
const { wrap } = await import('@/data/database');
const { playHouse } = await import('@/data/fixtures/seeded-house');
const client = await PGlite.create(join(folder, 'pg'));
const of = { db: wrap(client), reference: loadReference(), instant: new Date(instant) };
const done = await playHouse(of, Number(seed), 16, [
  ...['rules', 'guest', 'away', 'fast', 'treat', 'hold', 'pot', 'broth', 'apart', 'correct', 'split', 'thaw', 'feed'],
  ...['left', 'weigh in', 'cups'],
]);
await client.close();
console.log(JSON.stringify(done));
