import 'server-only';
import Papa from 'papaparse';
import { withWater } from '@/core/preserve/rehydrate';
import { clockIn } from '@/core/calendar/local-date';
import { fromTenths } from '@/core/stock/ledger';
import type { Page } from '../page';
import { readAllPlaces } from './household';
import { readAllMovements } from './movements';
import { readKept } from './kept';
import { packKcal } from '@/core/stock/pack-kcal';
import { readStock } from './stock';

/** A cell that a spreadsheet would take for a formula is only text. */
const asCsv = (rows: readonly Readonly<Record<string, string | number>>[], columns: readonly string[]): string =>
  Papa.unparse([...rows], { columns: [...columns], escapeFormulae: true, newline: '\n' });

/** Every pack that holds food, a row each; grams with a point. */
export async function readPacksFile({ db }: Pick<Page, 'db'>): Promise<string> {
  const places = new Map((await readAllPlaces(db)).map((place) => [place.id, place.name]));
  const packs = await readStock(db);
  return asCsv(
    packs.map((pack) => ({
      code: pack.code,
      recipe: pack.recipeName,
      kind: pack.foodKind,
      for: pack.dogName ?? '',
      place: places.get(pack.placeId) ?? '',
      grams: pack.grams,
      kcal: Math.round(packKcal(pack)),
      water_ml: withWater(pack.grams, pack.waterPerGram).water,
      packed: pack.found?.isDated === false ? '' : pack.packedOn,
      safe_until: pack.safeUntil ?? '',
      best_by: pack.bestBy ?? '',
      thawed: pack.thawedOn ?? '',
      opened: pack.openedOn ?? '',
      blocked: pack.blocked ? 'yes' : '',
      unproven: pack.unproven ? 'yes' : '',
      rule: pack.rule,
    })),
    [
      'code',
      'recipe',
      'kind',
      'for',
      'place',
      'grams',
      'kcal',
      'water_ml',
      'packed',
      'safe_until',
      'best_by',
      'thawed',
      'opened',
      'blocked',
      'unproven',
      'rule',
    ],
  );
}

/** Every side of every movement, oldest first: what they sum to is what is there. */
export async function readMovementsFile({ db, household }: Pick<Page, 'db' | 'household'>): Promise<string> {
  const places = new Map((await readAllPlaces(db)).map((place) => [place.id, place.name]));
  const movements = await readAllMovements(db);
  const ids = [
    ...new Set(movements.flatMap(({ legs }) => legs.flatMap((leg) => ('holdingId' in leg ? leg.holdingId : [])))),
  ];
  const codes = new Map((await readKept(db, ids)).map((held) => [held.holdingId, held.code]));
  return asCsv(
    movements.flatMap((movement) =>
      movement.legs.map((leg) => ({
        movement: movement.id,
        kind: movement.kind,
        day: movement.day,
        time: clockIn(movement.at, household.timeZone),
        takes_back: movement.takesBack ?? '',
        pack: 'holdingId' in leg ? (codes.get(leg.holdingId) ?? '') : '',
        where: 'holdingId' in leg ? (places.get(leg.placeId) ?? '') : leg.account,
        grams: fromTenths(leg.amount),
        note: movement.note ?? '',
      })),
    ),
    ['movement', 'kind', 'day', 'time', 'takes_back', 'pack', 'where', 'grams', 'note'],
  );
}
