import type { Food } from '../food/food';
import { grams } from '../quantity/units';
import type { UnitSet } from '../quantity/units';
import { boneInWords } from './bone';
import { readFreeLine } from './free-line';
import type { CheckedLine } from './hazards';
import type { Moment, WeighedLine } from './recipe';

/** A line that was kept as words: it is in no sum, and is said wherever the recipe's lines are. */
export interface Uncounted {
  readonly text: string;
  /** It names bone: nothing of it is cooked, and calcium and phosphorus are unknown. */
  readonly bone: boolean;
  /** It may hold nutrients: what is short without it is perhaps not short. */
  readonly mayHold: boolean;
}

/** Words that hold nutrients though no amount was read beside them (common practice, no source). */
const HOLDS =
  /\b(premix|supplements?|vitamins?|minerals?|calcium|egg ?shells?|kelp|iodine|zinc|multivitamin|fish oil|cod liver|taurine|yeast|powder|bone meal)\b/i;

/**
 * The lines of a recipe that were kept as words. Of a heading or a step nothing is asked; a line with an amount, or one that names a
 * supplement, may hold nutrients. Takes the typed lines and the household's measures. Source: ours.
 */
export const uncountedOf = (
  lines: readonly { readonly words?: boolean | undefined; readonly preparation?: string | undefined }[],
  set: UnitSet,
): Uncounted[] =>
  lines.flatMap(({ words, preparation = '' }) => {
    const text = preparation.trim();
    if (words !== true || text === '' || text.endsWith(':')) return [];
    const bone = boneInWords(text);
    const mayHold = bone || HOLDS.test(text) || (readFreeLine(text, set)?.amount ?? '') !== '';
    return bone || mayHold ? [{ text, bone, mayHold }] : [];
  });

/** A food of which nothing is known but that it is there. */
const unknownFood = ({ text, bone }: Uncounted): Food => ({
  ndb: '',
  name: text,
  group: 'Words',
  per100: {},
  uncounted: true,
  ...(bone ? { bone: true } : {}),
});

/** Words as lines of no weight: whoever sums the lines learns by them that something is not counted, and whether it is bone. */
export const uncountedLines = (uncounted: readonly Uncounted[]): WeighedLine[] =>
  uncounted
    .filter(({ mayHold }) => mayHold)
    .map((each) => ({
      text: each.text,
      grams: grams(0),
      food: unknownFood(each),
      part: each.bone ? 'bone' : 'supplement',
      moment: 'cook',
    }));

/** Words as hazards look at them: "onion powder" hurts whether it is counted or not. Takes when the recipe's food is heated. */
export const uncountedChecked = (uncounted: readonly Uncounted[], moment: Moment): CheckedLine[] =>
  uncounted.map(({ text, bone }) => ({ ndb: '', words: text, part: bone ? 'bone' : 'supplement', moment }));
