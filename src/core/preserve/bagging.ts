import { addUp } from '../add-up';
import { tenths } from '../stock/ledger';
import { nth } from '../sure';

/** What of a tray goes into a bag, in tenths of a gram. */
export interface FromTray {
  readonly trayId: number;
  readonly amount: number;
}

/**
 * Which trays go into which bag when bags are filled tray by tray, in order: the last bag of a tray takes the first of the next.
 *
 * Takes what is left of each tray and what each bag holds, in tenths of a gram. What bags hold over the trays belongs to the last
 * one; sums are kept to the tenth. Source: arithmetic.
 */
export function bagTrays(trays: readonly FromTray[], bags: readonly number[]): readonly (readonly FromTray[])[] {
  let at = 0;
  let left = trays[0]?.amount ?? 0;
  return bags.map((bag) => {
    const parts: FromTray[] = [];
    let wanted = bag;
    while (wanted > 0 && at < trays.length) {
      if (left <= 0) {
        at++;
        left = trays[at]?.amount ?? 0;
        continue;
      }
      const taken = Math.min(wanted, left);
      parts.push({ trayId: nth(trays, at).trayId, amount: taken });
      wanted -= taken;
      left -= taken;
    }
    const last =
      parts.at(-1) ?? (trays.length > 0 ? { trayId: nth(trays, trays.length - 1).trayId, amount: 0 } : undefined);
    return wanted > 0 && last
      ? [...parts.filter((part) => part !== last), { ...last, amount: last.amount + wanted }]
      : parts;
  });
}

/** A tray with its food, in g; not weighed dry yet, it holds nothing that could be bagged. */
export interface WeighedTray {
  readonly id: number;
  readonly tare: number;
  readonly dryGross: number | undefined;
}

/** What is left of each tray once bags took of it, in tenths of a gram. Source: arithmetic. */
export const leftOnTrays = (
  trays: readonly WeighedTray[],
  bagged: readonly (readonly FromTray[])[],
): readonly FromTray[] =>
  trays.map(({ id: trayId, tare, dryGross }) => ({
    trayId,
    amount:
      tenths((dryGross ?? tare) - tare) -
      addUp(
        bagged.flat().filter((part) => part.trayId === trayId),
        (part) => part.amount,
      ),
  }));

/** cc of oxygen that an absorber must take up, by the bag (handbook 12: common practice, no source). */
const ABSORBERS = [
  { most: 1200, cc: 100, words: 'a litre or quart bag' },
  { most: 4200, cc: 300, words: 'a gallon bag' },
  { most: 6000, cc: 500, words: 'a bag of 5 L' },
] as const;

/** The absorber for a bag of so many mL; undefined: larger than anybody says. Source: handbook 12, common practice. */
export const absorberFor = (millilitres: number): { readonly cc: number; readonly words: string } | undefined =>
  ABSORBERS.find(({ most }) => millilitres <= most);

/** mL that a g of dry food takes up in a bag, crumbled (ours, no source). */
const BULK = 3.5;

/** The bag that so many g of dry food ask for, mL: headspace to seal it with. Common practice, no source. */
export const bagFor = (dry: number): number => dry * BULK * 1.2;
