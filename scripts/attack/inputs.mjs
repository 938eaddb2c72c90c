const TEXTS = [
  ...[
    '',
    ' ',
    '0',
    '1',
    '2',
    '-5',
    '1e308',
    'NaN',
    '350 g',
    '1 lb 3 oz',
    '2 1/2 cups',
    '1/0',
    '٣',
    '99999999999999999999',
  ],
  ...['2026-11-25', '2026-02-30', '0000-00-00', '9999-12-31', '12:30', '24:61', '7.5 kg', '40 °C', '12,5', '1.2.3'],
  ...['R1', 'L1', 'R99', 'L2147483648', '17168', '11124', 'venison', 'stockpot', 'Otto', 'P1', 'V4'],
  ...["'; drop table dog; --", '<script>alert(1)</script>', '../../etc/passwd', '__proto__', '%E0%A4%A', '=cmd()'],
  ...['null\0byte', '\ud800', '💥💥', '\u202eright to left', '\r\n\t', 'ﬁ'],
];
/** What a cook would type in a field of such a name. */
const LIKELY = [
  [
    /day|date|from|^to$|until|since|On$|born|start|end/i,
    ['2026-11-25', '2026-11-24', '2026-11-28', '2026-12-24', '2020-05-05'],
  ],
  [/^at$|clock|time|breakfast|lunch|supper/i, ['', '07:00', '12:30', '18:05', '23:59']],
  [/weight|grams|amount|net|tare|gross|size|pot|left|mass/i, ['350 g', '1.2 kg', '2310', '1 lb 3 oz', '18 kg', '5']],
  [/minutes|hours|count|days|meals|loads|number|percent|refuse|kcal|price|cap/i, ['2', '10', '45', '3.5', '0']],
  [/celsius|degrees|temp/i, ['74', '4 °C', '165 °F', '-18']],
  [/ndb|key|food/i, ['17168', '11124', '05305', 'L1', 'L2', 'R1', 'R2', 'R3']],
  [/code/i, ['V1', 'G1', 'P1', 'V12']],
  [/unit|word|measure/i, ['cup', 'handful', 'tsp', 'g']],
  [/name|note|why|what|reason|method|vessel/i, ['Sorrel', 'stockpot', 'simmered', 'a word']],
];

const textFor = (key, random) => {
  const likely = LIKELY.find(([names]) => names.test(key))?.[1];
  return likely && random.chance(0.75) ? random.pick(likely) : random.pick(TEXTS);
};

const NUMBERS = [0, 1, 2, 3, 4, 5, 7, 12, 40, 350, 2310, -1, 0.5, 1e-9, 1e12, 2 ** 31, 2 ** 53, -(2 ** 31), 1.5];

/** Something that fits a JSON Schema more or less: mostly right in shape, hostile in what stands in it. */
export function inputFor(schema, random, root = schema, depth = 0, key = '') {
  if (schema === undefined || schema === true || depth > 12) return textFor(key, random);
  // Now and then something else altogether.
  if (random.chance(0.004)) return random.pick([null, [], {}, 'x', 1, true, [[[]]], { a: { b: 1 } }]);
  if (schema.$ref) return inputFor(followed(schema.$ref, root), random, root, depth + 1, key);
  if ('const' in schema) return schema.const;
  if (schema.enum) return random.pick(schema.enum);
  const options = schema.anyOf ?? schema.oneOf;
  if (options) return inputFor(random.pick(options), random, root, depth + 1, key);
  if (schema.allOf)
    return Object.assign({}, ...schema.allOf.map((each) => inputFor(each, random, root, depth + 1, key)));
  switch (Array.isArray(schema.type) ? random.pick(schema.type) : schema.type) {
    case 'object': {
      const made = {};
      for (const [name, inner] of Object.entries(schema.properties ?? {}))
        if (schema.required?.includes(name) || random.chance(0.6))
          made[name] = inputFor(inner, random, root, depth + 1, name);
      if (schema.additionalProperties && random.chance(0.7))
        for (let at = random.below(3); at > 0; at--)
          made[random.pick(TEXTS)] = inputFor(schema.additionalProperties, random, root, depth + 1);
      return made;
    }
    case 'array': {
      const most = Math.min(schema.maxItems ?? 4, 4);
      const length = Math.max(schema.minItems ?? 0, random.below(most + 1));
      return Array.from({ length }, () => inputFor(schema.items, random, root, depth + 1, key));
    }
    case 'string':
      if (random.chance(0.04)) return 'x'.repeat(Math.min(schema.maxLength ?? 500, 2000));
      return textFor(key, random).slice(0, schema.maxLength ?? 500);
    case 'integer':
    case 'number': {
      const number = random.chance(0.85) ? 1 + random.below(12) : random.pick(NUMBERS);
      return schema.type === 'integer' && random.chance(0.97) ? Math.trunc(number) : number;
    }
    case 'boolean':
      return random.chance(0.5);
    case 'null':
      return null;
    default:
      return textFor(key, random);
  }
}

const followed = (reference, root) =>
  reference
    .replace(/^#\/?/, '')
    .split('/')
    .filter(Boolean)
    .reduce((at, key) => at?.[key], root);
