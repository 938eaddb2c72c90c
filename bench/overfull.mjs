// A house with far too much in it: the demo, and on top of it eleven more dogs (fourteen in all), a freezer of 300 packs
// and a recipe of 40 lines. Written straight into the folder.
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';

const NAMES = ['Ash', 'Bosun', 'Cinder', 'Dory', 'Ember', 'Fathom', 'Gimbal', 'Halyard', 'Inkling', 'Jib', 'Kelp'];
const PACKS = 300;
const LINES = 40;

/** Overfills the demo that is in a folder that nobody has open; returns what it then holds. */
export async function overfill(folder) {
  const client = await PGlite.create(join(folder, 'pg'));
  const ask = async (sql, values = []) => (await client.query(sql, values)).rows;
  /** A row again, with other values; returns its id. */
  const again = async (table, row, other) => {
    const { id, ...rest } = { ...row, ...other };
    const own = Object.entries(other.id === undefined ? rest : { id, ...rest });
    const columns = own.map(([name]) => `"${name}"`).join(', ');
    const [made] = await ask(
      `insert into "${table}" (${columns}) select ${columns} from jsonb_populate_record(null::public."${table}", $1) returning *`,
      [JSON.stringify(Object.fromEntries(own))],
    );
    return made;
  };
  const rows = (table) => ask(`select to_jsonb(t) as row from "${table}" t`).then((all) => all.map(({ row }) => row));
  await client.exec('begin');

  const [dogs, weighIns, rations, slots, rationSlots] = [
    await rows('dog'),
    await rows('weigh_in'),
    await rows('ration'),
    await rows('meal_slot'),
    await rows('ration_slot'),
  ];
  for (const [index, name] of NAMES.entries()) {
    const like = dogs[index % dogs.length];
    const dog = await again('dog', like, { name, badge: dogs.length + index });
    const of = (all) => all.filter((row) => row.dog_id === like.id);
    const slotIds = new Map();
    for (const slot of of(slots)) slotIds.set(slot.id, (await again('meal_slot', slot, { dog_id: dog.id })).id);
    for (const weighIn of of(weighIns)) await again('weigh_in', weighIn, { dog_id: dog.id });
    for (const ration of of(rations)) {
      const made = await again('ration', ration, { dog_id: dog.id });
      for (const each of rationSlots.filter((row) => row.ration_id === ration.id))
        await again('ration_slot', each, { ration_id: made.id, slot_id: slotIds.get(each.slot_id) });
    }
  }

  const inFreezer = await ask(
    "select to_jsonb(h) as holding, to_jsonb(p) as pack from holding h join pack p on p.holding_id = h.id join place l on l.id = h.place_id where l.kind = 'freezer' and h.amount > 0 order by h.id",
  );
  const [contents, movements, legs] = [await rows('pack_content'), await rows('movement'), await rows('leg')];
  const there = (await ask("select count(*)::int as packs from holding where amount > 0 and kind = 'pack'"))[0].packs;
  for (let index = there; index < PACKS; index++) {
    const { holding, pack } = inFreezer[index % inFreezer.length];
    const made = await again('holding', holding, {});
    await again('pack', pack, { holding_id: made.id, code: `${pack.code.replace(/\d+/, '')}${1000 + index}` });
    for (const content of contents.filter((row) => row.holding_id === holding.id))
      await again('pack_content', content, { holding_id: made.id });
    const own = legs.filter((leg) => leg.holding_id === holding.id);
    const packed = movements.find((each) => each.kind === 'packed' && own.some((leg) => leg.movement_id === each.id));
    const movement = await again('movement', packed, {});
    await again('leg', own[0], { movement_id: movement.id, holding_id: made.id, amount: holding.amount });
    const from = legs.find((leg) => leg.movement_id === packed.id && leg.account !== null);
    await again('leg', from, { movement_id: movement.id, amount: -holding.amount });
  }

  const [recipe] = await rows('recipe');
  const [version] = (await rows('recipe_version')).filter((row) => row.recipe_id === recipe.id);
  const [component] = (await rows('component')).filter((row) => row.version_id === version.id);
  const lines = (await rows('line')).filter((row) => row.component_id === component.id && row.basis === 'batch');
  const long = await again('recipe', recipe, { name: 'Everything in the larder', letter: 'E', next_pack: 1 });
  const longVersion = await again('recipe_version', version, { recipe_id: long.id, number: 1 });
  const longComponent = await again('component', component, { version_id: longVersion.id });
  for (let index = 0; index < LINES; index++)
    await again('line', lines[index % lines.length], {
      component_id: longComponent.id,
      position: index,
    });

  await client.exec('commit');
  const [held] = await ask(
    "select (select count(*)::int from dog) dogs, (select count(*)::int from holding where amount > 0 and kind = 'pack') packs, (select max(id)::int from recipe) recipe",
  );
  await client.close();
  return held;
}
