import { fieldWords } from '@zero-pour/contracts';
import { InputError } from '@zero-pour/core';
import { failed, type Planned } from './planned';

/** "what was given: 0; a number above 0 is needed". */
const sentenceOf = ({ argument, message }: InputError): string =>
  `This cannot be worked out: ${message.replace(argument, fieldWords(argument))}.`;

/**
 * A part of the plan, or why core does not take a number that the border let through: it is told there, and takes nothing
 * else of the plan with it. Any other error is a fault of the program, and thrown.
 */
export function attempt<T>(plan: () => Planned<T>): Planned<T> {
  try {
    return plan();
  } catch (error) {
    if (error instanceof InputError) return failed(sentenceOf(error));
    throw error;
  }
}

/** … or what stands in for it. */
export function attemptOr<T>(instead: T, plan: () => T): T {
  try {
    return plan();
  } catch (error) {
    if (error instanceof InputError) return instead;
    throw error;
  }
}
