import { useUnits } from '@/ui/units';
import type { Bowl } from './use-bowl';

/** "from V8 359 g, then V11 270 g, Sunday’s venison pot": which packs a bowl is filled from, and how what is dry is fed. */
export function FromPacks({ bowl }: { bowl: Bowl }) {
  const { inMass } = useUnits();
  const { drawn, water } = bowl;
  const potOf = (key: string | undefined) => bowl.sourceOf(key)?.pot;
  return (
    <>
      {drawn.map((part, index) => (
        <span key={part.key}>
          {index === 0 ? 'from ' : ', then '}
          <b>{part.code}</b>
          {drawn.length > 1 && ` ${inMass(part.grams)}`}
          {bowl.isFrozen(part.key) && ' frozen'}
          {potOf(part.key) !== potOf(drawn[index + 1]?.key) && `, ${potOf(part.key)}`}
        </span>
      ))}
      {water > 0 && ': warm water, wait 10 min'}
    </>
  );
}
