import type { Explanation } from '../explanation';
import { writeNumber } from '../quantity/write';
import { isWrongWeight, type TraySlip } from './tray-slips';

/** Hours as a cook says them: "40 min", "3½ h" as 3.5, "27 h". */
export const writeHours = (hours: number): string =>
  hours < 1 ? `${Math.round(hours * 60)} min` : `${writeNumber(hours, hours < 10 ? 1 : 0)} h`;

/** Where a load of a dryer stands, as it is said of it. */
export interface DryingNow {
  /** g that are to be dried, and how many trays lie ready or are in the machine. */
  readonly grams: number;
  readonly trays: number;
  /** Hours in the machine; undefined: not in one. */
  readonly running: number | undefined;
  readonly isOver: boolean;
  readonly isWithoutPower: boolean;
  /** Hours that it still takes; undefined: nobody knows. */
  readonly left: number | undefined;
  readonly slips: readonly TraySlip[];
  /** The last two weighings agree on every tray; undefined: not weighed dry yet. */
  readonly isDry: boolean | undefined;
}

export interface Said {
  readonly said: string;
  readonly tone: 'plain' | 'in order' | 'caution' | 'danger';
}

/** The one sentence on a load of a dryer: what is wrong, where it stands, what comes next. `write` says a weight. */
export function sayDrying(now: DryingNow, machine: string, write: (mass: number) => string): Said {
  const wrong = now.slips.find(isWrongWeight);
  if (wrong) return { said: `Tray ${wrong.tray + 1} cannot be right.`, tone: 'danger' };
  if (now.isWithoutPower) return { said: 'Without power.', tone: 'danger' };
  if (now.slips.some(({ kind }) => kind === 'wet core')) return { said: 'Still wet inside: dry on.', tone: 'caution' };
  if (now.isDry === true) return { said: 'Dry: bag it.', tone: 'in order' };
  if (now.isDry === false) return { said: 'Nearly. Dry on, and weigh once more.', tone: 'plain' };
  if (now.trays === 0) return { said: `Lay ${write(now.grams)} on trays.`, tone: 'plain' };
  if (now.running === undefined) return { said: `Into the ${machine}.`, tone: 'plain' };
  if (now.isOver) return { said: 'It is out: weigh the trays dry.', tone: 'plain' };
  const { left, running } = now;
  if (left === undefined) return { said: `In the ${machine} for ${writeHours(running)}.`, tone: 'plain' };
  return left > 0
    ? { said: `About ${writeHours(left)} more in the ${machine}.`, tone: 'plain' }
    : { said: `It should be dry: weigh the trays.`, tone: 'in order' };
}

/** What electricity costs, and how it is known; undefined: nobody has said the price or the kWh. Minor units. */
export const costOf = (kwh: number | undefined, minorAKwh: number | undefined): number | undefined =>
  kwh === undefined || minorAKwh === undefined ? undefined : kwh * minorAKwh;

/** How a price of electricity came about. Source: arithmetic. */
export const explainCost = (kwh: number, minorAKwh: number, currency: string): Explanation => ({
  title: `${currency} ${((kwh * minorAKwh) / 100).toFixed(2)} of electricity`,
  steps: [
    { what: 'electricity', sum: `${writeNumber(kwh, 2)} kWh` },
    { what: 'price', sum: `${currency} ${(minorAKwh / 100).toFixed(3)} a kWh, as this household says` },
  ],
  source: 'Multiplied.',
});
