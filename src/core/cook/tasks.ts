import type { CookedComponent } from '../batch/evidence';
import type { WeighedTake } from '../batch/observations';
import { safeCoreOf, type SafeCore } from '../heat/safe-core';
import { isCooked, type Part } from '../recipe/recipe';
import { addUp } from '../add-up';
import { FROM_FROZEN, sayFromFrozen } from './frozen';
import type { After, CookTask } from './schedule';

export const TASK_KINDS = ['take apart', 'fill', 'cook', 'add', 'let off', 'core', 'strain', 'pour', 'own'] as const;
/** What is done: *cook* and *let off* are the vessel's and no hand's; *own* is what the cook added. */
export type TaskKind = (typeof TASK_KINDS)[number];

/** What a line brings to a task: its place, and the g as bought. */
export interface Brought {
  readonly line: number;
  readonly name: string;
  readonly grams: number;
}

/** A task of this batch's cook day. */
export interface DayTask extends CookTask {
  readonly kind: TaskKind;
  readonly title: string;
  /** Of which component and which of its loads, by their places; of what is taken apart for all of them, no load. */
  readonly component?: number;
  readonly load?: number;
  readonly brings: readonly Brought[];
  readonly note?: string;
  /** Its minutes are a guess: nobody has written them down. */
  readonly guessed?: true;
  /** Meat in it went in frozen: it takes longer, and teaches nothing of the usual. */
  readonly frozen?: true;
}

/** One vesselful: `0.1` is the second load of the first component. */
export type LoadKey = `${number}.${number}`;
export const loadKey = (component: number, load: number): LoadKey => `${component}.${load}`;

/** Minutes that hands take, to start with (ours: common practice, no source). */
const HANDS = { fill: 3, add: 1, core: 1, strain: 6, pour: 4, apart: 3, gramsPerMinute: 150 } as const;
/** How long a pot cooks where nobody has said it, and a pressure cooker is let off (common practice, no source). */
const UNSAID = 40;
const LET_OFF = 15;
/** How long after its time an addition may still go in. */
const LATE = 3;

const APART: readonly (readonly [RegExp, string])[] = [
  [/\bsoak/i, 'Soak'],
  [/\brins/i, 'Rinse'],
  [/\bpeel/i, 'Peel'],
  [/\bdic|\bcub/i, 'Dice'],
  [/\bchop/i, 'Chop'],
  [/\bgrat/i, 'Grate'],
  [/\bslic/i, 'Slice'],
  [/\bgrind/i, 'Grind'],
  [/\bsteam/i, 'Steam'],
];
const CUT: ReadonlySet<Part> = new Set(['vegetable', 'fruit', 'herb']);
const FROZEN = /\bfrozen\b/i;

/** What is done to a line before it goes in, as an order; undefined where nothing is. */
function takenApart({ words, parts }: WeighedTake): string | undefined {
  const said = APART.find(([pattern]) => pattern.test(words))?.[1];
  if (said) return said;
  const part = parts[0]?.part;
  if (part === undefined || FROZEN.test(words)) return undefined;
  return CUT.has(part) ? 'Wash and cut' : undefined;
}

/** A name in the middle of a sentence: "Parsnips" of the table are parsnips there. */
const inWords = (name: string) => name.charAt(0).toLowerCase() + name.slice(1);

/** "last 10 minutes": how long before the end a line goes in, by the cook's own words. */
const beforeEnd = (words: string): number | undefined => {
  const found = /\blast (\d{1,3}) ?min/i.exec(words)?.[1];
  return found === undefined ? undefined : Number(found);
};

const momentOf = (take: WeighedTake) => take.parts[0]?.moment ?? 'cook';

/** What the strictest part of a component asks for at its core. */
export const coreAsked = (takes: readonly WeighedTake[], component: number): SafeCore | undefined =>
  safeCoreOf(
    takes
      .filter((take) => take.component === component && isCooked(momentOf(take)))
      .flatMap((take) => take.parts.map(({ food, part }) => ({ food, part, text: take.words }))),
  );

/** What is stirred in when the food has cooled, and is not there yet while it cooks. */
export const stirIns = (takes: readonly WeighedTake[]): readonly number[] =>
  takes.flatMap((take, line) => (momentOf(take) === 'stir-in' ? [line] : []));

/**
 * The tasks of a cook day from what was weighed out: each line is taken apart as its words say; each load is filled,
 * cooks by its recipe's own minutes, gets what goes in late and off the heat, is measured, strained and poured into pans. Loads of
 * one vessel follow each other; components stand in their own vessels side by side.
 *
 * Takes the weighed lines, the components, and what the cook added. Source: the recipe; hands' minutes are ours.
 */
export function tasksOf(
  takes: readonly WeighedTake[],
  components: readonly CookedComponent[],
  own: readonly { readonly key: string; readonly title: string }[] = [],
): DayTask[] {
  return [
    ...components.flatMap((component, place) => ofComponent(takes, component, place, components.length > 1)),
    ...own.map(({ key, title }): DayTask => ({ key, title, kind: 'own', minutes: 5, hands: 1, after: [], brings: [] })),
  ];
}

