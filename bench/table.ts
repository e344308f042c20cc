/** Prints rows as a Markdown table, as docs/performance.md keeps them. */
export function printTable(title: string, head: string[], rows: (string | number)[][]): void {
  const line = (cells: (string | number)[]): string => `| ${cells.join(' | ')} |`;
  console.log(`\n### ${title}\n\n${line(head)}\n${line(head.map(() => '---'))}\n${rows.map(line).join('\n')}`);
}

/** The value below which a share of the sample lies. */
export function percentile(values: number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!;
}

export const ms = (value: number): string => value.toFixed(value < 1 ? 3 : 2);

/** How long some work takes, in ms, after a round that does not count. */
export function time(rounds: number, work: () => void): number[] {
  work();
  return Array.from({ length: rounds }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  });
}

/** A row of times: the middle one, the slow one, and what else there is to say. */
export const row = (what: string, times: number[], more: string | number): (string | number)[] => [
  what,
  ms(percentile(times, 0.5)),
  ms(percentile(times, 0.95)),
  more,
];
