import type { Rotation } from '../rotation';
import type { Direction } from './quickLook';

const GOLDEN_ANGLE = Math.PI * (3 - Math.sqrt(5));

/** Directions spread evenly over the sphere (Fibonacci lattice), the file's own six axes first. */
export function spreadDirections(count: number): Direction[] {
  const axes: Direction[] = [[0, 0, 1], [0, 0, -1], [1, 0, 0], [-1, 0, 0], [0, 1, 0], [0, -1, 0]]; // prettier-ignore
  const rest = Math.max(0, count - axes.length);
  const spread = Array.from({ length: rest }, (_, i): Direction => {
    const z = 1 - (2 * i + 1) / rest;
    const r = Math.sqrt(1 - z * z);
    return [r * Math.cos(i * GOLDEN_ANGLE), r * Math.sin(i * GOLDEN_ANGLE), z];
  });
  return [...axes, ...spread].slice(0, count);
}

/** Directions round one, `deg` away. */
export function ringAbout(direction: Direction, deg: number, count: number): Direction[] {
  const [x, y, z] = direction;
  const helper: Direction = Math.abs(z) < 0.9 ? [0, 0, 1] : [1, 0, 0];
  const u = unit([
    y * helper[2] - z * helper[1],
    z * helper[0] - x * helper[2],
    x * helper[1] - y * helper[0],
  ]);
  const v: Direction = [y * u[2] - z * u[1], z * u[0] - x * u[2], x * u[1] - y * u[0]];
  const [cos, sin] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
  return Array.from({ length: count }, (_, i) => {
    const a = (2 * Math.PI * i) / count;
    const [c, s] = [Math.cos(a) * sin, Math.sin(a) * sin];
    return unit([
      cos * x + c * u[0] + s * v[0],
      cos * y + c * u[1] + s * v[1],
      cos * z + c * u[2] + s * v[2],
    ]);
  });
}

const unit = ([x, y, z]: Direction): Direction => {
  const length = Math.hypot(x, y, z);
  return [x / length, y / length, z / length];
};

/** The turn that brings a direction upright: about x, then y; how it stands about z is free. */
export function rotationFor([x, y, z]: Direction): Rotation {
  const deg = (rad: number): number => Math.round((rad * 180 * 1e4) / Math.PI) / 1e4 + 0;
  return { xDeg: deg(Math.atan2(y, z)), yDeg: deg(-Math.atan2(x, Math.hypot(y, z))), zDeg: 0 };
}

/** Which way of the file a rotation brings upright: the last row of its matrix. */
export function directionOf({ xDeg, yDeg }: Rotation): Direction {
  const [a, b] = [(xDeg * Math.PI) / 180, (yDeg * Math.PI) / 180];
  return [-Math.sin(b), Math.cos(b) * Math.sin(a), Math.cos(b) * Math.cos(a)];
}
