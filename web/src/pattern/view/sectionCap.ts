import {
  AlwaysStencilFunc,
  BackSide,
  DecrementWrapStencilOp,
  DoubleSide,
  FrontSide,
  IncrementWrapStencilOp,
  Mesh,
  MeshBasicMaterial,
  NotEqualStencilFunc,
  PlaneGeometry,
  ReplaceStencilOp,
  type BufferGeometry,
  type Plane,
} from 'three';
import { COLOURS } from '../../theme/colours';

const CUT_FACE = COLOURS.tan;

/** The cut face of a part: `cap` goes into the scene; the counting meshes hang on the part. */
export interface Section {
  cap: Mesh;
  dispose(): void;
}

/**
 * Fills what a clipping plane cuts open: back faces behind the plane count up in the stencil, front faces down, and
 * the cap is drawn where the count is not 0, which is where the plane lies inside the solid.
 */
export function createSection(part: Mesh<BufferGeometry>, plane: Plane, radius: number): Section {
  const counters = (
    [
      [BackSide, IncrementWrapStencilOp],
      [FrontSide, DecrementWrapStencilOp],
    ] as const
  ).map(([side, op]) => {
    const material = new MeshBasicMaterial({
      side,
      clippingPlanes: [plane],
      colorWrite: false,
      depthWrite: false,
      depthTest: false,
      stencilWrite: true,
      stencilFunc: AlwaysStencilFunc,
      stencilFail: op,
      stencilZFail: op,
      stencilZPass: op,
    });
    const counter = new Mesh(part.geometry, material);
    counter.renderOrder = 1;
    part.add(counter);
    return counter;
  });
  const material = new MeshBasicMaterial({
    color: CUT_FACE,
    side: DoubleSide,
    stencilWrite: true,
    stencilRef: 0,
    stencilFunc: NotEqualStencilFunc,
    stencilFail: ReplaceStencilOp,
    stencilZFail: ReplaceStencilOp,
    stencilZPass: ReplaceStencilOp,
  });
  const cap = new Mesh(new PlaneGeometry(4 * radius, 4 * radius), material);
  plane.coplanarPoint(cap.position);
  cap.lookAt(cap.position.clone().sub(plane.normal));
  cap.renderOrder = 2;
  return {
    cap,
    dispose: () => {
      for (const counter of counters) {
        part.remove(counter);
        counter.material.dispose();
      }
      cap.removeFromParent();
      cap.geometry.dispose();
      material.dispose();
    },
  };
}
