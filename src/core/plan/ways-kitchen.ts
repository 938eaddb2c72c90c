import { GRAMS_PER_POUND, type UnitSet } from '../quantity/units';
import { typedMass, writeMassIn, writeNumber, writeSumIn } from '../quantity/write';
import type { PlanAnswer, PlannedDish } from './answer';
import { containersOf } from './bind';
import { readAmount, type TypedBinding } from './binding-entry';
import { isDryer, sizeOf, type Equipment } from './equipment';
import type { PlanGround } from './ground';
import { writeCountOf } from './shopping';
import { HEADSPACE } from './to-plan';
import { many, writeRoom, type WayRow } from './way-row';

/** The vesselfuls of each component. */
export function potRows({ dishes }: PlanAnswer, typed: TypedBinding, { set }: PlanGround): WayRow[] {
  return dishes.flatMap((dish) =>
    dish.bound.loads.flatMap((loads, place): WayRow[] => {
      const vessel = dish.read.vessels[place];
      if (!loads?.ok || !vessel) return [];
      const { loads: count, full, explanation } = loads.value;
      return [
        {
          key: `pot-${dish.read.recipeId}-${place}`,
          label: nameOfLoad(dish, place, dishes.length > 1, vessel, set),
          said: `${many(count, count === 1 ? 'load' : 'even load')}, ${writeNumber(full * 100, 0)} % full`,
          used: full,
          over: false,
          binds: typed.by === 'potfuls',
          bind: { by: 'potfuls', count: String(count) },
          why: explanation,
        },
      ];
    }),
  );
}

/** A vessel with its size and, where there are several, what is cooked in it. */
function nameOfLoad(dish: PlannedDish, place: number, several: boolean, vessel: Equipment, set: UnitSet): string {
  const size = vessel.millilitres === undefined ? '' : `, ${writeRoom(vessel.millilitres, set)}`;
  const of = [
    ...(dish.read.vessels.length > 1 ? [dish.read.of.components[place]?.name ?? ''] : []),
    ...(several ? [dish.read.of.mark.word] : []),
  ].filter(Boolean);
  return `${vessel.name}${size}${of.length > 0 ? `: ${of.join(', ')}` : ''}`;
}

/** What one filling of a container takes in g; undefined where only its volume is known and no cup was weighed. */
function fillingOf(container: Pick<Equipment, 'grams' | 'millilitres'>, { dishes }: PlanAnswer): number | undefined {
  if (container.grams !== undefined) return container.grams;
  if (container.millilitres === undefined || dishes.some((dish) => dish.read.mlPerGram === undefined)) return undefined;
  const finished = dishes.reduce((total, dish) => total + dish.bound.figures.finished, 0);
  const volume = dishes.reduce((total, dish) => total + dish.bound.figures.finished * dish.read.mlPerGram!, 0);
  return (container.millilitres * finished) / volume;
}

/** A kind of container: one of the household's, or the one that is typed. */
interface ContainerKind extends Pick<Equipment, 'name' | 'grams' | 'millilitres'> {
  readonly count?: number;
  /** The plan is bound by it. */
  readonly binds: boolean;
}

function containerKinds(typed: TypedBinding, { equipment, set }: PlanGround): ContainerKind[] {
  const read = readAmount(typed.size, set, 'size', '');
  const asked = typed.by === 'containers' && read.ok ? read.value : undefined;
  const own = equipment
    .filter((thing) => thing.kind === 'container')
    .map((thing) => ({
      ...thing,
      binds:
        asked !== undefined &&
        ('grams' in asked ? thing.grams === asked.grams : thing.millilitres === asked.millilitres),
    }));
  const typedKind = asked && { name: 'containers', ...asked, binds: true };
  return [
    ...own,
    ...(typedKind && !own.some((thing) => thing.binds) ? [typedKind] : []),
    ...(own.length === 0 && !typedKind
      ? [{ name: 'containers', grams: set === 'us' ? GRAMS_PER_POUND : 450, binds: false }]
      : []),
  ];
}

