import { pieceMeasure, type Pattern } from '@zero-pour/contracts';
import { findPattern, findTopology, type Finding, type FindingContext } from '@zero-pour/core';
import type { AnalysisState } from './analysisStore';

/** Findings of a pattern by all that is known of it: what the file's surface tells until it has been analysed. */
export const findingsOf = (pattern: Pattern, state: AnalysisState, context: FindingContext): Finding[] =>
  state.status === 'analysed'
    ? findPattern(pieceMeasure(pattern), state.analysis, context)
    : findTopology(pieceMeasure(pattern));
