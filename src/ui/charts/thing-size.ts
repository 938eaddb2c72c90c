/** What is drawn 60 px high: a pot of 10 L. */
const MIDDLE = { millilitres: 10_000, px: 60 };

/**
 * How high a thing of so many mL is drawn, in px: bodies grow by the cube root of what they hold, so that a jar can be
 * seen beside a freezer and is still the smaller one; from 20 to 140.
 */
export const thingHeight = (millilitres: number): number =>
  Math.min(140, Math.max(20, MIDDLE.px * Math.cbrt(millilitres / MIDDLE.millilitres)));
