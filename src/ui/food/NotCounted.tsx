import { Caution } from '@/ui/Caution';

/** Lines that were kept as words: in no sum and on no scale, and said wherever the others are. */
export function NotCounted({ lines }: { lines: readonly string[] }) {
  return lines.length === 0 ? null : (
    <Caution role="note">
      Not counted: {lines.join('; ')}. What it holds nobody has read: it is for you to fetch and to weigh.
    </Caution>
  );
}
