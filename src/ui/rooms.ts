/** The rooms in the order of the work, with the key that goes to each. */
export const ROOMS = [
  { path: '/', name: 'Today', key: 't' },
  { path: '/dogs', name: 'Dogs', key: 'd' },
  { path: '/recipes', name: 'Recipes', key: 'r' },
  { path: '/plan', name: 'Plan', key: 'p' },
  { path: '/batches', name: 'Batches', key: 'b' },
  { path: '/store', name: 'Store', key: 's' },
  { path: '/household', name: 'Household', key: 'h' },
] as const;
