/** What a house has of all that leads to a first bowl. */
export interface SetupFacts {
  readonly measuresSaid: boolean;
  readonly dog: string | undefined;
  readonly recipe: string | undefined;
  /** A pot, a tub, a dryer was set down. */
  readonly hasKitchen: boolean;
  /** The newest batch that is not put away. */
  readonly pot:
    { readonly id: number; readonly state: 'planned' | 'cooking' | 'weighed'; readonly packed: boolean } | undefined;
  readonly fed: boolean;
}

export type SetupKey = 'measures' | 'dog' | 'recipe' | 'kitchen' | 'pot' | 'bowl';

export interface SetupStep {
  readonly key: SetupKey;
  readonly title: string;
  /** What it gives, or what there is of it by now. */
  readonly said: string;
  readonly done: boolean;
  readonly href: string;
}

/**
 * The way from an empty house to the first bowl, in order; undefined once it has been gone. What a kitchen has may be
 * said later: a pot that is planned goes past it.
 */
export function setupOf(facts: SetupFacts): readonly SetupStep[] | undefined {
  const { measuresSaid, dog, recipe, hasKitchen, pot, fed } = facts;
  if (fed && measuresSaid) return undefined;
  const potHref = pot ? `/batches/${pot.id}` : '/plan';
  return [
    {
      key: 'measures',
      title: 'Measures',
      said: 'cups, clock, meal times',
      done: measuresSaid,
      href: '/',
    },
    {
      key: 'dog',
      title: dog ?? 'A dog',
      said: 'then you see how much it eats',
      done: dog !== undefined,
      href: '/dogs/new',
    },
    {
      key: 'recipe',
      title: recipe ?? 'A recipe',
      said: 'then you see what a day of it weighs',
      done: recipe !== undefined,
      href: '/recipes/new',
    },
    {
      key: 'kitchen',
      title: 'Your kitchen',
      said: 'pot, tubs, freezer: tick them',
      done: hasKitchen || pot !== undefined,
      href: '/household/begin',
    },
    { key: 'pot', title: 'The first pot', said: saidOfPot(pot), done: pot?.packed === true, href: potHref },
    { key: 'bowl', title: 'The first bowl', said: 'weigh it, press Fed', done: fed, href: '/' },
  ];
}

function saidOfPot(pot: SetupFacts['pot']): string {
  if (!pot) return 'how much, and what to buy';
  if (pot.state === 'planned') return 'planned: weigh out, then cook';
  return pot.state === 'cooking' ? 'cooking: weigh it when it is done' : 'weighed: divide and pack it';
}

/** The next act of a house that is being set up, past one that is being done now. */
export const nextSetup = (steps: readonly SetupStep[], now?: SetupKey): SetupStep | undefined =>
  steps.find((step) => !step.done && step.key !== now);
