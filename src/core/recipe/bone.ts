import { foldWords } from '../food/fold';
import type { Food } from '../food/food';
import type { WeighedLine } from './recipe';

/** How much of a cut is bone, by its name (handbook 4: common practice, no source). */
const BONE_SHARES: readonly [RegExp, number][] = [
  [/\b(feet|foot|paws?)\b/i, 0.6],
  [/\bwings?\b/i, 0.45],
  [/\bnecks?\b/i, 0.36],
];

/** Bone as food: the table holds no bone mineral, so that everything about it is unknown, never low. */
export const BONE: Food = { ndb: 'BONE', name: 'bone', group: 'Bone', per100: {}, bone: true };

/** The share of a cut that is bone; undefined where its name tells nothing. */
export const boneShare = (name: string): number | undefined => BONE_SHARES.find(([cut]) => cut.test(name))?.[1];

/** Bone in a line by the cook's words. */
export interface BoneIn {
  /** The usual share of the line's weight; undefined where no share is known for the cut. */
  readonly share: number | undefined;
  readonly question: string;
}

const BIRD =
  /\b(chicken|turkey|duck|goose|quail|hen|poultry|rabbit|hare|pheasant|pigeon|squab|guinea|capon|partridge|grouse|poussin)s?\b/;
/** Birds that are bought whole under that name, and an animal cut up with its bones. */
const WHOLE_BY_NAME = /\b(fryers?|roasters?|capons?|game hens?|cornish hens?|poussins?|squabs?|spatchcock(?:ed)?)\b/;
const JOINTED = /\b(jointed|in joints|cut in pieces|cut up|quartered|quarters?|halves)\b/;
/** Cuts of red meat that are sold on their bone. */
const CHOPS = /\b(chops?|cutlets?|t bone|porterhouse|rack of|loin roast bone)\b/;
const MEAT = /^(Beef|Pork|Poultry|Lamb, veal and game|Fish and shellfish|Bone)$/;
/** Said outright. */
const SAID = /\b(bone in|with (?:its |the |their )?bones?|bony|raw meaty bone)\b/;
/** Cuts that are bought with their bone. */
const BONY =
  /\b(neck|back|foot|paw|wing|wingette|drumette|carcass|frame|drumstick|rib|sparerib|riblet|tail|oxtail|shank|hock|trotter|knuckle|bone|marrow bone|leg quarter)\b/;
/** The cook or the butcher took it out, or it never was in the name. */
const BONED =
  /\b(boneless|boned|deboned|bone out|without (?:the )?bones?|no bones?|meat only|meat from|picked|off the bone|bones? removed|fillet|filleted|minced|ground|mince|strained|broth|stock|boned out)\b/;
/** Words that hold such a cut and are none: celery ribs, back bacon, fatback, yellowtail, a rib eye. */
const NEAR =
  /\b(celery|chard|bacon|fatback|backfat|back fat|yellowtail|rhubarb|kale|cabbage|lobster|shrimp|prawn|crawfish|crayfish|crab|squid|mussel|clam|oyster|scallop|butternut|rib ?eye|prime rib eye|backstrap|back ?strap|marrowfat|marrow squash|bone (?:broth|stock|meal)|bonemeal|tailless)\b/;

/**
 * Whether a line is read as holding bone, from the cook's words and the food: bone-in, necks, backs, feet, wings,
 * carcass, drumsticks, ribs, tails, shanks, whole birds and whole fish. Undefined for boned meat, for near misses and for
 * canned fish, whose soft bones the table has measured. Source: handbook 4 (common practice, no source).
 */
