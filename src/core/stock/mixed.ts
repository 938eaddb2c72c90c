import { isAsBought } from '../preserve/food-life';
import { isDried, keepsRowOf, type DatingRules, type FoodKind, type Packaging } from '../preserve/shelf-life';
import { fine, refused, type Outcome } from '../problem';
import { addDays, daysBetween, type LocalDate } from '../calendar/local-date';
import type { HoldingState, Origin } from './ledger';

/** What is put together into one pack: a kind of food, and what it has behind it. */
export interface ToMix extends Pick<HoldingState, 'life' | 'placeId' | 'rulesId' | 'blocked'> {
  readonly code: string;
}

const earliest = (days: readonly (LocalDate | undefined)[]): LocalDate | undefined =>
  days.flatMap((day) => day ?? []).sort()[0];

/**
 * What food has behind it that is taken out of packs into a new one on a day: it keeps as long as the part of it that keeps the
 * shortest, no longer and no shorter, and dry food is open now. Throws for none. Source: a mixed pack is as old as the oldest
 * thing in it (common practice, no source).
 */
export function originOf(parts: readonly ToMix[], day: LocalDate): Origin {
  const [first] = parts;
  if (!first) throw new Error('nothing is mixed');
  const lives = parts.map(({ life }) => life);
  const thawedOn = earliest(lives.map((life) => life.thawedOn));
  const frozenOn = earliest(lives.map((life) => life.frozenOn));
  const pastOn = earliest(lives.map((life) => life.pastOn));
  const returnedOn = earliest(lives.map((life) => life.returnedOn));
  const opened = lives.flatMap(({ kind, openedOn }) => openedOn ?? (isDried(kind) ? day : []));
  const openedOn = earliest(opened);
  // Of several rules those of the oldest pack hold.
  const oldest = [...parts].sort((a, b) => a.life.packedOn.localeCompare(b.life.packedOn))[0] ?? first;
  // Outside the freezer days run: whose began earliest counts, days used before included. Frozen they stand still.
  const began = ({ since, fridgeDaysUsed }: ToMix['life']) => addDays(since, -fridgeDaysUsed);
  const runs = [...lives].sort((a, b) => began(a).localeCompare(began(b)))[0] ?? first.life;
  const isFrozen = first.life.place === 'freezer';
  const days = isFrozen
    ? {
        since: earliest(lives.map((life) => life.since)) ?? first.life.since,
        fridgeDaysUsed: Math.max(...lives.map((life) => life.fridgeDaysUsed)),
      }
    : { since: runs.since, fridgeDaysUsed: runs.fridgeDaysUsed };
  // What one of them has left, all of it has left.
  const left = lives.flatMap((life) => {
    if (life.label?.is === 'safe' && isAsBought(life)) return [daysBetween(days.since, life.label.until)];
    if (life.left === undefined) return [];
    return [isFrozen ? life.left : daysBetween(days.since, addDays(life.since, life.left))];
  });
  return {
    packedOn: oldest.life.packedOn,
    ...days,
    // Of one alone its label says so itself.
    ...(left.length === 0 || (lives.every(isAsBought) && lives.length === 1) ? {} : { left: Math.min(...left) }),
    ...(pastOn === undefined ? {} : { pastOn }),
    ...(frozenOn === undefined ? {} : { frozenOn }),
    ...(thawedOn === undefined ? {} : { thawedOn }),
    ...(openedOn === undefined ? {} : { openedOn }),
    ...(returnedOn === undefined ? {} : { returnedOn }),
    ...(oldest.rulesId === undefined ? {} : { rulesId: oldest.rulesId }),
  };
}

/**
 * What a mixed pack counts as packed in, where nobody says: of its parts' packagings the one in which it keeps the shortest.
 * Takes the rules, the kind, the parts. Source: no new pack makes food fresher (common practice, no source).
 */
export function strictestPackaging(
  rules: DatingRules,
  kind: FoodKind,
  parts: readonly { readonly packaging: Packaging | undefined }[],
  place: ToMix['life']['place'],
): Packaging | undefined {
  const months = (packaging: Packaging | undefined) =>
    keepsRowOf(rules, kind, place, packaging)?.bestMonths ?? Infinity;
  return [...parts].sort((a, b) => months(a.packaging) - months(b.packaging))[0]?.packaging;
}

/**
 * The kind of food that a mixed container holds: raw where anything in it is raw. Refuses dry food with wet, two ways of drying,
 * broth with meals, packs of several places, and what is blocked. Source: common practice, no source.
 */
export function mixedKind(parts: readonly ToMix[]): Outcome<FoodKind> {
  const [first, ...others] = parts;
  if (!first || others.length === 0) return refused('Two packs or more are mixed.', 'parts');
  const blocked = parts.find((part) => part.blocked);
  if (blocked) return refused(`${blocked.code} is blocked: it is mixed with nothing.`, 'parts');
  const elsewhere = others.find((part) => part.placeId !== first.placeId);
  if (elsewhere)
    return refused(`${first.code} and ${elsewhere.code} lie in two places: move one of them first.`, 'parts');
  const kinds = [...new Set(parts.map(({ life }) => life.kind))];
  const meals: ReadonlySet<FoodKind> = new Set(['cooked', 'raw']);
  if (kinds.length === 1) return fine(first.life.kind);
  if (kinds.every((kind) => meals.has(kind))) return fine('raw');
  return refused(`${kinds.join(' and ')} food are not mixed: each is fed in its own way.`, 'parts');
}
