// A house of five years: the demo, and behind it 1,826 days of three dogs, 20,000 packs that are eaten and 60,000 movements.
// Written straight into the folder, seeded, so that two runs measure the same.
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';

const DAYS = 1826;

/**
 * Puts the history of so many parts of five years (1: all of it) behind what is in a folder that nobody has open.
 * Packs are of the demo's first weighed batch's recipe; each is packed, moved and fed, and nothing of it is left.
 */
export async function fiveYears(folder, part = 1) {
  const client = await PGlite.create(join(folder, 'pg'));
  const days = Math.round(DAYS * part);
  const cooks = Math.round(days / 7);
  const packs = Math.round(20_000 * part);
  const run = (sql) => client.exec(sql);
  await run(
    'alter table leg disable trigger leg_sums_to_zero; alter table movement disable trigger movement_append_only;',
  );
  await run(`
    create temp table old as select * from batch where state = 'weighed' order by id limit 1;
    create temp table before_us as select (select max(id) from batch) b, (select max(id) from plan) p, (select max(id) from share) s,
      (select max(id) from holding) h, (select max(id) from movement) m, (select max(id) from bowl) w;
    insert into plan (id, first_day, days, cook_day, entry, created_at)
      select u.p + g, (current_date - ${days} + g * 7), 7, (current_date - ${days} + g * 7), (select entry from plan limit 1), now() - interval '1 day' * (${days} - g * 7)
      from before_us u, generate_series(1, ${cooks}) g;
    insert into plan_dog (plan_id, dog_id) select u.p + g, d.id from before_us u, generate_series(1, ${cooks}) g, dog d;
    insert into batch (id, plan_id, version_id, scale, amounts, created_at, started_at, evidence, revision, state, open, summary)
      select u.b + g, u.p + g, o.version_id, o.scale, o.amounts, now() - interval '1 day' * (${days} - g * 7), now() - interval '1 day' * (${days} - g * 7),
        o.evidence, 1, 'weighed', false, o.summary from before_us u, old o, generate_series(1, ${cooks}) g;
    insert into reading (batch_id, node, kind, value, text, at, written_at)
      select u.b + g, r.node, r.kind, r.value, r.text, now() - interval '1 day' * (${days} - g * 7), now()
      from before_us u, old o, generate_series(1, ${cooks}) g, reading r where r.batch_id = o.id and r.node not like 'tray%' and r.kind <> 'struck';
    insert into share (id, batch_id, yield, fate, grams, day, place_id)
      select u.s + g, u.b + g, 0, 'freezer', coalesce((o.summary->>'net')::float, 9000)::int, current_date - ${days} + g * 7, (select id from place where kind = 'freezer' limit 1)
      from before_us u, old o, generate_series(1, ${cooks}) g;
    insert into holding (id, kind, food_kind, fatty, place_id, amount, since, rule, density, water_per_gram)
      select u.h + g, 'pack', 'cooked', false, (select id from place where kind = 'freezer' limit 1), 0, current_date - ${days} + (g * ${days} / ${packs}), 'cooked food', 1.2, 0
      from before_us u, generate_series(1, ${packs}) g;
    insert into pack (holding_id, code, dog_id, packed_on, label_amount, label_density, label_water_per_gram, label_rule, short, estimated)
      select u.h + g, 'Y' || g, 1 + g % 3, current_date - ${days} + (g * ${days} / ${packs}), 4000, 1.2, 0, 'cooked food', false, false
      from before_us u, generate_series(1, ${packs}) g;
    insert into pack_content (holding_id, batch_id, share_id, amount, sealed_amount, density, water_per_gram)
      select u.h + g, u.b + 1 + (g % ${cooks}), u.s + 1 + (g % ${cooks}), 4000, 4000, 1.2, 0 from before_us u, generate_series(1, ${packs}) g;
    insert into movement (id, kind, at, day)
      select u.m + (g - 1) * 3 + k, (array['packed', 'moved', 'fed'])[k], now() - interval '1 day' * (${days} - g * ${days} / ${packs}), current_date - ${days} + (g * ${days} / ${packs})
      from before_us u, generate_series(1, ${packs}) g, generate_series(1, 3) k;
    insert into leg (movement_id, account, amount)
      select u.m + (g - 1) * 3 + 1, 'cooked', -4000 from before_us u, generate_series(1, ${packs}) g
      union all select u.m + (g - 1) * 3 + 3, 'eaten', 4000 from before_us u, generate_series(1, ${packs}) g;
    insert into leg (movement_id, holding_id, place_id, amount)
      select u.m + (g - 1) * 3 + k, u.h + g, case when k in (1, 2) then (select id from place where kind = 'freezer' limit 1) else (select id from place where kind = 'fridge' limit 1) end,
        case k when 1 then 4000 when 2 then -4000 else -4000 end
      from before_us u, generate_series(1, ${packs}) g, generate_series(1, 3) k
      union all select u.m + (g - 1) * 3 + 2, u.h + g, (select id from place where kind = 'fridge' limit 1), 4000 from before_us u, generate_series(1, ${packs}) g;
    insert into bowl (id, dog_id, day, slot_id, ration_id, kcal, fed_at, movement_id)
      select u.w + row_number() over (), x.* from before_us u, (
        select d.id dog_id, (current_date - ${days} - 40 + t) as day, s.id slot_id, (select min(id) from ration r where r.dog_id = d.id) ration_id, 500::float8 kcal, now() - interval '1 day' * (${days} + 40 - t) fed_at,
          (select m from before_us) + ((row_number() over () - 1) % ${packs}) * 3 + 3 as movement_id
        from dog d join lateral (select id from meal_slot where dog_id = d.id order by clock limit 2) s on true, generate_series(1, ${days} - 60) t
      ) x where x.movement_id not in (select movement_id from bowl) limit ${Math.min(packs, Math.round(10_000 * part))};
    insert into bowl_part (bowl_id, holding_id, amount, water_ml, kcal)
      select w.id, u.h + ((w.id - u.w - 1) % ${packs}) + 1, 4000, 0, 480 from before_us u, bowl w where w.id > u.w;
    insert into weigh_in (dog_id, day, grams, created_at)
      select d.id, current_date - ${days} - 40 + t * 7, (select grams from weigh_in where dog_id = d.id order by id limit 1), now() from dog d, generate_series(1, ${cooks} - 6) t;
    select setval(pg_get_serial_sequence('plan','id'), (select max(id) from plan)), setval(pg_get_serial_sequence('batch','id'), (select max(id) from batch)),
      setval(pg_get_serial_sequence('share','id'), (select max(id) from share)), setval(pg_get_serial_sequence('holding','id'), (select max(id) from holding)),
      setval(pg_get_serial_sequence('movement','id'), (select max(id) from movement)), setval(pg_get_serial_sequence('bowl','id'), (select max(id) from bowl));
  `);
  await run(
    'alter table leg enable trigger leg_sums_to_zero; alter table movement enable trigger movement_append_only; analyze;',
  );
  const { rows } = await client.query(
    'select (select count(*)::int from pack) packs, (select count(*)::int from movement) movements, (select count(*)::int from bowl) bowls, (select count(*)::int from batch) batches',
  );
  await client.close();
  return rows[0];
}
