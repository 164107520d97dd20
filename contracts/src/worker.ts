import type {
  CouponOutcome,
  EdgeCurve,
  LayerStack,
  PatternAnalysis,
  PatternMeasure,
  NextCoupon,
  Rotation,
  WaysUp,
  WayUp,
  PrintDirection,
  Recommendation,
  Step,
  TuningInput,
  UnitOption,
  Verdict,
} from '@zero-pour/core';
import type { ErrorCode, ErrorDetail } from './errors';

/** A file that the reader would not take, with the code of its sentence. */
interface Refused {
  status: 'refused';
  code: ErrorCode;
  detail: ErrorDetail;
}

/** What the mesh worker answers. Buffers are transferred; `hash` names the file's bytes. */
export type PatternAnswer =
  | { status: 'unit needed'; options: UnitOption[] }
  | {
      status: 'read';
      hash: string;
      measure: PatternMeasure;
      /** For the view: welded vertices (float32) and triangle indices. */
      positions: Float32Array;
      triangles: Uint32Array;
    }
  | Refused;

/** A whole analysis: `shape` is a shape file (core, pattern/shapeFile) named by `shapeHash`. */
export type AnalysisJobAnswer =
  | {
      status: 'analysed';
      measure: PatternMeasure;
      analysis: PatternAnalysis;
      shape: Uint8Array<ArrayBuffer>;
      shapeHash: string;
    }
  | { status: 'too open'; measure: PatternMeasure; openShare: number }
  | Refused;

/** A part cut into layers. */
export type LayersJobAnswer = { status: 'cut'; direction: PrintDirection; stack: LayerStack } | Refused;

/** What the search for ways up is asked: layer height, points on faces that must stay clean, ways to compare. */
export interface WaysJob {
  layerMm: number;
  cleanPoints: [number, number, number][];
  compare: Rotation[];
}

export interface WaysAnswer extends WaysUp {
  /** One for each rotation of `compare`. */
  compared: WayUp[];
}

export type PatternProgress = (step: Step, share: number) => void;

/** What the tuning worker is asked: the counts, and the exposures that the chart spans. */
export interface TuningJob extends TuningInput {
  /** Coupons in the sense of the verdict rule; pieces of test sets among the trials are none. */
  coupons: number;
  chartS: [number, number];
  /** Print the best exposure next, whatever another would teach: a base that falls off costs the plate. */
  keepToBest: boolean;
}

/** What the counts say, ready to show. */
export interface TuningAnswer {
  recommended: Recommendation;
  next: NextCoupon;
  verdict: Verdict;
  struts: EdgeCurve;
  slots: EdgeCurve;
  outcomes: CouponOutcome[];
}

/** A finished coupon for the view: vertices (float32) and triangle indices, mm. */
export interface CouponShape {
  positions: Float32Array;
  triangles: Uint32Array;
  volumeMm3: number;
}
