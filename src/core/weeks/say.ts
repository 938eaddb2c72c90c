import { addDays, writeDay, type LocalDate } from '../calendar/local-date';
import { countOf } from '../quantity/count-words';
import type { UnitSet } from '../quantity/units';
import { writeNumber } from '../quantity/write';
import { litresSaid } from '../stock/room';
import type { Changed } from './kept';
import type { Broken } from './play-limits';
import type { InTheWay, WayOut } from './stands';
import type { WhyDay, WhyPot } from './why-day';
import { toTenth } from './weeks';

/** Writes a day of the weeks as a date, and names a recipe and a dog. */
export interface Names {
  readonly today: LocalDate;
  readonly recipe: (recipeId: number) => string;
  readonly dog: (dogId: number) => string;
  readonly set: UnitSet;
}

const dayOf = ({ today }: Pick<Names, 'today'>, day: number): string => writeDay(addDays(today, day), today);

/** "24 weeks", or "10 days" where they are no whole weeks. */
export const sayKeeps = (days: number): string =>
  days >= 14 && days % 7 === 0 ? countOf(days / 7, 'week') : countOf(days, 'day');

/** What no cooking can mend, each with what would. */
export function sayInTheWay(way: InTheWay, names: Names): string {
  switch (way.is) {
    case 'nobody':
      return 'Nobody in these weeks needs home-cooked food: choose a dog.';
    case 'no day':
      return 'There is no day on which the cook can: write hours beside a weekday.';
    case 'no recipe':
      return 'No recipe may be cooked by the potful: choose one, and add its pot under Household.';
    case 'no food for':
      return `${way.dog.name} may eat nothing that is in the list: choose a recipe for ${way.dog.name}, or leave it out.`;
    case 'no freezer':
      return 'The freezer may hold nothing: a potful has nowhere to go. Give it litres.';
    case 'too late':
      return way.lasts === 0
        ? `There is nothing for ${way.dog.name} today, and the first pot is eaten on ${dayOf(names, way.first)}: cook sooner, or plan from when it is fed otherwise.`
        : `What is there for ${way.dog.name} lasts until ${dayOf(names, way.lasts - 1)}, and the first pot is eaten on ${dayOf(names, way.first)}: cook sooner.`;
  }
}

/** One way out, by itself: which limit would have to give, and by how much. */
export function sayWayOut(way: WayOut, names: Names): string {
  switch (way.is) {
    case 'litres':
      return `${litresSaid(way.by * 1000, names.set)} more in the freezer`;
    case 'freezing':
      return `a way to freeze ${writeNumber(way.by, 1)} kg of a cook day in time (a second freezer, or some of it dried)`;
    case 'minutes':
      return way.on
        .map(({ day, by }) => `${writeNumber(by, 0)} min more at the stove on ${dayOf(names, day)}`)
        .join(' and ');
    case 'days':
      return `${way.on.length === 1 ? 'one cook day' : countOf(way.on.length, 'cook day')} more: ${way.on.map((day) => dayOf(names, day)).join(', ')}`;
    case 'cycles':
      return `${countOf(way.aWeek, 'cycle')} of the ${way.name} in a week`;
    case 'cover':
      return way.to === 0 ? 'no days of cover' : `${countOf(way.to, 'day')} of cover instead of more`;
    case 'proteins':
      return 'proteins as they come, without turns';
    case 'always':
      return `${way.whose.join(', ')} of any recipe, where the ration says always one`;
    case 'said':
      return 'letting go of what you have fixed';
  }
}

/** What does not hold, in the words of why a day is no other. */
export function sayBroken({ what, day, dogId, by = 0, outOfTurn }: Broken, names: Names): string {
  const who = dogId === undefined ? 'somebody' : names.dog(dogId);
  switch (what) {
    case 'unfed':
      return outOfTurn
        ? `${who} would have to eat out of turn on ${dayOf(names, day)}`
        : `${who} has nothing on ${dayOf(names, day)}`;
    case 'litres':
      return `the freezer is ${litresSaid(by * 1000, names.set)} too full on ${dayOf(names, day)}`;
    case 'freezing':
      return `${writeNumber(by, 1)} kg of the pots of ${dayOf(names, day)} would have to be frozen, more than the freezer freezes while the fridge keeps them`;
    case 'drying':
      return by > 0
        ? `${writeNumber(by, 1)} kg of ${dayOf(names, day)} would have to be dried that no cycle takes`
        : `the dryer would have more cycles than it can from ${dayOf(names, day)} on`;
    case 'minutes':
      return `${writeNumber(by, 0)} min too long at the stove on ${dayOf(names, day)}`;
    case 'cover':
      return `fewer days are covered than asked on ${dayOf(names, day)}`;
    case 'date':
      return `something is past its date on ${dayOf(names, day)}`;
    case 'run':
      return `${who} gets one protein for too long until ${dayOf(names, day)}`;
    case 'fortnight':
      return `${who} gets too few proteins in the fortnight from ${dayOf(names, day)}`;
    case 'day':
      return `nobody cooks on ${dayOf(names, day)}`;
  }
}

/** Why a cook day is this one: what would be wrong a chance earlier, and a chance later. */
export function sayWhy({ earlier, later }: WhyDay, names: Names): string[] {
  const said = (moved: WhyDay['earlier'], than: string, costs: string): string[] => {
    if (!moved) return [];
    const { to, broken } = moved;
    return [
      broken
        ? `${than}, on ${dayOf(names, to)}: ${sayBroken(broken, names)}.`
        : `${than}, on ${dayOf(names, to)}: it would do as well; ${costs}.`,
    ];
  };
  return [
    ...(later ? said(later, 'Later', 'your wishes put it here') : ['It is the last day on which the cook can.']),
    ...(earlier
      ? said(earlier, 'Earlier', 'the food would lie longer')
      : ['It is the first day on which the cook can.']),
  ];
}

/** Why so many potfuls: what would be wrong with one fewer, and with one more. */
export function sayWhyPot({ fewer, more, frozen }: WhyPot, names: Names): string {
  const less = fewer ? `one fewer: ${sayBroken(fewer, names)}` : 'one fewer would do, with less at the end';
  const dried = frozen?.broken ? `; none of it dried: ${sayBroken(frozen.broken, names)}` : '';
  return `${less}; ${more ? `one more: ${sayBroken(more, names)}` : 'one more would find room'}${dried}`;
}

const pots = (count: number): string => countOf(toTenth(count), 'potful');

/** "Sat 5 Dec: 2 potfuls of Goat instead of 1". */
export function sayChanged({ day, recipeId, before, now }: Changed, names: Names): string {
  const on = writeDay(day, names.today);
  const of = names.recipe(recipeId);
  if (before === 0) return `${on}: ${pots(now)} of ${of} more`;
  if (now === 0) return `${on}: no ${of} any more`;
  return `${on}: ${pots(now)} of ${of} instead of ${writeNumber(before, 1)}`;
}
