import type { CookedComponent } from '../batch/evidence';
import type { Moment, Part } from '../recipe/recipe';

/** How much longer a pot cooks that meat went into frozen: half as long again. Source: handbook 6 (common practice, no source). */
export const FROM_FROZEN = 1.5;

const MEAT: ReadonlySet<Part> = new Set(['muscle', 'muscular organ', 'secreting organ', 'bone']);

/** Whether it matters that a line goes in frozen: meat that cooks along. Peas that are bought frozen cook as their recipe says. Source: ours. */
export const mayGoInFrozen = ({ part, moment }: { readonly part: Part; readonly moment: Moment }): boolean =>
  MEAT.has(part) && moment === 'cook';

/** What is said beside a line that goes in frozen. Source: as `sayFromFrozen`. */
export const IF_FROZEN =
  'The pot cooks half as long again (common practice). Not for a slow cooker: thaw it first (USDA).';

/** What is said of a component that frozen meat lies in. Source: handbook 6 (common practice; thawing before a slow cooker: USDA). */
export const sayFromFrozen = ({ slow }: Pick<CookedComponent, 'slow'>): string =>
  slow
    ? 'Meat went in frozen: a slow cooker brings it up too slowly. Thaw meat first (USDA), or cook this in another pot.'
    : 'Meat went in frozen: half as long again (common practice). Its core says when it is done, in the thickest piece.';
