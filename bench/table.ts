/** A Markdown table of rows with the same keys. */
export function table(rows: readonly Record<string, string | number>[]): string {
  const keys = Object.keys(rows[0] ?? {});
  const line = (cells: readonly (string | number)[]): string => `| ${cells.join(' | ')} |`;
  return [
    line(keys),
    line(keys.map(() => '---')),
    ...rows.map((row) => line(keys.map((key) => row[key] ?? ''))),
  ].join('\n');
}

export const ms = (value: number): string => `${value.toFixed(value < 10 ? 1 : 0)} ms`;
/** The middle value. */
export const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;
