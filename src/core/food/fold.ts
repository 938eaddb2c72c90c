const SINGULAR: Readonly<Record<string, string>> = {
  leaves: 'leaf',
  halves: 'half',
  loaves: 'loaf',
  calves: 'calf',
  hooves: 'hoof',
  feet: 'foot',
  geese: 'goose',
  larvae: 'larva',
  yoghurt: 'yogurt',
  yoghurts: 'yogurt',
  fibre: 'fiber',
  pureed: 'puree',
  iodized: 'iodised',
  tinned: 'canned',
  filet: 'fillet',
};

/** Words that end as a plural does and are none. */
const NO_PLURAL = /(?:ss|us|is)$|^(?:swiss|molasses|brussels|pois|series)$/;

/** One word in the singular, without accents; "potatoes", "leaves" and "purée" are potato, leaf and puree. */
export function singular(word: string): string {
  const known = SINGULAR[word];
  if (known !== undefined) return known;
  const plain = word.normalize('NFD').replace(/\p{M}/gu, '');
  if (SINGULAR[plain] !== undefined) return SINGULAR[plain];
  if (plain.length > 4 && /ies?$/.test(plain)) return plain.replace(/ies?$/, 'y');
  if (plain.length < 4 || !plain.endsWith('s') || NO_PLURAL.test(plain)) return plain;
  if (/(?:oes|ches|shes|sses|xes)$/.test(plain)) return plain.slice(0, -2);
  return plain.slice(0, -1);
}

/** "93/7", "80% lean", "20 % fat" and "85 percent" become the words of the phrases: 93% lean, 80% lean, 20% fat. */
function percents(text: string): string {
  const told = text
    .replace(/\b(\d{1,2}(?:\.\d+)?)\s*(?:%|percent\b|per cent\b)/g, '$1% ')
    .replace(/\b(\d{2})\s*\/\s*(\d{1,2})\b/g, (whole, lean: string, fat: string) =>
      Number(lean) + Number(fat) === 100 ? ` ${lean}% lean ` : whole,
    );
  const ground = /\b(?:ground|grond|minced?|beef|turkey|pork|hamburger)\b/.test(told);
  if (!/\d% /.test(told) || !ground || /\b(?:lean|fat)\b/.test(told)) return told;
  // Of ground meat a bare percentage over half is the lean of it, a small one its fat.
  return told.replace(/(\d{1,2})% /, (whole, value: string) =>
    Number(value) >= 50 ? `${value}% lean ` : Number(value) <= 35 ? `${value}% fat ` : whole,
  );
}

/**
 * The words of a text as they are compared: lower case, singular, without accents, hyphens taken apart; percentages
 * of lean and fat in one form. Source: the folding is ours (common practice, no source).
 */
export function foldWords(text: string): string[] {
  const words = split(text);
  // Minced beef is ground beef; mince alone is a thing of its own.
  return words.length > 1 ? words.map((word) => (/^minced?$/.test(word) ? 'ground' : word)) : words;
}

const split = (text: string): string[] =>
  percents(text.toLowerCase().replace(/[’']/g, "'"))
    .replace(/(\d)\s*-\s*(?=\d)/g, '$1~')
    .split(/[^\p{L}\p{N}%.~']+|(?<=\D)\.|\.(?=\D|$)/u)
    .map((word) => singular(word.replace(/^'+|'+$|'s$/g, '')))
    .filter(Boolean);
