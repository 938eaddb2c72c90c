import type { LocalDate } from '../calendar/local-date';
import { addUp } from '../add-up';
import type { Explanation } from '../explanation';
import { freezeHere, type Beside } from '../learned/beside';
import { writeNumber } from '../quantity/write';
import { forecastCycle, type PastCycle } from './cycle-time';
import { planLoads, type DryerRoom } from './dryer-loads';
import { costOf } from './drying-words';
import { weightAt, TARGET_MOISTURE } from './drying-curve';
import { planFreezing } from './freezing-plan';
import type { DryMethod } from './methods';
import type { KeepsDays } from './shelf-life';

export const KEPT_FATES = ['fridge', 'freezer', 'dehydrated', 'freeze-dried'] as const;
/** What can become of food that is not eaten warm. */
export type KeptFate = (typeof KEPT_FATES)[number];

/** A dryer as a comparison looks at it; `freeIn` is hours until it is empty. */
export interface DryerAtHand {
  readonly room: DryerRoom;
  readonly past: readonly PastCycle[];
  readonly watts?: number;
  readonly freeIn: number;
}

/** What a share is, and what the kitchen has for it now. */
export interface ToCompare {
  readonly grams: number;
  /** Part of it that is water. */
  readonly water: number;
  /** kcal in each g, and what all its dogs need of it in a day. */
  readonly density: number;
  readonly kcalADay: number;
  readonly packs: readonly number[];
  readonly fridgeDays: KeepsDays;
  /** Free mL by place; undefined: nobody has said how large it is. */
  readonly free: Readonly<Record<'fridge' | 'freezer' | 'cupboard', number | undefined>>;
  readonly freezerLitres: number | undefined;
  /** g that the freezers take already today and on each day after. */
  readonly freezerTaken?: readonly number[];
  /** By what this kitchen's freezer is off what is reckoned. */
  readonly freezing: Beside;
  readonly dryers: Readonly<Partial<Record<DryMethod, DryerAtHand>>>;
  readonly keeps: Readonly<Record<KeptFate, { readonly until: LocalDate | undefined; readonly why: string }>>;
  /** Minor units for a kWh; undefined: nobody has said. */
  readonly kwhMinor: number | undefined;
}

/** Hours with their band, on how many of this kitchen's own measurements they stand (0: none), and why; at once has no why. */
export interface FateHours {
  readonly hours: number;
  readonly low: number;
  readonly high: number;
  readonly of: number;
  readonly why?: Explanation;
}

/** What one fate would come to. */
export interface FateFigures {
  readonly fate: KeptFate;
  /** Hours until the last of it is where it keeps. */
  readonly hours: FateHours | undefined;
  /** kWh, and their price in minor units; undefined: not known, or the place runs anyway. */
  readonly energy: number | undefined;
  readonly cost: number | undefined;
  /** The price for each day that it feeds its dogs. */
  readonly costADay: number | undefined;
  /** g and mL as it is stored. */
  readonly grams: number;
  readonly millilitres: number;
  readonly until: LocalDate | undefined;
  readonly why: string;
  /** What is asked of the cook's hands, before and at the bowl. */
  readonly work: string;
  /** Whether there is room for it now; undefined: nobody has said how large the place is. */
  readonly room: { readonly fits: boolean; readonly said: string } | undefined;
}

/** mL that a g takes once it is dry: freeze-dried crumbled, dehydrated shrunken (ours, no source). */
const BULK: Readonly<Record<DryMethod, number>> = { 'freeze-dried': 3.5, dehydrated: 2 };
/** Part of freeze-dried food that stays water (common practice, no source). */
const LEFT = 0.03;
/** kJ/kgK above and below freezing, kJ/kg of freezing water, °C from the fridge to the freezer (handbook 12, from memory). */
const [ABOVE, BELOW, LATENT, FROM, FREEZES, TO] = [3.6, 1.9, 333.6, 5, -1.5, -18];
/** Heat that a home freezer moves with each unit of electricity (from memory). */
const COP = 1.5;
/** A pack as it usually lies in a freezer: a flat bag of 3 cm on a shelf (common practice, no source). */
const USUAL_PACK = { form: 'flat bag', centimetres: 3, sides: 1, fan: false } as const;

/** kWh to freeze food of so much water, from the fridge's cold. Source: handbook 12; the freezer's COP of 1.5 is from memory. */
export const energyToFreeze = (grams: number, water: number): number =>
  ((grams / 1000) * (ABOVE * (FROM - FREEZES) + LATENT * water + BELOW * (FREEZES - TO))) / 3600 / COP;

/** g of dry food that a share leaves. Source: conservation of mass; the moisture that is left by method. */
export const dryWeight = (grams: number, water: number, method: DryMethod): number =>
  weightAt(grams * (1 - water), method === 'freeze-dried' ? LEFT : TARGET_MOISTURE);

/**
 * What a share would come to in each of its fates, side by side: time, electricity and its price, what it weighs and takes up,
 * how long it keeps, the work, and whether there is room now.
 *
 * Takes the share and the kitchen as they are. Nothing that nobody has said is guessed: it is left out. Source: each figure's own.
 */