export function boneIn(words: string, food: Pick<Food, 'name' | 'group' | 'ndb'>): BoneIn | undefined {
  const said = foldWords(words).join(' ');
  if (!MEAT.test(food.group) || NEAR.test(said)) return undefined;
  // Canned fish is measured with its bones; what was boned or ground is said to be so.
  if (/\bcanned\b/i.test(food.name)) return undefined;
  const outright = SAID.test(said);
  if (BONED.test(said) && !outright) return undefined;
  const isBird = BIRD.test(said) || /\b(chicken|turkey|duck|goose|quail|rabbit|pheasant)\b/i.test(food.name);
  if (!outright && !BONY.test(said) && !isWholeOrCut(said, isBird, /\bfish\b/i.test(food.group))) return undefined;
  const share = boneShare(said);
  return {
    share,
    question:
      share === undefined
        ? 'There is bone in it. How much of its weight is bone, or was it boned?'
        : `There is bone in it: about ${Math.round(share * 100)} % of its weight (common practice). Or was it boned?`,
  };
}

/** A whole bird, rabbit or fish, one cut up with its bones, or a chop. */
const isWholeOrCut = (said: string, isBird: boolean, isFish: boolean): boolean =>
  (/\bwhole\b/.test(said) && (isBird || isFish)) ||
  (isBird && !PART_OF_BIRD.test(said) && (WHOLE_BY_NAME.test(said) || JOINTED.test(said))) ||
  // Quail are eaten as they are: nobody buys them boned without saying so.
  (/\bquails?\b/.test(said) && !/\b(egg|breast|meat)s?\b/.test(said)) ||
  (!isBird && CHOPS.test(said));

/** A part of a bird, whose own words say whether bone is in it. */
const PART_OF_BIRD = /\b(breast|tender|liver|heart|gizzard|egg|skin|fat)s?\b/;

/** Words that name bone outright, where no food says that it is meat. */
const BONE_NAMED =
  /\b(bones?|carcass(?:es)?|frames?|necks?|feet|foot|trotters?|knuckles?|hocks?|shanks?|oxtails?|drumsticks?|wings?|spareribs?|raw meaty)\b/;
const ANIMAL_NAMED =
  /\b(chicken|turkey|duck|goose|quail|hen|rabbit|pheasant|beef|veal|lamb|mutton|goat|pork|venison|deer|elk|fish|mackerel|sardine|salmon|cow|pig|sheep|fryer|roaster|capon|poultry|bird)s?\b/;

/**
 * Whether a line that nobody has read names bone: bone, carcass, frame, neck, feet, or a whole bird. In any state: what is said to be
 * boned, or strained out, is not. Source: handbook 4 (common practice, no source).
 */
export function boneInWords(text: string): boolean {
  const said = text
    .toLowerCase()
    .replace(/[^a-z ]+/g, ' ')
    .replace(/\s+/g, ' ');
  if (NEAR.test(said) || /\b(butternut|squash|meal|broth|stock)\b/.test(said)) return false;
  if (BONED.test(said) && !SAID.test(said)) return false;
  const isAnimal = ANIMAL_NAMED.test(said);
  return (
    /\b(bones?|carcass(?:es)?|oxtails?|trotters?|spareribs?)\b/.test(said) ||
    (isAnimal && BONE_NAMED.test(said)) ||
    isWholeOrCut(said, isAnimal && BIRD.test(said), /\b(fish|mackerel|sardine|salmon)s?\b/.test(said))
  );
}

/**
 * A bone-in line as its meat and its bone. Of a cut with unknown bone the whole line is kept, with calcium and
 * phosphorus unknown: the table's row is of the meat alone. Source: handbook 4 (common practice, no source).
 */
export function splitBone<T extends WeighedLine>(line: T, share = boneShare(`${line.text} ${line.food.name}`)): T[] {
  if (share === undefined) {
    const per100 = { ...line.food.per100 };
    delete per100.calcium_mg;
    delete per100.phosphorus_mg;
    return [{ ...line, food: { ...line.food, per100, bone: true } }];
  }
  const of = (part: number) => line.grams * part;
  return [
    { ...line, part: 'muscle', grams: of(1 - share) },
    { ...line, part: 'bone', text: `bone of ${line.text}`, food: BONE, grams: of(share) },
  ] as T[];
}
