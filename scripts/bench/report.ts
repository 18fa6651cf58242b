/** Prints one metric as a JSON line. */
export function report(metric: string, value: number, unit: string, note: string): void {
  console.log(JSON.stringify({ metric, value: Number(value.toPrecision(4)), unit, note }));
}

/** The middle of several timings. */
export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)]!;
}
