import { isCold } from '../../heat/pans';
import { countOf } from '../../quantity/count-words';
import type { BatchState } from '../fold';
import type { Step } from '../step';

const warmOnes = (batch: BatchState) => (batch.state === 'planned' ? [] : batch.pans.filter((pan) => !isCold(pan)));

export const cool = {
  key: 'cool',
  title: 'Cool',
  listed: 'cooling',
  place: 'pan',
  opens: (batch) => batch.state !== 'planned' && batch.pans.length > 0,
  next: (batch) => {
    // A pot that was weighed goes on to be divided; what cools of it stays on watch.
    const warm = batch.state === 'cooking' ? warmOnes(batch).length : 0;
    if (warm > 0) return `measure ${warm === 1 ? 'the pan' : countOf(warm, 'pan')} as it cools`;
    // What waited for cool food goes in before it is weighed.
    const waits =
      batch.state === 'cooking' && batch.pans.length > 0 ? batch.day.stirIns.filter(({ done }) => !done) : [];
    return waits.length > 0 ? `stir in ${waits.map(({ name }) => name).join(', ')}` : undefined;
  },
  // Each pan is watched by its own clock, beside the step at hand.
  watch: () => undefined,
} as const satisfies Step;
