import { entry, timeEach } from './measure.mjs';

const PAGES = [
  ['today', '/'],
  ['store', '/store'],
  ['recipe-page', '/recipes/1'],
];
const WARM_UP = 10;
const RUNS = 60;

/** The server's whole answer for a page with the demo data; `size` is the answer's bytes. */
export async function pages(address) {
  const entries = [];
  for (const [name, path] of PAGES) {
    let bytes = 0;
    const ask = async () => {
      const response = await fetch(address + path);
      if (response.status !== 200) throw new Error(`${path} answered ${response.status}`);
      bytes = (await response.arrayBuffer()).byteLength;
    };
    await timeEach(Array(WARM_UP), ask);
    entries.push(entry(name, bytes, await timeEach(Array(RUNS), ask)));
  }
  return entries;
}
