import 'server-only';
import { addDays, writeDay } from '@/core/calendar/local-date';
import { countOf } from '@/core/quantity/count-words';
import { writeNumber } from '@/core/quantity/write';
import { litresSaid } from '@/core/stock/room';
import { freezerAhead, playAhead } from '@/core/stock/weeks-ahead';
import { dogsAmong } from '@/core/weeks/meals-apart';
import { playWeeks } from '@/core/weeks/play';
import { potfulsOf, recipeKey, type WeeksAnswer } from '@/core/weeks/weeks';
import type { WeeksHouse } from '@/data/weeks/inputs';

/** An answer that is no further from the best that can be is said as it is (ours, no source). */
const NEAR_ENOUGH = 0.05;

/** The strips, litres and cover as they will be if nothing is cooked: by the store's own simulation. */
export function ifNothing({ ahead, inputs, read }: WeeksHouse) {
  const { problem } = read;
  const { today } = inputs.plan;
  const ids = new Set(dogsAmong(problem.dogs));
  const played = playAhead(
    ahead.meals.filter(({ dogId }) => ids.has(dogId)),
    ahead.sources,
    today,
    ahead.keeps,
    problem.days,
  );
  const { cover } = played;
  const words = new Map(inputs.sources.map(({ key, word }) => [key, word]));
  const least = Math.min(problem.days, ...cover.map(({ coverDays }) => coverDays));
  return {
    strips: new Map(
      cover.map(({ dogId, coverDays, days }) => [
        dogId,
        {
          coverDays,
          words: days.map(({ drawn, covered }) => {
            const main = [...drawn].sort((a, b) => b.kcal - a.kcal)[0];
            return covered && main ? words.get(main.key) : undefined;
          }),
        },
      ]),
    ),
    litres: freezerAhead(ahead.sources, played, today, problem.days).map(
      ({ millilitres }) => millilitres / 1000 + (problem.freezer?.taken ?? 0),
    ),
    cover: Array.from({ length: problem.days }, (_, day) => Math.max(0, least - day - 1)),
  };
}

/** The same as it was solved. */
export function asSolved({ read }: WeeksHouse, answer: WeeksAnswer) {
  const { problem } = read;
  const played = playWeeks(problem, answer);
  const words = new Map([
    ...problem.recipes.map(({ recipeId, protein }) => [recipeKey(recipeId), protein] as const),
    ...problem.stock.map(({ key, protein }) => [key, protein] as const),
  ]);
  return {
    played,
    strips: new Map(
      problem.dogs.map(({ dogId, needs }) => {
        const own = (answer.eats[dogId] ?? []).map((key) => (key === undefined ? undefined : words.get(key)));
        const gap = own.findIndex((word, day) => word === undefined && (needs[day] ?? 0) > 0);
        const unfed = played.broken.filter((each) => each.what === 'unfed' && each.dogId === dogId)[0]?.day;
        return [
          dogId,
          { coverDays: Math.min(gap === -1 ? problem.days : gap, unfed ?? problem.days), words: own },
        ] as const;
      }),
    ),
    litres: played.days.map((day) => day.litres),
    cover: played.days.map((day) => day.cover),
  };
}

/** The weeks in one line, and what stands under it. */
export function headline(
  house: WeeksHouse,
  strips: ReturnType<typeof ifNothing>['strips'],
  answer: WeeksAnswer | undefined,
  solved: ReturnType<typeof asSolved> | undefined,
): { readonly headline: string; readonly under: string } {
  const { problem } = house.read;
  const { today, set } = house.inputs.plan;
  if (!answer || !solved) {
    const first = [...strips].sort((a, b) => a[1].coverDays - b[1].coverDays)[0];
    const who = house.inputs.plan.dogs.find(({ id }) => id === first?.[0])?.name;
    const lasts = first?.[1].coverDays ?? 0;
    return {
      headline:
        who === undefined || lasts >= problem.days
          ? `${problem.days / 7} weeks are provided for`
          : lasts === 0
            ? `Nothing for ${who} today`
            : `If nothing is cooked, ${who} runs out after ${writeDay(addDays(today, lasts - 1), today)}`,
      under: 'This is what is in store, as it will be eaten. Ask for cook days below.',
    };
  }
  const most = Math.max(...solved.litres);
  return {
    headline:
      answer.cooks.length === 0
        ? 'Nothing has to be cooked'
        : `${countOf(answer.cooks.length, 'cook day')}, ${countOf(potfulsOf(answer.cooks), 'potful')}`,
    under: [
      `the next on ${answer.cooks[0] ? writeDay(addDays(today, answer.cooks[0].day), today) : '…'}`,
      problem.freezer
        ? `the freezer at most ${litresSaid(most * 1000, set)} of ${litresSaid(problem.freezer.litres * 1000, set)}`
        : 'how large the freezer is nobody has said',
      `never under ${countOf(Math.min(...solved.cover.slice(answer.cooks[0]?.day ?? 0)), 'day')} of cover`,
      ...(answer.gap > NEAR_ENOUGH
        ? [`up to ${writeNumber(answer.gap * 100, 0)} % from the best there can be: solving again may find better`]
        : []),
    ].join(' · '),
  };
}
