import { stretchNow, USUAL_DEPTH, type PanState } from '../../heat/pans';
import type { Remedy } from '../../heat/remedies';
import { LONGEST_TIMER, type CookAct } from './cook';

/** Minutes from one stirring to the next (common practice, no source). */
const STIRRED_EVERY = 10;

/**
 * What is written when a help is pressed: from now on the pan stands so, and its timer runs until it should be cold; undefined: it is
 * left as it is, and nobody can say for how long. Takes the pan, the help and its minutes. Source: ours.
 */
export function actOfHelp(pan: PanState, help: Remedy, minutes: number | undefined): CookAct | undefined {
  const load = pan.key;
  const timer = minutes === undefined ? undefined : Math.max(1, Math.min(LONGEST_TIMER, Math.round(minutes)));
  const until = timer === undefined ? {} : { minutes: timer };
  if (help.stirred) return { act: 'look at pan', load, minutes: STIRRED_EVERY };
  if (help.pans) return { act: 'depth', load, cm: (pan.depth ?? USUAL_DEPTH) / help.pans, ...until };
  if (help.where !== stretchNow(pan).where) return { act: 'where', load, where: help.where, ...until };
  return timer === undefined ? undefined : { act: 'look at pan', load, minutes: timer };
}
