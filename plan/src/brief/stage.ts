import { moldMoments } from '../mold/moldMoments';
import { QUIET, type Stage } from '../stage';

export const brief: Stage<'brief'> = {
  ...QUIET,
  key: 'brief',
  isDone: ({ parts, alloy }) => parts.length > 0 && alloy !== undefined,
  line: ({ context: { parts, castings, alloy } }) =>
    parts.length === 0 ? '' : `${castings} wanted${alloy ? `, ${alloy.name}` : ''}`,
  // The mold is named here: its making and its waxes are asked of hands here.
  moments: ({ context }, clock) => (clock ? moldMoments(context, clock) : []),
};
