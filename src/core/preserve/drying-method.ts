/**
 * A way of drying: a file in methods/, a place in the list, and rows in data/shelf-lives.json. Food dried so is a food
 * kind of the same name.
 */
export interface DryingMethod {
  readonly key: string;
  /** The machine that does it, as the kitchen lists it. */
  readonly machine: string;
}
