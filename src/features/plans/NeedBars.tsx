import { writeKcal } from '@/core/quantity/write';
import type { DogNeed } from '@/core/plan/demand';
import type { Hatch } from '@/core/recipe/protein';
import { needStack } from '@/ui/charts/need-stack';
import { Pointed } from '@/ui/charts/Pointed';
import { hatchFill } from '@/ui/badges/hatch-defs';
import { nth, sure } from '@/core/sure';

const SIZE = { width: 336, height: 96 };

/** Every feeding day as a bar, a layer a dog: that a pup eats more each day can be seen. */
export function NeedBars({ needs, hatch }: { needs: readonly DogNeed[]; hatch: Hatch }) {
  const bars = needStack(
    needs.map((need) => need.byDay),
    SIZE,
  );
  return (
    <Pointed>
      <svg viewBox={`0 -2 ${SIZE.width} ${SIZE.height + 4}`} width="100%" aria-hidden>
        {bars.map((bar) => (
          <rect
            key={`${bar.dogIndex}-${bar.day}`}
            x={bar.x}
            y={bar.y}
            width={bar.width}
            height={bar.height}
            fill={bar.dogIndex % 2 === 0 ? hatchFill(hatch) : 'var(--enamel-raised)'}
            stroke="var(--slate)"
            strokeWidth="1"
            data-said={`${nth(needs, bar.dogIndex).name}, day ${bar.day + 1}: ${writeKcal(sure(nth(needs, bar.dogIndex).byDay[bar.day]))} kcal`}
          />
        ))}
      </svg>
    </Pointed>
  );
}
