import { countOf } from '../quantity/count-words';
import { daysBetween, type LocalDate } from '../calendar/local-date';
import { kilocalories, type Grams, type Kilocalories } from '../quantity/units';
import { writeNumber } from '../quantity/write';
import type { Dog, Ration } from './dog';
import { goalEnergy, goalReached } from './goal';
import { growthEnergy, growthEnergyShortForm } from './growth';
import { maintenanceFactor } from './maintenance-factor';
import type { RationMethod } from './method';
import { gestationEnergy, gestationEnergyShortForm, lactationEnergy, MILK_BY_WEEK } from './reproduction';
import { metabolicSize, restingEnergy } from './resting-energy';
import { sayRule, schoolDay, setBy } from './schools/schools';
import { lifeStage } from './stage';

/** What a method says of a day, before anything is taken off for other food. */
export interface MethodEnergy {
  readonly method: 'growth' | 'gestation' | 'lactation' | 'goal' | 'factor' | 'nrc' | 'kcal' | 'school';
  readonly kcal: Kilocalories;
  /** What the method allows, in kcal/day; the same number twice where it allows one. */
  readonly range: readonly [Kilocalories, Kilocalories];
  /** Why this number: "light work", "growing". */
  readonly because: string;
  /** How the title puts it: lives on, grows on. */
  readonly verb: string;
  /** Written when somebody asks why: a page reckons hundreds of days, and shows the words of one. */
  readonly steps: readonly { readonly what: string; readonly sum: string }[];
  readonly source: string;
}

const number = writeNumber;
const one = (kcal: Kilocalories): readonly [Kilocalories, Kilocalories] => [kcal, kcal];
const FACTOR_SOURCE = 'RER: NRC 2006, AAHA. Factor: AAHA 2021 and common veterinary tables (from memory).';

/**
 * The energy of a day by a ration's method, in kcal.
 *
 * Takes the dog's facts, the ration, the weight in g and the day. The table goes by precedence: reproduction and
 * growth, then the goal, then prone to gain, work and neuter status. Every other method is what the cook chose
 * instead. Source: named with each.
 */
export function methodEnergy(
  dog: Dog,
  ration: Pick<Ration, 'from' | 'work' | 'proneToGain' | 'goal' | 'method'>,
  weight: Grams,
  day: LocalDate,
): MethodEnergy {
  const { method } = ration;
  switch (method.kind) {
    case 'table':
      return byTable(dog, ration, weight, day);
    case 'short form':
      return byShortForm(dog, ration, weight, day);
    case 'factor':
      return upkeep(dog, ration, weight, method.factor);
    case 'nrc':
      return nrcEnergy(method.k, weight);
    case 'kcal':
      return {
        method: 'kcal',
        kcal: kilocalories(method.kcal),
        range: one(kilocalories(method.kcal)),
        because: method.by === 'weigh-ins' ? 'from your weigh-ins' : 'your own figure',
        verb: 'lives on',
        steps: [
          { what: method.by === 'weigh-ins' ? 'from the weigh-ins' : 'set by you', sum: `${number(method.kcal)} kcal` },
        ],
        source: method.by === 'weigh-ins' ? 'What your weigh-ins proposed, taken by you.' : 'Your own figure.',
      };
    case 'school':
      return bySchool(method, weight) ?? byTable(dog, ration, weight, day);
  }
}

/** NRC's other school of maintenance, k · BW^0.75 in kcal/day. Source: NRC 2006, from memory; 110: FEDIAF. */
export function nrcEnergy(k: number, weight: Grams): MethodEnergy {
  const kcal = kilocalories(k * metabolicSize(weight));
  return {
    method: 'nrc',
    kcal,
    range: one(kcal),
    because: `NRC, ${k} per kg^0.75`,
    verb: 'lives on',
    steps: [{ what: 'NRC', sum: `${k} × ${number(weight / 1000, 2)} kg^0.75 = ${number(kcal)} kcal` }],
    source: 'NRC 2006 (k from memory).',
  };
}

/** An adult's upkeep by the factor that work, neuter status or a tendency to gain choose, or by the cook's own. */
function upkeep(dog: Dog, ration: Pick<Ration, 'work' | 'proneToGain'>, weight: Grams, own?: number): MethodEnergy {
  const { low, high, ...table } = maintenanceFactor({ ...ration, neutered: dog.neutered });
  const factor = own ?? table.factor;
  const because = own === undefined ? table.because : 'your own factor';
  const rer = restingEnergy(weight);
  return {
    method: 'factor',
    kcal: kilocalories(factor * rer),
    range: [kilocalories(low * rer), kilocalories(high * rer)],
    because,
    verb: 'lives on',
    get steps() {
      return [
        { what: because, sum: `${number(factor, 2)} × ${number(rer)} = ${number(factor * rer)} kcal` },
        { what: 'what the table allows', sum: `${low} to ${high} × RER` },
      ];
    },
    source: FACTOR_SOURCE,
  };
}

