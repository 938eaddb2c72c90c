// Runs inside the bench, in a process of its own: the queries of each room on a folder, alone and with what is made of them.
// node --conditions=react-server --import ./bench/register.mjs bench/house-5y.mjs <folder>
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';

const [folder] = process.argv.slice(2);
const plain = await PGlite.create(join(folder, 'pg'));
const { loadReference } = await import('@/data/reference/reference');
const { wrap } = await import('@/data/database');
const { prepared } = await import('@/data/prepared');
const reference = loadReference();
const client = prepared(plain);
const { durable } = await import('@/data/folder/durable');
const onDisk = durable(folder);
globalThis[Symbol.for('hodman')] = Promise.resolve({ client, durable: onDisk, owner: undefined, reference });

const median = (times) => [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)];
const RUNS = 15;

/** What a piece of work asks the database, so that it can be asked again without the work. */
async function recorded(work) {
  const asked = [];
  const heard = (tx) => ({
    ...tx,
    query: (text, params, options) => {
      asked.push([text, params, options]);
      return tx.query(text, params, options);
    },
  });
  plain[Symbol.for('hodman prepared')] = new Proxy(client, {
    get: (target, key) =>
      key === 'transaction' ? (run) => target.transaction((tx) => run(heard(tx))) : Reflect.get(target, key),
  });
  try {
    await work();
  } finally {
    plain[Symbol.for('hodman prepared')] = client;
  }
  return asked.filter(([text]) => /^\s*(select|with)/i.test(text));
}

async function timed(work) {
  const times = [];
  for (let run = 0; run < RUNS; run++) {
    const start = performance.now();
    await work();
    times.push(performance.now() - start);
  }
  return median(times.slice(3));
}

const report = {};
async function room(name, work) {
  await work();
  const asked = await recorded(work);
  const bare = await timed(() =>
    client.transaction(async (tx) => {
      for (const [text, params, options] of asked) await tx.query(text, params, options);
    }),
  );
  report[name] = { queries: asked.length, bare, work: await timed(work) };
}

const { todayView } = await import('@/features/today/queries');
const { storeView } = await import('@/features/store/queries');
const { newPlanView } = await import('@/features/plans/queries');
const { dogView } = await import('@/features/dogs/queries');
const { batchRows } = await import('@/features/batches/list/queries');
await room('today-5y', () => todayView());
await room('store-5y', () => storeView({ code: undefined, lotId: undefined }));
await room('plan-5y', () => newPlanView());
await room('dog-5y', () => dogView(1));
await room('batches-5y', () => batchRows());

// Eight weeks played against the stock, without what is read for it.
const { readAhead } = await import('@/data/ahead');
const { readPage } = await import('@/data/page');
const { mealsAhead } = await import('@/core/stock/meals-ahead');
const { playAhead } = await import('@/core/stock/weeks-ahead');
const ahead = await readPage(async (read) => ({ ...(await readAhead(read)), today: read.today }));
report['ahead-8-weeks'] = {
  queries: ahead.sources.length,
  work: await timed(async () => {
    // Each run reckons the dogs' days anew, as a page does.
    const meals = ahead.meals.map((each) => {
      const dog = ahead.dogs.find(({ id }) => id === each.dogId);
      return { ...each, mealsOn: mealsAhead(dog, ahead.today, '00:00', new Set()) };
    });
    playAhead(meals, ahead.sources, ahead.today, ahead.keeps);
  }),
};

