import { singular } from './fold';

const list = (words: string): ReadonlySet<string> => new Set(words.split(/\s+/).filter(Boolean).map(singular));

/** Words that say how a food looks, was cut, bought or raised, never which food it is (common practice, no source). */
const DRESS = list(`
  fresh freshly thawed defrosted organic raw uncooked boneless boned deboned chopped diced cubed sliced grated shredded minced
  mashed crushed washed rinsed rinse peeled unpeeled drained drain trimmed trim finely roughly coarsely coarse fine thinly thick thin
  large small medium big jumbo extra ripe very local homemade plain whole halved quartered cored pitted seeded deseeded
  hulled stemmed destemmed torn packed loose heaping heaped level scant rounded generous about approx approximately around
  some good nice free range cage pastured pasture raised grass fed grain caught farmed wild line natural quality grade
  human cut into in of the and a an with for to my our your any each per piece chunk cube bite size sized strip inch cm
  store bought leftover garden home grown supermarket own brand favourite favorite cheap frozen prepared ready cleaned
  scrubbed patted dry'd lightly well beaten whisked separated room temperature cold warm hot softened melted
  optional needed required total weight weighed net more plus less if from on then as is at or-so until
  stem stems tough removed remove off out without no bunch top tail leaf leaves flesh only unsalted lukewarm
  batch dog dogs food pup puppy usual regular standard ordinary mixed pure real premium unseasoned blended pulsed processed
  stick head stalk rib bulb sprig ear clove fillet breast`);

/** Of these only the phrase decides: they are dress where nothing else is left, but parts of names too. */
const PIECES = list('breast stick head stalk rib bulb sprig ear clove fillet leaf top tail stem flesh bunch');

/** Words that make another food of what they stand with, and must be in the phrase that is taken. */
const FORM = list(`
  skinless skin skinned can canned jar jarred dried dehydrated freeze-dried freeze cooked boiled baked roasted roast steamed simmered
  stewed braised grilled broiled fried poached scrambled microwaved toasted smoked cured corned pickled salted salty
  breaded battered sweetened candied glazed rotisserie leftover-cooked juice oil powder powdered ground flour meal
  syrup sauce paste puree stock broth bouillon extract capsule tablet softgel butter milk vinegar bread chip seasoning
  shell eggshell seed water brine bone bony bonein fat lean low nonfat skim reduced instant enriched flaked flake bran germ
  sprouted fermented nut leather jerky concentrate cream cheese premix supplement imitation substitute soup
  gravy green yolk white skimmed sugar kit mix blend stuffing infant drippings rendered`);

/** Words that join foods: which of them is meant is asked. */
const OR = list('or either');

export type WordKind = 'dress' | 'piece' | 'form' | 'or' | 'number' | 'name';

/** What a word of a line does where no phrase has taken it. */
export function wordKind(word: string): WordKind {
  if (/^\d+(?:\.\d+)?%$/.test(word)) return 'form';
  if (/^[\d.~]+$/.test(word) || /^[\d.]+(?:cm|mm|inch|in|min|lb|oz|g|kg|ml)$/.test(word)) return 'number';
  if (FORM.has(word)) return 'form';
  if (OR.has(word)) return 'or';
  if (PIECES.has(word)) return 'piece';
  return DRESS.has(word) ? 'dress' : 'name';
}

/** Ways of cooking that count as one where a phrase names none of its own. */
export const COOKED_WORDS = list(
  'boiled baked roasted steamed simmered stewed braised grilled broiled poached microwaved scrambled',
);
