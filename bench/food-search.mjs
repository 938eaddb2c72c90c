import { readFileSync } from 'node:fs';
import Papa from 'papaparse';
import { entry, timeEach } from './measure.mjs';

/** Every one- to three-letter prefix of the words in the food table, asked of the server; `size` is their number. */
export async function foodSearch(address) {
  const { data } = Papa.parse(readFileSync('data/food-composition.csv', 'utf8'), {
    header: true,
    skipEmptyLines: true,
  });
  const words = data.flatMap((row) => row.name.toLowerCase().split(/[^a-z]+/)).filter(Boolean);
  const prefixes = [...new Set(words.flatMap((word) => [1, 2, 3].map((length) => word.slice(0, length))))].sort();
  const ask = async (prefix) => {
    const response = await fetch(`${address}/api/foods?q=${encodeURIComponent(prefix)}`);
    const foods = await response.json();
    if (foods.length === 0) throw new Error(`"${prefix}" found nothing`);
  };
  await timeEach(prefixes.slice(0, 50), ask);
  return [entry('food-search', prefixes.length, await timeEach(prefixes, ask))];
}