const { runCommand, tryCommand } = await import('@/data/commands/run');
const { feedBowl, takeBackBowl } = await import('@/data/commands/bowls');
const house = {
  get db() {
    return wrap(plain);
  },
  reference,
  now: new Date(),
};
const view = await todayView();
const dog = view.dogs.find((each) => each.next && each.next.drawn.length > 0);
if (dog) {
  const { bowlPart } = await import('@/core/stock/draw');
  const parts = dog.next.drawn.map(bowlPart);
  await room('feed-5y', async () => {
    const fed = await tryCommand(house, (context) =>
      feedBowl(context, { dogId: dog.id, slotId: dog.next.slotId, day: view.day, at: 'now', parts }),
    );
    if (!fed.ok) throw new Error(fed.problems[0].message);
  });
  // The command as it is acknowledged: committed as PGlite leaves it, and with its log on the disk.
  let presses = 0;
  const press = async (kept) => {
    const asked = { id: `bench-feed-${(presses += 1)}`, kind: 'feed bowl', input: { presses } };
    const start = performance.now();
    const fed = await runCommand({ db: house.db, reference, now: house.now, kept }, asked, (context) =>
      feedBowl(context, { dogId: dog.id, slotId: dog.next.slotId, day: view.day, at: 'now', parts }),
    );
    const took = performance.now() - start;
    if (!fed.ok) throw new Error(fed.problems[0].message);
    const back = { id: `bench-back-${presses}`, kind: 'take back bowl', input: { presses } };
    await runCommand({ db: house.db, reference, now: house.now }, back, (context) =>
      takeBackBowl(context, { bowlId: fed.value.bowlId }),
    );
    return took;
  };
  await onDisk.log();
  const times = { 'feed-committed': [], 'feed-synced': [] };
  for (let run = 0; run < RUNS; run++) {
    times['feed-committed'].push(await press(undefined));
    times['feed-synced'].push(await press(onDisk.log));
  }
  for (const [name, taken] of Object.entries(times)) report[name] = { queries: 0, work: median(taken.slice(3)) };
}

const { savePlan } = await import('@/data/commands/plans');
const { weighBatch } = await import('@/data/commands/batches');
const { startCooking } = await import('@/data/commands/start-batch');
const { cookBatch } = await import('@/data/commands/cook-day');
const { asksOf } = await import('@/core/batch/steps/cook');
const { setShares } = await import('@/data/commands/shares');
const { sealShare } = await import('@/data/commands/packs');
const { plainPlan } = await import('@/core/plan/plan-entry');
const { readBatch } = await import('@/data/repositories/batches');
const { readDogs } = await import('@/data/repositories/dogs');
const { readPlannedLines } = await import('@/data/repositories/planned');
let sealing = 0;
let packs = 0;
const sealed = await tryCommand(house, async (context) => {
  const dogs = await readDogs(context.tx);
  const entry = plainPlan(
    1,
    dogs.map((each) => each.id),
    context.today,
    {
      binding: { days: '20' },
      seen: [...reference.hazards.map((hazard) => hazard.id), ...dogs.map((each) => `calcium-${each.id}`)],
    },
  );
  const { batchIds } = await savePlan(context, { entry });
  const batchId = batchIds[0];
  const planned = await readBatch(context.tx, batchId, '4-9-4');
  const { takes } = await readPlannedLines(context.tx, reference, planned);
  await startCooking(context, { batchId, grams: takes.map((take) => take.bought) });
  const cooked = await readBatch(context.tx, batchId, '4-9-4');
  const { heat, stirIns } = asksOf(cooked, context.now);
  for (const { key } of heat) await cookBatch(context, { batchId, of: { act: 'core', load: key, celsius: 76 } });
  for (const { key } of cooked.day.loads)
    await cookBatch(context, { batchId, of: { act: 'pan', load: key, celsius: 5 } });
  for (const { line, grams } of stirIns)
    await cookBatch(context, { batchId, of: { act: 'stir in', line, grams, when: 'before weighing' } });
  const cooking = await readBatch(context.tx, batchId, '4-9-4');
  const net = Math.round(cooking.sheet.inPot * 0.85);
  await weighBatch(context, {
    batchId,
    weighing: { by: 'scale', vessels: [{ name: 'pot', gross: net, tare: 0 }] },
    eatenBefore: 0,
  });
  await setShares(context, { batchId, shares: [{ fate: 'freezer', grams: net }] });
  const { shares } = await readBatch(context.tx, batchId, '4-9-4');
  const start = performance.now();
  packs = (await sealShare(context, { batchId, shareId: shares[0].id })).codes.length;
  sealing = performance.now() - start;
});
if (!sealed.ok) throw new Error(sealed.problems[0].message);
report['seal-60'] = { queries: packs, bare: undefined, work: sealing };
await client.close();
console.log(JSON.stringify(report));
