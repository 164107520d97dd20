import { analysePattern, makeSide, type SideMessage } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import { measured } from '../../../core/src/testing/analysed';
import { sphere, together, torus } from '../../../core/src/testing/solids';
import { openSide } from '../node/index';
import { analyseTogether, type Side } from './index';

/** A ring, and two that overlap, as they come from their files. */
function part(overlaps = false) {
  const ring = torus(4, 0.8, 48, 16);
  return measured(overlaps ? together(ring, torus(4.3, 0.6, 40, 16)) : ring);
}

/** A thread beside, in this one; it is lost at its nth message. */
function sideHere(lostAt = Infinity): Side & { tasks: string[] } {
  const side = makeSide();
  const tasks: string[] = [];
  let asked = 0;
  return {
    tasks,
    ask: async (message: SideMessage) => {
      if (++asked >= lostAt) throw new Error('lost');
      await new Promise((resolve) => setTimeout(resolve, 0));
      if ('task' in message) tasks.push(message.task.kind);
      return side(structuredClone(message));
    },
    end: () => {},
  };
}

describe('a part read by two threads', () => {
  const { mesh, measure } = part();
  const alone = analysePattern(mesh, measure);

  it('is read as by one, and the other does a part of every kind', async () => {
    const side = sideHere();
    expect(await analyseTogether(mesh, measure, side, () => {}, undefined, 64)).toEqual(alone);
    expect(side.tasks).toContain('gaps');
    expect(side.tasks).toContain('balls');
  });
  it.each([1, 2, 4, 9])('is read as by one when the other is lost at its message %i', async (lostAt) => {
    expect(await analyseTogether(mesh, measure, sideHere(lostAt))).toEqual(alone);
  });
  it('with bodies that overlap too', async () => {
    const both = part(true);
    expect(both.measure.overlapMm3).toBeGreaterThan(0);
    expect(await analyseTogether(both.mesh, both.measure, sideHere())).toEqual(
      analysePattern(both.mesh, both.measure),
    );
  });
  it('in a thread of its own, and its progress only grows', async () => {
    const side = openSide();
    const shares: number[] = [];
    try {
      const found = await analyseTogether(mesh, measure, side, (_step, share) => shares.push(share));
      expect(found).toEqual(alone);
    } finally {
      side.end();
    }
    expect(shares.length).toBeGreaterThan(5);
  });
  it('that is too open says so', async () => {
    const ball = sphere(4, 3);
    const open = measured({ ...ball, triangles: ball.triangles.slice(ball.triangles.length / 2) });
    const found = await analyseTogether(open.mesh, open.measure, sideHere());
    expect(found.status).toBe('too open');
  });
});
