import type { LocalDate } from '../calendar/local-date';

/** A figure that a household is told, and the one function that says it. */
export interface OwnedFigure {
  readonly unit: string;
  /** The module of core, and its function. */
  readonly owner: readonly [module: string, name: string];
  /** What it is, and of whom. */
  readonly is: string;
  /** What is asked, what stands as things are, what is to come if nothing else happens: never one for another. */
  readonly time: 'asked' | 'as it stands' | 'to come';
}

/**
 * Every figure that stands on more than one page, sheet or file, with its owner: whoever shows it asks that function and marks what it
 * shows by the figure's name (`ui/figure.ts`), so that a walk through all pages can hold them against each other. The page docs/figures.md
 * is made of this list.
 */
export const FIGURES = {
  'day kcal': {
    unit: 'kcal a day',
    owner: ['dog/day-energy', 'dayEnergy'],
    is: 'a dog’s day as its ration asks for it today, home-cooked and bought',
    time: 'asked',
  },
  'meal kcal': {
    unit: 'kcal',
    owner: ['dog/meals', 'mealsOn'],
    is: 'what the next meal of a dog asks of the home-cooked food, less what it got besides',
    time: 'asked',
  },
  'bowl grams': {
    unit: 'g',
    owner: ['stock/weeks-ahead', 'playAhead'],
    is: 'what goes into a dog’s next bowl, as the coming days are played',
    time: 'to come',
  },
  'cover days': {
    unit: 'days',
    owner: ['stock/weeks-ahead', 'playAhead'],
    is: 'days that a dog is provided for by what is in store, as the coming days are played',
    time: 'to come',
  },
  'cook by': {
    unit: 'day',
    owner: ['stock/agenda', 'cookByOf'],
    is: 'the day by which somebody cooks, so that nobody runs out',
    time: 'to come',
  },
  'out of the freezer': {
    unit: 'day',
    owner: ['stock/weeks-ahead', 'playAhead'],
    is: 'the evening on which a pack goes from the freezer into the fridge; of today it is tonight',
    time: 'to come',
  },
  'use by': {
    unit: 'day',
    owner: ['preserve/food-life', 'keepingDates'],
    is: 'the day by which a pack is to be fed, or is best',
    time: 'as it stands',
  },
  'pack grams': {
    unit: 'g',
    owner: ['stock/ledger', 'foldHolding'],
    is: 'what a pack holds now, by the ledger',
    time: 'as it stands',
  },
  'pack kcal': {
    unit: 'kcal',
    owner: ['stock/pack-kcal', 'packKcal'],
    is: 'what a pack holds now, by the pot as it is known now',
    time: 'as it stands',
  },
  'pot density': {
    unit: 'kcal/g',
    owner: ['batch/whole', 'wholeOf'],
    is: 'energy in each gram of all that was weighed of a pot',
    time: 'as it stands',
  },
  'pot yield': {
    unit: 'g',
    owner: ['batch/whole', 'wholeOf'],
    is: 'what was weighed of a pot, to be divided',
    time: 'as it stands',
  },
  'pot cost': {
    unit: 'minor units',
    owner: ['stock/cost', 'costOfPot'],
    is: 'what a pot cost, as far as prices are known',
    time: 'as it stands',
  },
  'recipe kcal': {
    unit: 'kcal per 100 g',
    owner: ['recipe/sheet', 'recipeSheet'],
    is: 'energy of what goes into the pot, before cooking',
    time: 'as it stands',
  },
} as const satisfies Readonly<Record<string, OwnedFigure>>;

/** A figure that is a day is marked as days from this one. */
export const DAYS_FROM = '1970-01-01' as LocalDate;

export type FigureName = keyof typeof FIGURES;

/** The list as a page: name, unit, owner, and who shows it. Takes the files that show each. */
export function figuresPage(shownIn: (name: FigureName) => readonly string[]): string {
  const rows = (Object.keys(FIGURES) as FigureName[]).map((name) => {
    const { unit, owner, is, time } = FIGURES[name];
    return `- **${name}** (${unit}, ${time}): ${is}. Said by \`${owner[1]}\` of \`core/${owner[0]}\`; shown in ${shownIn(
      name,
    )
      .map((file) => `\`${file}\``)
      .join(', ')}.`;
  });
  return `# Figures and who says them\n\nMade of \`src/core/figures/figures.ts\`: \`HODMAN_WRITE=1 npx jest src/app/figures\` writes it anew. Where a figure stands twice, the walk\n(\`e2e/agreement.spec.ts\`) holds the two against each other.\n\n${rows.join('\n')}\n`;
}
