import { fine } from '../../problem';
import { GRAMS_PER_POUND } from '../../quantity/units';
import { writeMassIn, writeNumber, writeSumIn } from '../../quantity/write';
import { containersOf } from '../bind';
import { sizeOf, type Equipment } from '../equipment';
import type { PlanInputs } from '../inputs';
import type { PlanResult } from '../result';
import { readAmount, readCount, type Amount } from '../typed-amount';
import { amountWanted, countAndSize, wholeCount, type PlanBinding, type Typed } from './binding';
import { many, type BindingRow } from './row';
import { sure } from '../../sure';
import { addUp } from '../../add-up';

/** What one filling of a container takes in g; undefined where only its volume is known and no cup was weighed. */
function fillingOf(container: Pick<Equipment, 'grams' | 'millilitres'>, { batches }: PlanResult): number | undefined {
  if (container.grams !== undefined) return container.grams;
  if (container.millilitres === undefined || batches.some((batch) => batch.read.mlPerGram === undefined))
    return undefined;
  const finished = addUp(batches, (batch) => batch.bound.figures.finished);
  const volume = addUp(batches, (batch) => batch.bound.figures.finished * sure(batch.read.mlPerGram));
  return (container.millilitres * finished) / volume;
}

/** A kind of container: one of the household's, or the one that is typed. */
interface ContainerKind extends Pick<Equipment, 'name' | 'grams' | 'millilitres'> {
  readonly count?: number;
  /** The plan is bound by it. */
  readonly binds: boolean;
}

function containerKinds(typed: Typed, { equipment, set }: PlanInputs): ContainerKind[] {
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
const rows = (result: PlanResult, typed: Typed, inputs: PlanInputs): BindingRow[] =>
  containerKinds(typed, inputs).map((thing): BindingRow => {
    const size = sizeOf(thing, inputs.set);
    const filling = fillingOf(thing, result);
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
    const { all, full, left } = containersOf(result.bound.finished, filling);
    return {
      ...row,
      said: thing.count === undefined ? many(all, 'container') : `${all} of ${thing.count}`,
      ...(all > full ? { note: `the last with ${writeMassIn(left, inputs.set)}` } : {}),
      ...(thing.count === undefined ? {} : { used: all / thing.count }),
      over: thing.count !== undefined && all > thing.count,
      bind: { by: 'containers', count: String(Math.max(1, all)), size },
      why: {
        title: `${many(all, 'container')} of ${size}`,
        steps: [
          { what: 'one filling', sum: writeMassIn(filling, inputs.set) },
          { what: 'finished food', sum: writeSumIn(result.bound.finished, inputs.set) },
          { what: 'full ones', sum: writeNumber(full, 0) },
          { what: 'left for a short one', sum: writeMassIn(left, inputs.set) },
        ],
        source: thing.grams === undefined ? 'By the cup of this food that you weighed.' : 'Arithmetic.',
      },
    };
  });

/** So many containers, each of a weight or a volume of finished food. */
export const containers: PlanBinding<{ readonly by: 'containers'; readonly count: number } & Amount> = {
  key: 'containers',
  offer: 'to fill containers:',
  sentence: () => countAndSize('Containers', 'One container holds'),
  usual: (set) => ({ count: '10', size: set === 'us' ? '1 lb' : '450 g' }),
  begins(inputs) {
    const own = inputs.equipment.find((thing) => thing.kind === 'container');
    return { ...containers.usual(inputs.set), ...(own ? { size: sizeOf(own, inputs.set) } : {}) };
  },
  read(typed, set) {
    const count = readCount(typed.count, 'count', 'How many containers? A whole number from 1.');
    if (!count.ok) return count;
    const size = readAmount(typed.size, set, 'size', 'What does one container hold? Write it like 450 g or 2 cups.');
    return size.ok ? fine({ by: 'containers', count: count.value, ...size.value }) : size;
  },
  wanted: (plan, own) => wholeCount(own.count, 'containers') ?? amountWanted(plan, own, own.count, 'size'),
  rows,
};
