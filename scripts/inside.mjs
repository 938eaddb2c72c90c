// Opens a backup in a process of its own and prints what is in it, as JSON: the house goes on meanwhile, and what it takes is
// given back.
import { register } from 'node:module';
import './prepare.mjs';

register('./typescript.mjs', import.meta.url);
const { insideOf } = await import('../src/data/folder/inside.ts');
try {
  console.log(JSON.stringify(await insideOf(process.argv[2])));
  process.exit(0);
} catch (error) {
  console.error(error.message);
  process.exit(1);
}
