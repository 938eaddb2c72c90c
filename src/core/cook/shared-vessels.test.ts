import type { CookedComponent } from '../batch/evidence';
import type { TaskState } from './cook-day';
import { sharedVessels, type AtTheStove } from './shared-vessels';

const TEN = new Date('2026-11-26T10:00:00Z');
const pot = (over: Partial<CookedComponent> = {}): CookedComponent => ({
  name: 'stew',
  loads: 1,
  vessel: 'stockpot',
  ...over,
});
/** One load: filled, cooking, poured. */
const tasks = (...states: readonly TaskState['state'][]): TaskState[] =>
  states.map((state, at): TaskState => {
    const task = {
      key: `t${at}`,
      kind: 'cook' as const,
      title: '',
      component: 0,
      load: 0,
      minutes: 40,
      hands: 0,
      after: [],
      brings: [],
      in: { vessel: 'stockpot', load: '0.0' as const },
    };
    if (state === 'running') return { ...task, state, timer: { startedAt: TEN, minutes: 40 } };
    if (state === 'done') return { ...task, state, at: TEN, readingId: 1 };
    if (state === 'skipped') return { ...task, state, at: TEN, why: '', readingId: 1 };
    return { ...task, state };
  });
const of = (name: string, day: TaskState[] | undefined, over: Partial<CookedComponent> = {}): AtTheStove => ({
  name,
  components: [pot(over)],
  day: day && { tasks: day },
});

test('one stockpot is not given to two dishes without a word: who is in it, and until its timer rings', () => {
  const own = of('Goat', undefined);
  expect(sharedVessels(own, [of('Venison', tasks('done', 'running', 'open'))])).toEqual([
    { vessel: 'stockpot', with: 'Venison', isIn: true, until: new Date('2026-11-26T10:40:00Z') },
  ]);
  expect(sharedVessels(own, [of('Venison', undefined)])).toEqual([
    { vessel: 'stockpot', with: 'Venison', isIn: false, until: undefined },
  ]);
});

test('a pot that was poured is free, another one is another, and of two there are two', () => {
  const own = of('Goat', undefined);
  expect(sharedVessels(own, [of('Venison', tasks('done', 'done', 'done'))])).toEqual([]);
  expect(sharedVessels(of('Goat', tasks('done', 'done')), [of('Venison', undefined)])).toEqual([]);
  expect(sharedVessels(own, [of('Venison', undefined, { vessel: 'saucepan' })])).toEqual([]);
  expect(sharedVessels(of('Goat', undefined, { vessels: 2 }), [of('Venison', undefined, { vessels: 2 })])).toEqual([]);
  expect(
    sharedVessels(of('Goat', undefined, { vessels: 2, loads: 3 }), [of('Venison', undefined, { vessels: 2 })]),
  ).toHaveLength(1);
  expect(sharedVessels(of('Goat', undefined, { vessel: undefined }), [of('Venison', undefined)])).toEqual([]);
});
