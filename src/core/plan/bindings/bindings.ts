import { z } from 'zod';
import type { Outcome } from '../../problem';
import type { UnitSet } from '../../quantity/units';
import type { PlanInputs } from '../inputs';
import type { PlanResult } from '../result';
import type { ToPlan } from '../to-plan';
import { amount } from './amount';
import { atHand } from './at-hand';
import type { BindingTexts, PlanBinding, Typed, Wanted } from './binding';
import { containers } from './containers';
import { days } from './days';
import { freezer } from './freezer';
import { pieces } from './pieces';
import { potfuls } from './potfuls';
import type { BindingRow } from './row';
import { trays } from './trays';

/** Every way that a plan can be bound, by its key, in the order in which the plan is said in them. */
export const BINDINGS = {
  days,
  amount,
  'at hand': atHand,
  potfuls,
  containers,
  freezer,
  trays,
  pieces,
} as const;

type OwnOf<Each> = Each extends PlanBinding<infer Own> ? Own : never;
export type BindingKind = keyof typeof BINDINGS;
/** What a plan is bound by, as read: the rest follows. Weights of finished food, of a piece raw, at hand as bought. */
export type Binding = OwnOf<(typeof BINDINGS)[BindingKind]>;

const BY_KIND: Readonly<Record<BindingKind, PlanBinding<Binding>>> = BINDINGS;
const LIST = Object.values(BY_KIND);
const isKind = (text: string): text is BindingKind => text in BINDINGS;
export const BINDING_KINDS = Object.keys(BINDINGS).filter(isKind);

const text = z.string().max(40);
const texts = { days: text, amount: text, count: text, size: text, atHand: text, space: text } satisfies Record<
  keyof BindingTexts,
  typeof text
>;

/** The holes of the plan's sentence as typed; only those of the way that binds are read. */
export const typedBindingSchema = z.object({
  by: z.enum(BINDING_KINDS),
  batch: z.number().int().min(0),
  line: z.number().int().min(0),
  ...texts,
});
export type TypedBinding = Readonly<z.infer<typeof typedBindingSchema>>;

const EMPTY: BindingTexts = { days: '', amount: '', count: '', size: '', atHand: '', space: '' };

/** What the holes hold until the cook fills them. */
export const usualBinding = (set: UnitSet): TypedBinding =>
  LIST.reduce((all: TypedBinding, each) => ({ ...all, ...each.usual(set) }), {
    by: 'days',
    batch: 0,
    line: 0,
    ...EMPTY,
  });

/** Reads what binds a plan, and refuses at its hole what cannot. */
export const readBinding = (typed: TypedBinding, set: UnitSet): Outcome<Binding> => BY_KIND[typed.by].read(typed, set);

/** What a binding wants, or why it cannot bind, at its field. */
export const wantedBy = (plan: ToPlan, binding: Binding): Outcome<Wanted> => BY_KIND[binding.by].wanted(plan, binding);

/** A plan said in all ways at once, each with what it uses of what there is. */
export const inAllBindings = (inputs: PlanInputs, result: PlanResult, typed: Typed): BindingRow[] =>
  LIST.flatMap((each) => each.rows(result, typed, inputs));
