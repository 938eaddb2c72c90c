import type { RecipeEntry } from '../entry-schema';
import type { HodmanFile } from './hodman-file';

/** A file of recipes as it was read: what a command takes. */
export type ReadFile =
  | { readonly kind: 'own'; readonly file: HodmanFile }
  | {
      readonly kind: 'elsewhere';
      readonly recipes: readonly { readonly entry: RecipeEntry; readonly said: readonly string[] }[];
      readonly said: readonly string[];
    };

/** What became of one recipe of a file. */
export interface TakenRecipe {
  readonly name: string;
  readonly fate: 'taken' | 'here already' | 'refused';
  readonly lines: number;
  /** Lines that are kept as words and not counted. */
  readonly words: number;
  /** What could not be read or kept, in sentences. */
  readonly said: readonly string[];
}

export interface TakenFile {
  readonly recipes: readonly TakenRecipe[];
  /** What belongs to no single recipe. */
  readonly said: readonly string[];
}
