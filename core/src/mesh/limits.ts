/**
 * What a pattern file may claim and hold, so that a file made to hurt, or a damaged one, is refused within seconds and a gigabyte.
 * Checked while it is read, before anything is made room for. The list for people is docs/limits.md.
 */
export const MESH_LIMITS = {
  /** Beyond these the page could not stay alive (docs/benchmarks.md). */
  fileBytes: 300_000_000,
  triangles: 5_000_000,
  /** Each triangle with corners of its own. */
  vertices: 15_000_000,
  /** All models of a 3MF package, unpacked: 3.5 million triangles or so. Reading as much takes about five seconds. */
  modelBytes: 150_000_000,
  /** What a model says beside its lists of vertices and triangles. */
  modelStructureBytes: 4_000_000,
  /** The list of parts of a package. */
  relationsBytes: 64_000,
  /** Objects that are put together, each time that it is: components of components multiply. */
  instances: 100_000,
  /** Components within components: deeper is a loop or a mistake. */
  componentDepth: 16,
  /** A line of an OBJ or a text STL, and how many lines a backslash may join. */
  lineBytes: 1_000_000,
  joinedLines: 1000,
  /** A word or a number in a text. */
  wordBytes: 4096,
  /** More corners are not a polygon but a damaged count. */
  corners: 1000,
} as const;