function ofComponent(
  takes: readonly WeighedTake[],
  component: CookedComponent,
  place: number,
  isOneOfMany: boolean,
): DayTask[] {
  const lines = takes.flatMap((take, line) =>
    take.component === place && take.weighed > 0 ? [{ take, line, moment: momentOf(take) }] : [],
  );
  const cooked = lines.filter(({ moment }) => moment === 'cook' || moment === 'off heat');
  if (cooked.length === 0) return [];
  const { loads } = component;
  const usual = component.minutes ?? UNSAID;
  const vessel = component.vessel ?? component.name;
  const frozen = cooked.some(({ take, moment }) => take.frozen && moment === 'cook');
  const minutes = frozen ? Math.round(usual * FROM_FROZEN) : usual;
  const apart = cooked.flatMap(({ take, line }): DayTask[] => {
    const order = takenApart(take);
    if (!order) return [];
    const brings = [{ line, name: take.words, grams: take.weighed }];
    const [name = take.words, ...how] = take.words.split(', ');
    return [
      {
        key: `apart.${line}`,
        kind: 'take apart',
        title: `${order} the ${inWords(name)}`,
        ...(how.length > 0 ? { note: how.join(', ') } : {}),
        component: place,
        brings,
        hands: 1,
        minutes: Math.round(HANDS.apart + take.weighed / HANDS.gramsPerMinute),
        after: [],
      },
    ];
  });
  const prepared = (of: readonly { readonly line: number }[]): After[] =>
    of.flatMap(({ line }) => (apart.some(({ key }) => key === `apart.${line}`) ? [{ key: `apart.${line}` }] : []));
  const inEach = ({ take, line }: (typeof cooked)[number]): Brought => ({
    line,
    name: take.frozen ? `${take.words}, frozen` : take.words,
    grams: take.weighed / loads,
  });
  const late = cooked.filter(({ take, moment }) => moment === 'cook' && (beforeEnd(take.words) ?? minutes) < minutes);
  const off = cooked.filter(({ moment }) => moment === 'off heat');
  const first = cooked.filter((each) => !late.includes(each) && !off.includes(each));
  const isStrained = cooked.some(({ take }) => take.strained);
  const asked = coreAsked(takes, place);
  const said = (load: number) =>
    [isOneOfMany ? component.name : vessel, ...(loads > 1 ? [`load ${load + 1} of ${loads}`] : [])].join(', ');
  const slots = component.vessels ?? 1;

  const ofLoad = (load: number): DayTask[] => {
    const at = loadKey(place, load);
    const task = (kind: TaskKind, title: string, over: Partial<DayTask> & { after: readonly After[] }): DayTask => ({
      key: `${kind}.${at}`,
      kind,
      title,
      component: place,
      load,
      minutes: 0,
      hands: 1,
      brings: [],
      in: { vessel: slots > 1 ? `${vessel} ${(load % slots) + 1}` : vessel, load: at },
      ...over,
    });
    const made: DayTask[] = [];
    const add = (each: DayTask) => (made.push(each), each.key);
    const before = load >= slots ? [{ key: `pour.${loadKey(place, load - slots)}` }] : [];
    const fill = add(
      task('fill', `Fill ${said(load)}`, {
        minutes: HANDS.fill,
        brings: first.map(inEach),
        after: [...prepared(first), ...before],
        ...(component.pressure ? { note: 'Two thirds full at most, half with grain or beans in it.' } : {}),
      }),
    );
    const cook = add(
      task('cook', `${said(load)} cooks`, {
        minutes,
        hands: 0,
        after: [{ key: fill, most: 0 }],
        ...(frozen ? { frozen: true as const, note: sayFromFrozen(component) } : {}),
        ...(component.minutes === undefined ? { guessed: true as const } : {}),
      }),
    );
    const inLate = late.map((each) => {
      const wait = minutes - (beforeEnd(each.take.words) ?? 0);
      return add({
        ...task('add', `Into ${said(load)}: ${each.take.words}`, {
          minutes: HANDS.add,
          brings: [inEach(each)],
          after: [{ key: fill, least: wait, most: wait + LATE }, ...prepared([each])],
        }),
        key: `late.${each.line}.${load}`,
      });
    });
    const done = component.pressure
      ? add(
          task('let off', `Let ${said(load)} off`, {
            minutes: LET_OFF,
            guessed: true as const,
            hands: 0,
            after: [{ key: cook, most: 0 }],
          }),
        )
      : cook;
    const inOff =
      off.length > 0
        ? [
            add(
              task('add', `Off the heat, into ${said(load)}`, {
                minutes: HANDS.add,
                brings: off.map(inEach),
                after: [{ key: done }, ...prepared(off)],
                note: 'What is left of the heat must still cook it: measure after it.',
              }),
            ),
          ]
        : [];
    const all = [done, ...inLate, ...inOff].map((key) => ({ key }));
    const core = asked
      ? [add(task('core', `Core of ${said(load)}`, { minutes: HANDS.core, after: all }))]
      : all.map(({ key }) => key);
    const strained = isStrained
      ? [
          add(
            task('strain', `Strain ${said(load)}`, {
              minutes: HANDS.strain,
              after: core.map((key) => ({ key })),
              brings: cooked.filter(({ take }) => take.strained).map(inEach),
              note: 'Bones never into a bowl. Strip what meat is on them, and put it back.',
            }),
          ),
        ]
      : core;
    add(task('pour', `Pour ${said(load)} into pans`, { minutes: HANDS.pour, after: strained.map((key) => ({ key })) }));
    return made;
  };
  return [...apart, ...Array.from({ length: loads }, (_, load) => ofLoad(load)).flat()];
}

/** What cooks, as a timer names it: "stockpot, load 2 of 3". */
export const nameOfCooking = ({ title }: Pick<DayTask, 'title'>): string => title.replace(/ cooks$/, '');

/** g that a task brings in all. */
export const broughtBy = (task: Pick<DayTask, 'brings'>): number => addUp(task.brings, (each) => each.grams);