export function compareFates(of: ToCompare): readonly FateFigures[] {
  const days = of.kcalADay > 0 ? (of.grams * of.density) / of.kcalADay : undefined;
  return KEPT_FATES.map((fate) => {
    const figures = fate === 'fridge' ? inFridge(of) : fate === 'freezer' ? inFreezer(of) : dried(of, fate);
    const cost = costOf(figures.energy, of.kwhMinor);
    return {
      fate,
      ...figures,
      cost,
      costADay: cost === undefined || days === undefined ? undefined : cost / days,
      ...of.keeps[fate],
    };
  });
}

type Own = Omit<FateFigures, 'fate' | 'cost' | 'costADay' | 'until' | 'why'>;

const litres = (millilitres: number) => `${(millilitres / 1000).toFixed(1)} L`;

const roomIn = (needed: number, free: number | undefined): FateFigures['room'] =>
  free === undefined
    ? undefined
    : free >= needed
      ? { fits: true, said: `${litres(free)} are free` }
      : { fits: false, said: `only ${litres(Math.max(0, free))} are free` };

/** The why of what begins only after so many h. */
const after = (wait: number, end: number, step: Explanation['steps'][number], why: Explanation): Explanation =>
  wait <= 0
    ? why
    : { ...why, title: `${writeNumber(end, 0)} h: ${why.title}, and the wait before`, steps: [step, ...why.steps] };

const inFridge = (of: ToCompare): Own => ({
  hours: { hours: 0, low: 0, high: 0, of: 0 },
  energy: undefined,
  grams: of.grams,
  millilitres: of.grams,
  work: 'nothing: it is ready to feed',
  room: roomIn(of.grams, of.free.fridge),
});

function inFreezer(of: ToCompare): Own {
  const plan = planFreezing(of.packs, of.freezerLitres, of.fridgeDays, of.freezerTaken);
  const { hours, explanation } = freezeHere({ ...USUAL_PACK, water: of.water }, of.freezing);
  const moved = 24 * Math.max(0, plan.days - 1);
  const last = hours + moved;
  return {
    hours: {
      hours: last,
      low: last,
      high: last,
      of: of.freezing.of,
      why: after(
        moved,
        last,
        { what: 'the last pack goes in', sum: `on day ${plan.days}: in ${moved} h` },
        explanation,
      ),
    },
    energy: energyToFreeze(of.grams, of.water),
    grams: of.grams,
    millilitres: of.grams,
    work: plan.days > 1 ? `moved in over ${plan.days} days; thawed the night before` : 'thawed the night before',
    room: roomIn(of.grams, of.free.freezer),
  };
}

function dried(of: ToCompare, method: DryMethod): Own {
  const grams = dryWeight(of.grams, of.water, method);
  const millilitres = grams * BULK[method];
  const work =
    method === 'freeze-dried'
      ? 'trays weighed wet and dry, bagged; water and 10 min at the bowl'
      : 'heated first, trays turned every 2 h, weighed; water and 10 min at the bowl';
  const cannot = (said: string): Own => ({
    hours: undefined,
    energy: undefined,
    grams,
    millilitres,
    work,
    room: { fits: false, said },
  });
  const dryer = of.dryers[method];
  if (!dryer) return cannot(method === 'freeze-dried' ? 'no freeze-dryer here' : 'no dehydrator here');
  const whole = forecast(of.grams, of, dryer, method);
  const plan = planLoads(of.grams, dryer.room, {
    cycle: whole.hours,
    freeIn: dryer.freeIn,
    fridgeDays: of.fridgeDays,
  });
  if (!plan.ok) return cannot(plan.problem.message);
  const each = plan.value.map((load) => forecast(load.grams, of, dryer, method));
  const last = plan.value.at(-1)?.fromHours ?? 0;
  const end = each.at(-1) ?? whole;
  const cycles = plan.value.length;
  const waits = plan.value.some(({ waitsIn }) => waitsIn === 'freezer') ? ', the last one frozen first' : '';
  return {
    hours: {
      hours: last + end.hours,
      low: last + end.low,
      high: last + end.high,
      of: end.of,
      why: after(
        last,
        last + end.hours,
        { what: 'the last cycle begins', sum: `in ${writeNumber(last, 1)} h` },
        end.explanation,
      ),
    },
    energy: addUp(each, ({ energy }) => energy ?? 0),
    grams,
    millilitres,
    work,
    room: {
      fits: dryer.freeIn <= 0 && cycles === 1,
      said: `${cycles === 1 ? 'one cycle' : `${cycles} cycles`}${dryer.freeIn > 0 ? `, free in ${Math.ceil(dryer.freeIn)} h` : ', free now'}${waits}`,
    },
  };
}

const forecast = (grams: number, { water }: ToCompare, { past, watts }: DryerAtHand, method: DryMethod) =>
  forecastCycle(grams * water, past, method, watts === undefined ? {} : { watts });
