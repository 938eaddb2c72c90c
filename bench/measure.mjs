/** Times `work` in ms for each of the inputs given, one after the other. */
export async function timeEach(inputs, work) {
  const times = [];
  for (const input of inputs) {
    const start = performance.now();
    await work(input);
    times.push(performance.now() - start);
  }
  return times;
}

const quantile = (sorted, part) => sorted[Math.min(sorted.length - 1, Math.ceil(part * sorted.length) - 1)];

/** One entry of the report: median and 95th percentile in ms, to 0.01. */
export function entry(name, size, times) {
  const sorted = [...times].sort((a, b) => a - b);
  const round = (value) => Number(value.toFixed(2));
  return { name, size, median_ms: round(quantile(sorted, 0.5)), p95_ms: round(quantile(sorted, 0.95)) };
}
