/** Lists of timed steps that can be stepped through at the bench, by their stage. */
export const BENCH_LISTS = ['clean', 'invest', 'pour'] as const;
export type BenchList = (typeof BENCH_LISTS)[number];
