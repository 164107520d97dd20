import type { BooleanEngine } from '@zero-pour/core';
import Module from 'manifold-3d';
import { manifoldEngine } from '../run/index';

/** The boolean engine under Node. */
export const loadEngine = async (): Promise<BooleanEngine<unknown>> => manifoldEngine(await Module());
