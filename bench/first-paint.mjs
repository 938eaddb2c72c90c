// What a cook waits for in the browser, room by room: the first paint, the moment that presses count, and its own scripts.
import { chromium } from '@playwright/test';
import { entry } from './measure.mjs';

const ROOMS = [
  ['today', '/'],
  ['dogs', '/dogs'],
  ['dog', '/dogs/1'],
  ['recipes', '/recipes'],
  ['recipe', '/recipes/1'],
  ['plan', '/plan'],
  ['batches', '/batches'],
  ['batch', '/batches/4'],
  ['store', '/store'],
  ['household', '/household'],
];
const RUNS = 7;

/**
 * `first-paint-*` and `interactive-*` in ms from the request, each in a browser that has the files already;
 * `route-js-*` in kB as they are sent: what a room loads beyond the scripts that every room has.
 */
export async function firstPaints(address) {
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--headless', '--no-sandbox', '--disable-gpu', '--disable-quic', '--disable-background-networking'],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const rooms = [];
    for (const [name, path] of ROOMS) {
      const [paints, interactive] = [[], []];
      let scripts = new Map();
      for (let run = 0; run <= RUNS; run++) {
        await page.goto('about:blank');
        await page.goto(address + path, { waitUntil: 'load' });
        // The page says itself once what was done early is done again, and presses count.
        const listens = await page.evaluate(async () => {
          while (!window.hodmanEarly?.done) await new Promise((resolve) => requestAnimationFrame(resolve));
          return performance.now();
        });
        const paint = await page.evaluate(async () => {
          const painted = () => performance.getEntriesByName('first-contentful-paint')[0];
          while (!painted()) await new Promise((resolve) => requestAnimationFrame(resolve));
          return painted().startTime;
        });
        if (run === 0)
          scripts = new Map(
            await page.evaluate(() =>
              performance
                .getEntriesByType('resource')
                .filter((each) => each.name.endsWith('.js'))
                .map((each) => [each.name, each.encodedBodySize]),
            ),
          );
        else {
          paints.push(paint);
          interactive.push(listens);
        }
      }
      rooms.push({ name, paints, interactive, scripts });
    }
    const shared = [...rooms[0].scripts.keys()].filter((script) => rooms.every((room) => room.scripts.has(script)));
    return rooms.flatMap(({ name, paints, interactive, scripts }) => {
      const own = [...scripts].filter(([script]) => !shared.includes(script));
      const kilobytes = own.reduce((sum, [, bytes]) => sum + bytes, 0) / 1000;
      return [
        entry(`first-paint-${name}`, RUNS, paints),
        entry(`interactive-${name}`, RUNS, interactive),
        { name: `route-js-${name}`, size: own.length, kb: Number(kilobytes.toFixed(1)) },
      ];
    });
  } finally {
    await browser.close();
  }
}
