import { keysOf } from '../sure';
import { addUp } from '../add-up';

/** Standard atomic weights, u (IUPAC, from memory). */
const ATOM = {
  H: 1.008,
  C: 12.011,
  N: 14.007,
  O: 15.999,
  Na: 22.99,
  Mg: 24.305,
  P: 30.974,
  S: 32.06,
  Cl: 35.45,
  K: 39.098,
  Ca: 40.078,
  Mn: 54.938,
  Fe: 55.845,
  Cu: 63.546,
  Zn: 65.38,
  Se: 78.971,
  I: 126.904,
} as const;

type Element = keyof typeof ATOM;
type Formula = Readonly<Partial<Record<Element, number>>>;

/** A substance that carries an element. */
export interface Compound {
  readonly name: string;
  readonly element: string;
  /** g of the element in one g of the substance. */
  readonly share: number;
}

const massOf = (formula: Formula): number => addUp(keysOf(formula), (atom) => ATOM[atom] * (formula[atom] ?? 0));

const compound = (name: string, element: string, atom: Element, formula: Formula): Compound => ({
  name,
  element,
  share: (ATOM[atom] * (formula[atom] ?? 0)) / massOf(formula),
});

/** A salt of choline: what counts is the choline ion, C5H14NO. */
const choline = (name: string, formula: Formula): Compound => ({
  name,
  element: 'choline',
  share: massOf({ C: 5, H: 14, N: 1, O: 1 }) / massOf(formula),
});

const GLUCONATE = { C: 12, H: 22, O: 14 };

/**
 * Substances that labels name, with the share of the element that counts: 500 mg of calcium is 1.25 g of calcium
 * carbonate. Source: stoichiometry over IUPAC standard atomic weights; eggshell about 38 % (from memory).
 */
export const COMPOUNDS: readonly Compound[] = [
  compound('calcium carbonate', 'calcium', 'Ca', { Ca: 1, C: 1, O: 3 }),
  compound('dicalcium phosphate', 'calcium', 'Ca', { Ca: 1, H: 1, P: 1, O: 4 }),
  compound('calcium citrate, with water', 'calcium', 'Ca', { Ca: 3, C: 12, H: 18, O: 18 }),
  compound('calcium lactate', 'calcium', 'Ca', { Ca: 1, C: 6, H: 10, O: 6 }),
  compound('calcium lactate, with 5 water', 'calcium', 'Ca', { Ca: 1, C: 6, H: 20, O: 11 }),
  compound('calcium gluconate, with water', 'calcium', 'Ca', { Ca: 1, C: 12, H: 24, O: 15 }),
  { name: 'eggshell', element: 'calcium', share: 0.38 },
  compound('dicalcium phosphate', 'phosphorus', 'P', { Ca: 1, H: 1, P: 1, O: 4 }),
  compound('salt', 'sodium', 'Na', { Na: 1, Cl: 1 }),
  compound('salt', 'chloride', 'Cl', { Na: 1, Cl: 1 }),
  compound('potassium chloride', 'potassium', 'K', { K: 1, Cl: 1 }),
  compound('potassium chloride', 'chloride', 'Cl', { K: 1, Cl: 1 }),
  compound('magnesium oxide', 'magnesium', 'Mg', { Mg: 1, O: 1 }),
  compound('magnesium citrate', 'magnesium', 'Mg', { Mg: 3, C: 12, H: 10, O: 14 }),
  compound('iron sulfate, with 7 water', 'iron', 'Fe', { Fe: 1, S: 1, O: 11, H: 14 }),
  compound('copper gluconate', 'copper', 'Cu', { Cu: 1, ...GLUCONATE }),
  compound('copper sulfate, with 5 water', 'copper', 'Cu', { Cu: 1, S: 1, O: 9, H: 10 }),
  compound('manganese gluconate', 'manganese', 'Mn', { Mn: 1, ...GLUCONATE }),
  compound('zinc gluconate', 'zinc', 'Zn', { Zn: 1, ...GLUCONATE }),
  compound('zinc sulfate, with water', 'zinc', 'Zn', { Zn: 1, S: 1, O: 5, H: 2 }),
  compound('zinc oxide', 'zinc', 'Zn', { Zn: 1, O: 1 }),
  compound('potassium iodide', 'iodine', 'I', { K: 1, I: 1 }),
  choline('choline bitartrate', { C: 9, H: 19, N: 1, O: 7 }),
  choline('choline chloride', { C: 5, H: 14, Cl: 1, N: 1, O: 1 }),
  compound('sodium selenite', 'selenium', 'Se', { Na: 2, Se: 1, O: 3 }),
];

export const compoundsOf = (element: string): readonly Compound[] =>
  COMPOUNDS.filter((each) => each.element === element);
