/**
 * The rooms in the order of the work, with the key that goes to each; on a phone the rail holds those that are gone to with
 * wet hands, and the others stand behind *more*.
 */
export const ROOMS = [
  { path: '/', name: 'Today', key: 't', onPhone: true },
  { path: '/dogs', name: 'Dogs', key: 'd', onPhone: false },
  { path: '/recipes', name: 'Recipes', key: 'r', onPhone: false },
  { path: '/plan', name: 'Plan', key: 'p', onPhone: true },
  { path: '/batches', name: 'Batches', key: 'b', onPhone: true },
  { path: '/store', name: 'Store', key: 's', onPhone: true },
  { path: '/household', name: 'Household', key: 'h', onPhone: false },
] as const;
