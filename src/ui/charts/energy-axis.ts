import { scaleLinear } from 'd3';

/** A common kcal axis for dogs or schools: where each mark and band stands, in px. Pure geometry. */
export function energyAxis(highest: number, width: number) {
  const scale = scaleLinear()
    .domain([0, Math.max(highest, 1)])
    .nice(4)
    .range([0, width]);
  return { x: (kcal: number) => scale(kcal), ticks: scale.ticks(4).map((kcal) => ({ kcal, x: scale(kcal) })) };
}
