import 'server-only';
import { countOf } from '@/core/quantity/count-words';
import { writeNumber } from '@/core/quantity/write';
import { sayInTheWay, sayWayOut, type Names } from '@/core/weeks/say';
import { potfulsOf, type WeeksCook } from '@/core/weeks/weeks';
import { pageQuery } from '@/data/page';
import { readWeeksHouse, type WeeksHouse } from '@/data/weeks/inputs';
import type { WeeksState } from '@/data/weeks/job';
import { weeksJob } from '@/data/weeks/solver';

/** What solving says of itself: asked again and again while it runs. */
export interface WeeksNow {
  readonly is: WeeksState['is'];
  readonly said: string;
  readonly inTheWay: readonly string[];
  readonly ways: readonly string[];
  readonly stopped: boolean;
  /** What the best so far cooks, by days from today; empty: nothing is found yet. */
  readonly soFar: readonly WeeksCook[];
}

export const namesIn = ({ inputs, read }: WeeksHouse): Names => ({
  today: inputs.plan.today,
  set: inputs.plan.set,
  recipe: (id) => inputs.plan.recipes.find((each) => each.id === id)?.name ?? 'a recipe',
  dog: (id) => read.problem.dogs.find((each) => each.dogId === id)?.name ?? 'a dog',
});

export const weeksNow = pageQuery(async (read): Promise<WeeksNow> => {
  const state = weeksJob().at;
  // Only what stands in the way is said by names.
  return stateOf(state.is === 'nothing' ? await readWeeksHouse(read) : undefined);
});

/** Where solving is; `house` names what stands in the way. */
export function stateOf(house: WeeksHouse | undefined): WeeksNow {
  const state = weeksJob().at;
  const none = { is: state.is, inTheWay: [], ways: [], stopped: false, soFar: [] };
  if (state.is === 'running') {
    const past = Math.round((Date.now() - state.since) / 1000);
    const near = state.gap === undefined ? '' : `, within ${writeNumber(state.gap * 100, 0)} % of the best`;
    const soFar = state.soFar
      ? ` So far, dashed: ${countOf(state.soFar.length, 'cook day')}, ${countOf(potfulsOf(state.soFar), 'potful')}${near}.`
      : '';
    return {
      ...none,
      soFar: state.soFar ?? [],
      said: state.stopping
        ? 'Stopping …'
        : `Looking for ${state.step}${state.soFar ? '' : near}: ${past} s${past > state.seconds ? ', longer than usual' : ` of at most about ${state.seconds} s`}.${soFar}`,
    };
  }
  if (state.is === 'failed') return { ...none, said: 'Solving broke off. Press again; if it stays, restart Hodman.' };
  if (state.is === 'idle' || !house) return { ...none, said: '' };
  const names = namesIn(house);
  return {
    ...none,
    said: state.done.stopped
      ? 'Stopped before anything was found: what was solved before stands.'
      : state.done.unsure
        ? 'Nothing was found in the time.'
        : 'These limits cannot all be kept.',
    stopped: state.done.stopped,
    inTheWay: state.done.inTheWay.map((way) => sayInTheWay(way, names)),
    ways: state.done.ways.map((way) => sayWayOut(way, names)),
  };
}
