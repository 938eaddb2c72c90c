import type { LocalDate } from '../calendar/local-date';
import type { Fate } from '../portion/shares';
import type { PlaceKind } from '../preserve/shelf-life';
import { addUp } from '../add-up';
import { HALF_A_GRAM } from './share-state';
import type { BatchSummary } from './summary';

/** What packs of one fate of a batch hold, by the place where they lie: stored g, dry ones of what was dried. */
export interface PacksAt {
  readonly fate: Fate;
  readonly place: PlaceKind;
  /** g that were packed, and what of it is left. */
  readonly packed: number;
  readonly left: number;
  /** Until when the first of them is safe, or at its best. */
  readonly until: LocalDate | undefined;
}

/** Where a weighed pot is by now. `grams` are of the yield, so that all ends together are the yield. */
export interface BatchEnd {
  readonly kind: 'eaten' | PlaceKind | 'warm' | 'to pack' | 'to divide';
  readonly grams: number;
  /** Stored g, where they are not the same: what was dried weighs less. */
  readonly stored: number | undefined;
  readonly until: LocalDate | undefined;
}

/**
 * What has become of a weighed pot: eaten or thrown, what lies where and until when, what is still to be packed or divided.
 * Takes its summary, what its packs hold (absent: nothing of it is in store), and whether the share of its cook day is
 * still warm; g. What a share's packs have not taken yet is still to be packed. Source: conservation of mass.
 */
export function endsOf(
  summary: BatchSummary,
  packs: readonly PacksAt[] | undefined,
  isWarm: boolean,
): readonly BatchEnd[] {
  const { net } = summary;
  if (net === undefined) return [];
  if (packs === undefined && summary.next === undefined && !isWarm)
    return [{ kind: 'eaten', grams: net, stored: undefined, until: undefined }];
  const ends: BatchEnd[] = [];
  const put = (kind: BatchEnd['kind'], grams: number, stored?: number, until?: LocalDate) => {
    if (grams < HALF_A_GRAM) return;
    // Packs of two shares may lie in one place: it is said once, with the first day.
    const place = ends.findIndex((end) => end.kind === kind && (end.stored === undefined) === (stored === undefined));
    const before = ends[place];
    if (!before) {
      ends.push({ kind, grams, stored, until });
      return;
    }
    const days = [before.until, until].flatMap((day) => day ?? []).sort();
    ends[place] = {
      kind,
      grams: before.grams + grams,
      stored: before.stored === undefined ? undefined : before.stored + (stored ?? 0),
      until: days[0],
    };
  };
  const gramsOf = (shares: BatchSummary['shares']) => addUp(shares, (share) => share.grams);
  let eaten = 0;
  for (const fate of ['fridge', 'freezer', 'dry'] as const) {
    const own = (packs ?? []).filter((each) => each.fate === fate);
    const packed = addUp(own, (each) => each.packed);
    const shares = summary.shares.filter((share) => share.fate === fate);
    const all = gramsOf(shares);
    const sealed = gramsOf(shares.filter((share) => share.sealed));
    // Of what is sealed whole, packs are the share; a dried g stands for several of the pot.
    const wet = packed === 0 ? sealed : sealed === all || fate === 'dry' ? all : Math.min(packed, all);
    // Sealed, and no pack of it is there any more.
    if (packed === 0) eaten += sealed;
    for (const each of own) {
      put(each.place, (each.left / packed) * wet, fate === 'dry' ? each.left : undefined, each.until);
      eaten += ((each.packed - each.left) / packed) * wet;
    }
    put('to pack', all - wet);
  }
  const warm = gramsOf(summary.shares.filter((share) => share.fate === 'today'));
  put('warm', isWarm ? warm : 0);
  put('eaten', isWarm ? eaten : eaten + warm);
  put('to divide', net - gramsOf(summary.shares));
  return ends;
}
