import {
  concatBalls,
  doTask,
  READINGS,
  readingsOf,
  readWhole,
  STEP_OF,
  type AnalysisResult,
  type Balls,
  type BallTask,
  type BooleanEngine,
  type PartAnswer,
  type PartGrids,
  type PartSolid,
  type PartTask,
  type PatternMeasure,
  type Report,
  type SideMessage,
  type WeldedMesh,
} from '@zero-pour/core';

/** A thread beside the one that works: it answers one message after the other (`makeSide` of the core). */
export interface Side {
  ask: (message: SideMessage) => Promise<PartAnswer | null>;
  end: () => void;
}

/** So many cells' balls are made in one go: long enough to be worth a message, short enough to be shared evenly. */
const CHUNK = 1024;

interface Piece {
  task: PartTask;
  answer: Promise<PartAnswer>;
  give: (answer: PartAnswer) => void;
}

/** What is to be done of one part: the thread beside takes from the front, this one from the back. */
class Pieces {
  private readonly waiting: Piece[] = [];
  private readonly lost: Promise<void>;
  private isLost = false;
  private wake: (() => void) | undefined;

  constructor(private readonly side: Side) {
    this.lost = this.serve().catch(() => {
      // Without it all is done here.
      this.isLost = true;
    });
  }

  add(task: PartTask): Piece {
    const piece = { task } as Piece;
    piece.answer = new Promise((resolve) => (piece.give = resolve));
    this.waiting.push(piece);
    this.wake?.();
    return piece;
  }

  /** Answers of pieces, of which this thread does what the other has not begun. */
  async settle(pieces: readonly Piece[], here: (task: PartTask) => PartAnswer): Promise<PartAnswer[]> {
    const wanted = new Set(pieces);
    const all = Promise.all(pieces.map(({ answer }) => answer));
    for (;;) {
      const at = this.waiting.findLastIndex((piece) => wanted.has(piece));
      if (at >= 0) {
        const [piece] = this.waiting.splice(at, 1);
        piece!.give(here(piece!.task));
        // Answers from beside, and the order to stop, get their turn.
        await new Promise((resolve) => setTimeout(resolve, 0));
      } else if (this.isLost) return all;
      else if ((await Promise.race([all.then(() => true), this.lost.then(() => false)])) === true) return all;
    }
  }

  private async serve(): Promise<never> {
    for (;;) {
      const piece = this.waiting.shift();
      if (!piece) {
        await new Promise<void>((resolve) => (this.wake = resolve));
        continue;
      }
      try {
        const answer = await this.side.ask({ task: piece.task });
        if (!answer) throw new Error('The thread beside has no part.');
        piece.give(answer);
      } catch (error) {
        this.waiting.unshift(piece);
        throw error;
      }
    }
  }
}

const chunksOf = (task: BallTask, size: number): BallTask[] =>
  Array.from({ length: Math.ceil(task.entries.length / size) }, (_, n) => ({
    ...task,
    entries: task.entries.slice(n * size, (n + 1) * size),
  }));

/**
 * Everything of a part as `analysePattern` reads it, shared with a thread beside: the same answers, in little more than
 * half the time on two cores. A thread that is lost on the way costs nothing but that time.
 */
export async function analyseTogether(
  file: WeldedMesh,
  measure: PatternMeasure,
  side: Side,
  report: Report = () => {},
  engine?: BooleanEngine<unknown>,
  chunk = CHUNK,
): Promise<AnalysisResult> {
  const reading = readWhole(file, measure, report, engine);
  let solid: PartSolid | undefined;
  let grids: PartGrids = {};
  const tell = (message: SideMessage): void => void side.ask(message).catch(() => {});
  let pieces: Pieces | undefined;
  let readings: Piece[] = [];
  let step = reading.next();
  while (!step.done) {
    const want = step.value;
    let answer: unknown;
    if (want.kind === 'part') {
      solid = want.solid;
      tell({ part: want.part });
      pieces = new Pieces(side);
      readings = READINGS.map((task) => pieces!.add(task));
    } else if (want.kind === 'grids') {
      grids = { ...grids, ...want.grids };
      tell({ grids: want.grids });
    } else if (want.kind === 'balls') {
      const chunks = chunksOf(want.task, chunk).map((task) => pieces!.add(task));
      let done = 0;
      const found = await pieces!.settle(chunks, (task) => {
        want.tell(done++ / chunks.length);
        return doTask(solid!, grids, task);
      });
      answer = concatBalls(found as Balls[]);
    } else
      answer = readingsOf(
        await pieces!.settle(readings, (task) => {
          want.report(...STEP_OF[task.kind]);
          return doTask(solid!, grids, task);
        }),
      );
    step = reading.next(answer);
  }
  return step.value;
}
