import { volumeOf, type UnitSet } from '../quantity/units';
import { typedMass, writeFixed, writeMassIn, writeNumber, writeSumIn } from '../quantity/write';
import type { PlanAnswer } from './answer';
import { readAmount, type TypedBinding } from './binding-entry';
import type { PlanGround } from './ground';
import { explainScale, sum } from './scale';
import { many, type WayRow } from './way-row';
import { containerRows, dryerRows, freezerRow, potRows } from './ways-kitchen';

function daysRow(answer: PlanAnswer, typed: TypedBinding): WayRow {
  const { bound, days, keeping, needs, read } = answer;
  const rest = bound.days - days;
  const note =
    rest > 0.01
      ? `and ${writeNumber(rest * 100, 0)} % of one more: a short pack`
      : rest < -0.01
        ? bound.days < 1
          ? `not quite: ${writeNumber(bound.days * 100, 0)} % of it`
          : `the last one short by ${writeNumber(-rest * 100, 0)} %`
        : keeping.frozenFrom === undefined
          ? 'all of it may stay in the fridge'
          : keeping.frozenFrom === 1
            ? 'all of it must be frozen'
            : `day ${keeping.frozenFrom} on must be frozen`;
  const [dish] = bound.dishes;
  return {
    key: 'days',
    label: 'days',
    said: many(days, 'day'),
    note,
    fridgePart: Math.min(1, read.plan.fridgeDays / Math.max(bound.days, 1)),
    over: false,
    binds: typed.by === 'days',
    bind: { by: 'days', days: String(days) },
    why:
      bound.dishes.length === 1
        ? explainScale(needs, 0, { days: bound.days, need: dish!.need, energy: dish!.energy, scale: dish!.at.scale })
        : {
            title: `${many(days, 'day')}: ${writeNumber(bound.need, 0)} kcal`,
            steps: [
              ...needs.map((need) => ({ what: need.name, sum: `${writeNumber(sum(need.byDay), 1)} kcal` })),
              ...bound.dishes.map((own, index) => ({
                what: `of it ${read.plan.dishes[index]!.name}`,
                sum: `${writeNumber(own.need, 1)} kcal`,
              })),
            ],
            source: 'Each dog’s ration in force, summed day by day; recipes by their meals and shares.',
          },
  };
}

function finishedRow(answer: PlanAnswer, typed: TypedBinding, ground: PlanGround): WayRow {
  const { bound, finished, read, dishes } = answer;
  const cups = dishes.every((dish) => dish.read.mlPerGram !== undefined)
    ? dishes.reduce((total, dish) => total + dish.bound.figures.finished * dish.read.mlPerGram!, 0) /
      volumeOf('cup', ground.set)
    : undefined;
  const pots = Math.max(...read.plan.dishes.map((dish) => dish.recipe.guess.pots));
  return {
    key: 'finished',
    label: 'finished food',
    said: writeSumIn(bound.finished, ground.set),
    note: [
      `${writeSumIn(finished.low, ground.set)} to ${writeSumIn(finished.high, ground.set)}`,
      ...(cups === undefined ? [] : [`about ${many(cups, 'cup')}`]),
      pots === 0 ? 'no pot weighed yet' : `from your ${pots === 1 ? 'last pot' : `last ${pots} pots`}`,
    ].join(' · '),
    over: false,
    binds: typed.by === 'amount',
    bind: { by: 'amount', amount: typedMass(bound.finished, ground.set) },
    why: finished.explanation,
  };
}

/** The line that weighs most, or the one that binds. */
function atHandRow({ dishes }: PlanAnswer, typed: TypedBinding, { set }: PlanGround): WayRow {
  const all = dishes.flatMap((dish, index) => dish.takes.map((take) => ({ dish, index, take })));
  const heaviest = all.reduce((best, each) => (each.take.grams > best.take.grams ? each : best), all[0]!);
  const bound = all.find((each) => each.index === typed.dish && each.take.place === typed.line);
  const { dish, index, take } = typed.by === 'at hand' ? (bound ?? heaviest) : heaviest;
  const mass = dish.amounts[take.place]!;
  const { of } = take;
  const name = of.preparation ?? of.source.food.name;
  return {
    key: 'at hand',
    label: name,
    said: writeSumIn(mass, set),
    ...(set !== 'us' && take.measure ? { note: take.measure } : {}),
    over: false,
    binds: typed.by === 'at hand',
    bind: { by: 'at hand', dish: index, line: take.place, atHand: typedMass(mass, set) },
    why: {
      title: `${writeSumIn(mass, set)} of ${name}`,
      steps: [
        { what: 'in the recipe as written', sum: writeMassIn(of.grams, set) },
        {
          what: 'bound to',
          sum: of.basis === 'batch' ? `the batch, × ${writeFixed(dish.bound.at.scale, 4)}` : of.basis,
        },
        { what: 'to be bought', sum: writeMassIn(mass, set) },
      ],
      source: 'The recipe’s own amount, scaled with everything that it is bound to.',
    },
  };
}

/** A piece as cooks form them, until another size is typed: about an ounce (common practice, no source). */
export const usualPiece = (set: UnitSet): string => (set === 'us' ? '1 oz' : '30 g');

function piecesRow({ bound }: PlanAnswer, typed: TypedBinding, ground: PlanGround): WayRow[] {
  const size = typed.by === 'pieces' ? typed.size : usualPiece(ground.set);
  const read = readAmount(size, ground.set, 'size', '');
  if (!read.ok || !('grams' in read.value)) return [];
  const raw = bound.dishes.reduce((total, dish) => total + dish.figures.inPot, 0);
  const pieces = raw / read.value.grams;
  return [
    {
      key: 'pieces',
      label: `pieces of ${writeMassIn(read.value.grams, ground.set)} raw`,
      said: many(Math.floor(pieces + 1e-6), 'piece'),
      over: false,
      binds: typed.by === 'pieces',
      bind: { by: 'pieces', count: String(Math.max(1, Math.round(pieces))), size },
      why: {
        title: many(Math.floor(pieces + 1e-6), 'piece'),
        steps: [
          { what: 'goes in raw', sum: writeSumIn(raw, ground.set) },
          { what: 'one piece raw', sum: writeMassIn(read.value.grams, ground.set) },
        ],
        source: 'Cooked they weigh less: weigh ten (common practice).',
      },
    },
  ];
}

/** A plan said in all ways at once, each with what it uses of what there is. */
export function waysOf(ground: PlanGround, answer: PlanAnswer, typed: TypedBinding): WayRow[] {
  return [
    daysRow(answer, typed),
    finishedRow(answer, typed, ground),
    atHandRow(answer, typed, ground),
    ...potRows(answer, typed, ground),
    ...containerRows(answer, typed, ground),
    freezerRow(answer, typed, ground),
    ...dryerRows(answer, typed, ground),
    ...piecesRow(answer, typed, ground),
  ];
}
