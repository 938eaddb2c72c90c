import { max, scaleBand, scaleLinear, stack } from 'd3';
import { nth, sure } from '@/core/sure';

export interface NeedBar {
  readonly dogIndex: number;
  readonly day: number;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Each day's energy stacked by dog, in px: a pup's layer rises. Pure geometry. */
export function needStack(byDog: readonly (readonly number[])[], size: { width: number; height: number }): NeedBar[] {
  const days = Array.from({ length: byDog[0]?.length ?? 0 }, (_, day) => day);
  const layers = stack<number, number>()
    .keys(byDog.map((_, index) => index))
    .value((day, dog) => sure(nth(byDog, dog)[day]))(days);
  const x = scaleBand<number>().domain(days).range([0, size.width]).paddingInner(0.12);
  const top = max(layers.at(-1) ?? [], (point) => point[1]) ?? 1;
  const y = scaleLinear().domain([0, top]).range([size.height, 0]);
  return layers.flatMap((layer) =>
    layer.map((point, day) => ({
      dogIndex: layer.key,
      day,
      x: sure(x(day)),
      y: y(point[1]),
      width: x.bandwidth(),
      height: y(point[0]) - y(point[1]),
    })),
  );
}
