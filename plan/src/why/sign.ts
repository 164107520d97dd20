import type { Sign } from '@zero-pour/core';

export const sign = (bad: boolean, says: Sign['says']): Sign => ({ state: bad ? 'bad' : 'good', says });