function byTable(
  dog: Dog,
  ration: Pick<Ration, 'from' | 'work' | 'proneToGain' | 'goal'>,
  weight: Grams,
  day: LocalDate,
): MethodEnergy {
  const stage = lifeStage(dog, day);
  const maintenance = upkeep(dog, ration, weight);
  const inKg = () => number(weight / 1000, 2);
  if (stage.kind === 'gestation') {
    const kg = inKg();
    const kcal = gestationEnergy(weight, stage.day, maintenance.kcal);
    const week = Math.floor(stage.day / 7) + 1;
    const steps =
      stage.day < 28
        ? maintenance.steps
        : [{ what: 'gestation', sum: `130 × ${kg}^0.75 + 26 × ${kg} = ${number(kcal)} kcal` }];
    return {
      ...maintenance,
      method: 'gestation',
      kcal,
      range: one(kcal),
      because: `pregnant, week ${week}`,
      steps: [...steps, { what: 'other school', sum: `${number(gestationEnergyShortForm(weight, stage.day))} kcal` }],
      source: 'NRC 2006 (from memory): maintenance for four weeks, then more.',
    };
  }
  if (stage.kind === 'lactation') {
    const kg = inKg();
    const kcal = lactationEnergy(weight, stage.week, stage.pups, maintenance.kcal);
    return {
      ...maintenance,
      method: 'lactation',
      kcal,
      range: one(kcal),
      because: `nursing ${countOf(stage.pups, 'pup')}, week ${stage.week}`,
      steps: [
        {
          what: `nursing, week ${stage.week}`,
          sum:
            stage.week <= 4
              ? `145 × ${kg}^0.75 + ${kg} × (24 × ${Math.min(stage.pups, 4)} + 12 × ${Math.min(Math.max(stage.pups - 4, 0), 4)}) × ${MILK_BY_WEEK[stage.week - 1]} = ${number(kcal)} kcal`
              : `stepping down from week 4 to ${number(maintenance.kcal)} after week 8: ${number(kcal)} kcal`,
        },
      ],
      source:
        stage.week <= 4
          ? 'NRC 2006, lactation.'
          : 'Weaning: the vet’s plan. Equal steps from NRC’s week 4 are ours (common practice, no source).',
    };
  }
  if (stage.kind === 'pup' && dog.expectedAdultWeight !== undefined) {
    const adult = dog.expectedAdultWeight;
    const kcal = growthEnergy(weight, adult);
    const p = Math.min(1, weight / adult);
    const shortForm = growthEnergyShortForm(weight, daysBetween(dog.birthDate, day));
    return {
      method: 'growth',
      kcal,
      range: one(kcal),
      because: 'growing',
      verb: 'grows on',
      get steps() {
        const kg = inKg();
        return [
          { what: 'part of the adult weight', sum: `p = ${kg} ÷ ${number(adult / 1000)} kg = ${number(p, 3)}` },
          { what: 'growth', sum: `130 × ${kg}^0.75 × 3.2 × (e^(−0.87 p) − 0.1) = ${number(kcal)} kcal` },
          { what: 'short form, for comparison', sum: `${number(shortForm)} kcal` },
        ];
      },
      source: 'NRC 2006, growth after weaning. It moves with every weigh-in.',
    };
  }
  if (ration.goal !== undefined && !goalReached(ration.goal, ration.from, dog.weighIns, day)) {
    const goal = goalEnergy(weight, ration.goal);
    const rer = restingEnergy(ration.goal);
    const goalKg = number(ration.goal / 1000, 2);
    return {
      method: 'goal',
      kcal: goal.kcal,
      range: [goal.low, goal.high],
      because: `${ration.goal < weight ? 'slimming' : 'gaining'} to ${number(ration.goal / 1000)} kg`,
      verb: ration.goal < weight ? 'slims on' : 'gains on',
      steps: [
        { what: 'resting energy of the goal', sum: `70 × ${goalKg} kg^0.75 = ${number(rer)} kcal` },
        { what: 'towards the goal', sum: `${goal.factor} × ${number(rer)} = ${number(goal.kcal)} kcal` },
      ],
      source: FACTOR_SOURCE,
    };
  }
  return maintenance;
}

function byShortForm(
  dog: Dog,
  ration: Pick<Ration, 'from' | 'work' | 'proneToGain' | 'goal'>,
  weight: Grams,
  day: LocalDate,
): MethodEnergy {
  const stage = lifeStage(dog, day);
  const rer = restingEnergy(weight);
  if (stage.kind !== 'pup' && stage.kind !== 'gestation') return byTable(dog, ration, weight, day);
  const kcal =
    stage.kind === 'pup'
      ? growthEnergyShortForm(weight, daysBetween(dog.birthDate, day))
      : gestationEnergyShortForm(weight, stage.day);
  return {
    method: stage.kind === 'pup' ? 'growth' : 'gestation',
    kcal,
    range: one(kcal),
    because: stage.kind === 'pup' ? 'growing, short form' : 'pregnant, short form',
    verb: stage.kind === 'pup' ? 'grows on' : 'lives on',
    steps: [{ what: 'short form', sum: `${number(kcal / rer)} × ${number(rer)} = ${number(kcal)} kcal` }],
    source: 'Common veterinary tables, AAHA (from memory).',
  };
}

/** Undefined where the school cannot say anything for this weight any more: the table stands in. */
function bySchool(method: Extract<RationMethod, { kind: 'school' }>, weight: Grams): MethodEnergy | undefined {
  const { school, food } = method;
  const said = schoolDay(school, weight, food);
  if (!said.ok) return undefined;
  const by = setBy(school);
  const { low, mark, high, steps } = said.value;
  const kcal = kilocalories(method.kcal ?? mark);
  const how = method.kcal === undefined ? 'in the middle' : 'taken of it';
  return {
    method: 'school',
    kcal,
    range: [low, high],
    because:
      by === undefined
        ? `${school.kind}: ${sayRule(school)}`
        : method.by === 'weigh-ins'
          ? `from your weigh-ins, within what ${by} set`
          : `set by ${by}`,
    verb: 'gets',
    steps: [...steps, ...(high - low > 0.05 ? [{ what: how, sum: `${number(kcal)} kcal` }] : [])],
    source:
      by !== undefined
        ? `Set by ${by}. Other food is matched by energy.`
        : `Common practice, no source; worked out with ${food.name}. Other food is matched by energy.`,
  };
}
