import { isDried, type FoodKind } from '../preserve/shelf-life';
import { fine, refused, type Outcome } from '../problem';
import { addDays, type LocalDate } from '../calendar/local-date';
import type { HoldingState, Origin } from './ledger';

/** What is put together into one pack: a kind of food, and what it has behind it. */
export interface ToMix extends Pick<
  HoldingState,
  | 'packedOn'
  | 'since'
  | 'fridgeDaysUsed'
  | 'thawedOn'
  | 'openedOn'
  | 'returnedOn'
  | 'place'
  | 'placeId'
  | 'rulesId'
  | 'blocked'
> {
  readonly code: string;
  readonly kind: FoodKind;
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
  const thawedOn = earliest(parts.map((part) => part.thawedOn));
  const returnedOn = earliest(parts.map((part) => part.returnedOn));
  const opened = parts.flatMap(({ kind, openedOn }) => openedOn ?? (isDried(kind) ? day : []));
  const openedOn = earliest(opened);
  // Of several rules those of the oldest pack hold.
  const oldest = [...parts].sort((a, b) => a.packedOn.localeCompare(b.packedOn))[0] ?? first;
  // Outside the freezer days run: whose began earliest counts, days used before included. Frozen they stand still.
  const began = ({ since, fridgeDaysUsed }: ToMix) => addDays(since, -fridgeDaysUsed);
  const runs = [...parts].sort((a, b) => began(a).localeCompare(began(b)))[0] ?? first;
  const days =
    first.place === 'freezer'
      ? {
          since: earliest(parts.map((part) => part.since)) ?? first.since,
          fridgeDaysUsed: Math.max(...parts.map((part) => part.fridgeDaysUsed)),
        }
      : { since: runs.since, fridgeDaysUsed: runs.fridgeDaysUsed };
  return {
    packedOn: oldest.packedOn,
    ...days,
    ...(thawedOn === undefined ? {} : { thawedOn }),
    ...(openedOn === undefined ? {} : { openedOn }),
    ...(returnedOn === undefined ? {} : { returnedOn }),
    ...(oldest.rulesId === undefined ? {} : { rulesId: oldest.rulesId }),
  };
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
  const kinds = [...new Set(parts.map((part) => part.kind))];
  const meals: ReadonlySet<FoodKind> = new Set(['cooked', 'raw']);
  if (kinds.length === 1) return fine(first.kind);
  if (kinds.every((kind) => meals.has(kind))) return fine('raw');
  return refused(`${kinds.join(' and ')} food are not mixed: each is fed in its own way.`, 'parts');
}
