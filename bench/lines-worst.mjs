import { readFileSync } from 'node:fs';
import Papa from 'papaparse';
import { entry, timeEach } from './measure.mjs';

const LETTERS = 296;
const LINES = 200;
const RUNS = 7;

const longLine = (wordAt) => {
  let line = '2 lb';
  for (let at = 0; line.length + wordAt(at).length < LETTERS; at++) line += ` ${wordAt(at)}`;
  return line;
};

/** Kinds of lines that cost the most that we know of: slips of every word, words of many phrases, names of foods, words of nothing. */
function kinds() {
  const names = Papa.parse(readFileSync('data/food-composition.csv', 'utf8'), { header: true })
    .data.flatMap(({ name }) => (name ?? '').replace(/,/g, ' ').split(/\s+/))
    .filter(Boolean);
  const phrases = 'chicken breast raw meat skin with cooked ground beef pork turkey'.split(' ');
  const letter = (seed) => String.fromCharCode(97 + ((seed * 7919) % 26));
  return [
    (line) =>
      longLine((at) => [0, 1, 2, 3, 4, 5, 6].map((place) => letter(line * 31 + at * 7 + place * place)).join('')),
    (line) => longLine((at) => `${names[(line * 97 + at * 13) % names.length]}x`),
    (line) => longLine((at) => phrases[(line + at) % phrases.length]),
    (line) => longLine((at) => names[(line * 97 + at * 13) % names.length]),
  ];
}

/** Two hundred lines of the worst that we know, read by the server; and how long Today takes meanwhile and alone. */
export async function linesWorst(address) {
  const made = kinds();
  const text = Array.from({ length: LINES }, (_, line) => made[line % made.length](line)).join('\n');
  const read = async () => {
    const response = await fetch(`${address}/api/lines`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: address },
      body: JSON.stringify({ text, room: LINES }),
    });
    const answered = await response.text();
    if (!response.ok || !answered.includes('"answer"'))
      throw new Error(`lines: ${response.status} ${answered.slice(0, 200)}`);
  };
  const today = async () => {
    await (await fetch(address)).text();
  };
  await read();
  const times = await timeEach(Array(RUNS), read);
  await timeEach(Array(5), today);
  const alone = await timeEach(Array(20), today);
  const meanwhile = [];
  for (let run = 0; run < RUNS; run++) {
    let going = true;
    const reading = read().finally(() => (going = false));
    while (going) meanwhile.push(...(await timeEach([0], today)));
    await reading;
  }
  return [
    entry('lines-200-worst', text.length, times),
    entry('today-alone', 0, alone),
    entry('today-while-reading', meanwhile.length, meanwhile),
  ];
}
