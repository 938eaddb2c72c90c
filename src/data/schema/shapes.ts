import { z } from 'zod';
import { MOMENTS, PARTS } from '../../core/recipe/recipe';

/*
 * What has to be there of what is kept as JSON and has no schema of a form, so that nobody downstream stumbles over it.
 * Further fields may stand beside: an older version may have kept less, a newer one more.
 */

const id = z.number().int().positive();
const mass = z.number().min(0);
const food = z.looseObject({
  ndb: z.string(),
  name: z.string(),
  group: z.string(),
  per100: z.record(z.string(), z.number()),
});

export const quantityShape = z.discriminatedUnion('kind', [
  z.looseObject({ kind: z.literal('mass'), grams: mass, low: mass, high: mass }),
  z.looseObject({ kind: z.literal('volume'), millilitres: mass, low: mass, high: mass, unit: z.string() }),
  z.looseObject({ kind: z.literal('count'), count: mass, low: mass, high: mass, word: z.string() }),
]);

export const perShape = z.looseObject({
  amount: z.number().positive(),
  line: z.number().int().min(0).optional(),
  text: z.string().optional(),
});

export const boneShape = z.looseObject({
  share: z.number().min(0).max(1).optional(),
  typed: z.string().optional(),
});

export const evidenceShape = z.looseObject({
  takes: z.array(
    z.looseObject({
      key: z.string().optional(),
      name: z.string(),
      words: z.string(),
      planned: mass,
      component: z.number().int().min(0),
      parts: z.array(
        z.looseObject({ text: z.string(), food, part: z.enum(PARTS), moment: z.enum(MOMENTS), share: z.number() }),
      ),
    }),
  ),
  components: z.array(z.looseObject({ name: z.string(), loads: z.number().positive() })).optional(),
  order: z.array(z.string()).optional(),
});

const ofPart = z.looseObject({ part: z.enum(PARTS), grams: z.number() });

export const summaryShape = z.looseObject({
  step: z.string(),
  next: z.string().optional(),
  watch: z.looseObject({}).optional(),
  inPot: z.number(),
  went: z.array(ofPart).optional(),
  kcal: z.record(z.string(), z.number()),
  net: z.number().optional(),
  whole: z.number().optional(),
  over: z.number().optional(),
  apart: z
    .looseObject({
      yields: z.array(z.looseObject({ place: z.number(), name: z.string(), density: z.number(), net: z.number() })),
    })
    .optional(),
  foods: z.array(z.looseObject({ ndb: z.string(), part: z.enum(PARTS), moment: z.enum(MOMENTS) })),
  shares: z.array(z.looseObject({ fate: z.string(), grams: z.number(), sealed: z.boolean() })),
});

export const splitShape = z.array(z.looseObject({ dogId: id, grams: mass })).min(1);

export const foundShape = z.looseObject({
  recipeId: id,
  name: z.string(),
  isDated: z.boolean(),
  root: id.optional(),
});

export const traysShape = z.array(z.looseObject({ trayId: id, amount: z.number() }));

const day = z.string().regex(/^\d{4}-\d\d-\d\d$/);

export const seenShape = z.looseObject({ of: z.string(), on: day });

export const transitionShape = z.looseObject({
  from: z.string(),
  density: z.number().optional(),
  starts: day,
  days: z.number().positive(),
});

export const takenShape = z.array(z.looseObject({ planId: id, entry: z.string() }));