/** The containers of the household, and those that bind the plan. */
export const containerRows = (answer: PlanAnswer, typed: TypedBinding, ground: PlanGround): WayRow[] =>
  containerKinds(typed, ground).map((thing): WayRow => {
    const size = sizeOf(thing, ground.set);
    const filling = fillingOf(thing, answer);
    const row = {
      key: `container-${thing.name}-${size}`,
      label: `${thing.name} of ${size}`,
      binds: thing.binds,
    };
    if (filling === undefined)
      return {
        ...row,
        said: 'not known yet',
        note: 'weigh a cup of it once, on a dog’s page',
        over: false,
        bind: { by: 'containers', size },
        why: {
          title: 'How many, nobody can say yet',
          steps: [{ what: 'one holds', sum: size }],
          source: 'A volume becomes a weight only by a cup of this food that you weighed: never assumed.',
        },
      };
    const { all, full, left } = containersOf(answer.bound.finished, filling);
    return {
      ...row,
      said: thing.count === undefined ? many(all, 'container') : `${all} of ${thing.count}`,
      ...(all > full ? { note: `the last with ${writeMassIn(left, ground.set)}` } : {}),
      ...(thing.count === undefined ? {} : { used: all / thing.count }),
      over: thing.count !== undefined && all > thing.count,
      bind: { by: 'containers', count: String(Math.max(1, all)), size },
      why: {
        title: `${many(all, 'container')} of ${size}`,
        steps: [
          { what: 'one filling', sum: writeMassIn(filling, ground.set) },
          { what: 'finished food', sum: writeSumIn(answer.bound.finished, ground.set) },
          { what: 'full ones', sum: writeNumber(full, 0) },
          { what: 'left for a short one', sum: writeMassIn(left, ground.set) },
        ],
        source: thing.grams === undefined ? 'By the cup of this food that you weighed.' : 'Arithmetic.',
      },
    };
  });

/** What the freezer is asked for. */
export function freezerRow({ keeping, bound }: PlanAnswer, typed: TypedBinding, { set }: PlanGround): WayRow {
  const { room, free, freezeDays } = keeping;
  const over = free !== undefined && room > free;
  const frozen = bound.dishes.reduce((total, dish) => total + dish.frozen, 0);
  return {
    key: 'freezer',
    label: 'freezer',
    said:
      free === undefined
        ? writeRoom(room, set)
        : `${writeRoom(room, set)} of ${writeRoom(free, set)} free${over ? `, over by ${writeRoom(room - free, set)}` : ''}`,
    note:
      free === undefined
        ? 'its size is not known: say it under Household'
        : freezeDays !== undefined && freezeDays > 1
          ? `freezes over ${freezeDays} days`
          : '',
    ...(free === undefined ? {} : { used: free === 0 ? (room > 0 ? 9 : 0) : room / free }),
    over,
    binds: typed.by === 'freezer',
    bind: { by: 'freezer', space: writeRoom(free ?? room, set) },
    why: {
      title: `${writeRoom(room, set)} in the freezer`,
      steps: [
        { what: 'that the fridge does not keep', sum: writeSumIn(frozen, set) },
        { what: 'headspace, and mL in a g', sum: `× ${HEADSPACE}, by a weighed cup or 1 mL a g` },
        ...(free === undefined ? [] : [{ what: 'free in the freezer', sum: writeRoom(free, set) }]),
        ...(freezeDays === undefined ? [] : [{ what: 'at 0.9 kg for each 28 L a day', sum: many(freezeDays, 'day') }]),
      ],
      source: 'Fridge days: yours (USDA 3–4). Headspace a tenth; freezing 0.9–1.4 kg for each 28 L a day (NCHFP).',
    },
  };
}

/** The trays and cycles of each dryer, were all of it dried. */
export function dryerRows({ bound }: PlanAnswer, typed: TypedBinding, ground: PlanGround): WayRow[] {
  return ground.equipment.filter(isDryer).map((dryer) => {
    const perTray = dryer.grams ?? 1;
    const trays = bound.finished / perTray;
    const cycles = Math.max(1, Math.ceil(trays / dryer.count - 1e-9));
    return {
      key: `dryer-${dryer.id}`,
      label: `${dryer.name}, ${many(dryer.count, 'tray')}`,
      said: `${writeCountOf(trays, 'tray', 'trays')} of ${writeMassIn(perTray, ground.set)}`,
      note: many(cycles, 'cycle'),
      used: trays / dryer.count,
      over: cycles > 1,
      binds: typed.by === 'trays',
      bind: { by: 'trays', count: String(Math.max(1, Math.round(trays))), size: typedMass(perTray, ground.set) },
      why: {
        title: `${many(cycles, 'cycle')} of ${dryer.name}`,
        steps: [
          { what: 'all of it dried', sum: writeSumIn(bound.finished, ground.set) },
          { what: 'on one tray', sum: writeMassIn(perTray, ground.set) },
          {
            what: 'trays at once',
            sum: `${writeNumber(trays, 2)} ÷ ${dryer.count} → ${many(cycles, 'cycle')}`,
          },
        ],
        source: 'Your own figures of the dryer.',
      },
    };
  });
}
