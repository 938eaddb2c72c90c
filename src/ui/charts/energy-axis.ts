import { scaleLinear } from 'd3';

/** How far an axis goes that shows a dog's day and what its method allows, up to twice the day. */
export const energyExtent = ({ kcal, range }: { readonly kcal: number; readonly range: readonly [number, number] }) =>
  Math.max(kcal, Math.min(range[1], kcal * 2)) * 1.1;

/** A common kcal axis for dogs or schools: where each mark and band stands, in px. Pure geometry. */
export function energyAxis(highest: number, width: number) {
  const scale = scaleLinear()
    .domain([0, Math.max(highest, 1)])
    .nice(4)
    .range([0, width]);
  return { x: (kcal: number) => scale(kcal), ticks: scale.ticks(4).map((kcal) => ({ kcal, x: scale(kcal) })) };
}
