import {
  BufferAttribute,
  type BufferGeometry,
  Color,
  DirectionalLight,
  Group,
  HemisphereLight,
  Matrix4,
  Mesh,
  MeshStandardMaterial,
  OrthographicCamera,
  Plane,
  Raycaster,
  Scene,
  Vector2,
  Vector3,
  WebGLRenderer,
} from 'three';
import { OrbitControls } from 'three/addons/controls/OrbitControls.js';
import { drawnGeometry } from './drawnGeometry';
import { createSection, type Section } from './sectionCap';
import { COLOURS } from '../../theme/colours';

const PLASTER = COLOURS.hatch;
const WAX = COLOURS.waxLit;
const ROOM = 1.06;
/** Parts with fewer corners than this show their facets. */
const FLAT_BELOW = 60_000;

export type Point = [number, number, number];
/** A place in the picture, CSS pixels from its top left; `depth` is nearer when smaller. */
export interface ScreenPoint {
  x: number;
  y: number;
  depth: number;
}
/** Keeps what lies on the side of `at` that `normal` points away from. File axes, mm. */
export interface SectionPlane {
  at: Point;
  normal: Point;
}
export const STANDARD_VIEWS = {
  front: [0, -1, 0],
  back: [0, 1, 0],
  left: [-1, 0, 0],
  right: [1, 0, 0],
  above: [0, 0, 1],
  below: [0, 0, -1],
} as const satisfies Record<string, Point>;
export type StandardView = keyof typeof STANDARD_VIEWS;

type PartMesh = Mesh<BufferGeometry, MeshStandardMaterial>;

/** A part on plaster ground under one key light; drawn only when something changed. Places are the file's mm. */
export class PartScene {
  private readonly renderer: WebGLRenderer;
  private readonly scene = new Scene();
  private readonly camera = new OrthographicCamera(-1, 1, 1, -1, -1000, 2000);
  private readonly controls: OrbitControls;
  /** Turned as the part stands on the plate; the mesh in it is moved to the middle. */
  private readonly holder = new Group();
  private mesh: PartMesh | undefined;
  private section: Section | undefined;
  private readonly center = new Vector3();
  private radius = 1;
  private frame = 0;

  /** Throws when the browser has no WebGL. `drawn` is told after each frame. */
  constructor(
    private readonly canvas: HTMLCanvasElement,
    private readonly drawn: () => void,
  ) {
    this.renderer = new WebGLRenderer({
      canvas,
      antialias: !navigator.webdriver,
      powerPreference: 'low-power',
      stencil: true,
    });
    this.renderer.setPixelRatio(Math.min(window.devicePixelRatio, 2));
    this.renderer.localClippingEnabled = true;
    const { scene, camera, holder } = this;
    scene.background = new Color(PLASTER);
    scene.add(new HemisphereLight(COLOURS.bone, COLOURS.ash, 1.8), camera, holder);
    const key = new DirectionalLight(COLOURS.paper, 2.1);
    key.position.set(-20, 30, 40);
    camera.add(key);
    camera.up.set(0, 0, 1);
    holder.matrixAutoUpdate = false;
    this.controls = new OrbitControls(camera, canvas);
    this.controls.addEventListener('change', () => this.request());
  }

  /**
   * Shows a part; the first one, and each of another size, is brought into view. `round`: what is to be in view instead of the
   * part's own ball, so that the view stays while things in it are moved.
   */
  setShape(positions: Float32Array, triangles: Uint32Array, round?: { center: Point; radius: number }): void {
    const before = this.mesh && { center: this.center.clone(), radius: this.radius };
    this.dropMesh();
    const geometry = drawnGeometry(positions, triangles);
    const material = new MeshStandardMaterial({
      color: WAX,
      roughness: 0.78,
      metalness: 0,
      flatShading: triangles.length < FLAT_BELOW,
    });
    this.mesh = new Mesh(geometry, material);
    const sphere = geometry.boundingSphere!;
    if (round) this.center.set(...round.center);
    else this.center.copy(sphere.center);
    this.radius = round?.radius ?? sphere.radius;
    this.mesh.position.copy(this.center).negate();
    this.holder.add(this.mesh);
    const same =
      before &&
      before.center.distanceTo(this.center) + Math.abs(before.radius - this.radius) < 0.01 * this.radius;
    if (!same) this.fit();
    this.request();
  }

  /** Colours of the vertices (RGB bytes), or the plain wax. */
  setColours(rgb: Uint8Array | null): void {
    const { mesh } = this;
    if (!mesh) return;
    if (rgb) mesh.geometry.setAttribute('color', new BufferAttribute(rgb, 3, true));
    else mesh.geometry.deleteAttribute('color');
    mesh.material.vertexColors = rgb !== null;
    mesh.material.color.set(rgb ? COLOURS.paper : WAX);
    mesh.material.needsUpdate = true;
    this.request();
  }

  setRotation(m: readonly number[]): void {
    this.holder.matrix.set(
      m[0]!,
      m[1]!,
      m[2]!,
      0,
      m[3]!,
      m[4]!,
      m[5]!,
      0,
      m[6]!,
      m[7]!,
      m[8]!,
      0,
      0,
      0,
      0,
      1,
    );
    this.holder.matrixWorldNeedsUpdate = true;
    this.holder.updateMatrixWorld(true);
    this.request();
  }

  /** Cuts the part open, with the cut face filled; null closes it again. */
  setSection(plane: SectionPlane | null): void {
    this.section?.dispose();
    this.section = undefined;
    const { mesh } = this;
    if (!mesh) return;
    mesh.material.clippingPlanes = null;
    if (plane) {
      const world = new Plane().setFromNormalAndCoplanarPoint(
        this.directionToWorld(plane.normal).negate(),
        this.toWorld(plane.at),
      );
      mesh.material.clippingPlanes = [world];
      this.section = createSection(mesh, world, this.radius);
      this.scene.add(this.section.cap);
    }
    mesh.material.needsUpdate = true;
    this.request();
  }

  resize(width: number, height: number): void {
    this.renderer.setSize(width, height, false);
    this.frameCamera();
    this.request();
  }

  private frameCamera(): void {
    const { clientWidth, clientHeight } = this.canvas;
    const aspect = clientWidth / Math.max(1, clientHeight) || 1;
    const { camera } = this;
    camera.top = this.radius * ROOM * Math.max(1, 1 / aspect);
    camera.bottom = -camera.top;
    camera.right = camera.top * aspect;
    camera.left = -camera.right;
    camera.updateProjectionMatrix();
  }

  /** The whole part, from the front and above. */
  fit(): void {
    this.frameCamera();
    this.camera.zoom = 1;
    this.camera.updateProjectionMatrix();
    this.lookFrom(new Vector3(1.1, -2.4, 1.5), new Vector3());
  }

  view(name: StandardView): void {
    this.lookFrom(new Vector3(...STANDARD_VIEWS[name]), new Vector3());
  }

  /** Turns to a place so that it is seen from a direction (file axes), and brings it nearer. */
  turnTo(at: Point, from: Point, zoom: number): void {
    this.camera.zoom = zoom;
    this.camera.updateProjectionMatrix();
    this.lookFrom(this.directionToWorld(from), this.toWorld(at));
  }

  private lookFrom(direction: Vector3, target: Vector3): void {
    const { camera, controls } = this;
    // Straight along the upright axis there is no up: a hair off it there is.
    const away = direction.normalize();
    if (Math.abs(away.z) > 0.9999) away.y -= 1e-3;
    controls.target.copy(target);
    camera.position.copy(target).addScaledVector(away, this.radius * 3);
    controls.update();
    this.request();
  }

  turn(byX: number, byY: number): void {
    const { camera, controls } = this;
    const offset = camera.position.clone().sub(controls.target).applyAxisAngle(camera.up, byX);
    camera.position.copy(controls.target).add(offset);
    camera.position.z += byY * this.radius * 3;
    controls.update();
    this.request();
  }

  zoom(factor: number): void {
    this.camera.zoom *= factor;
    this.camera.updateProjectionMatrix();
    this.request();
  }

  /** mm that one pixel spans, for the scale bar. */
  mmPerPixel(): number {
    return (this.camera.right - this.camera.left) / this.camera.zoom / Math.max(1, this.canvas.clientWidth);
  }

  /** Screen directions of the plate's axes (x right, y up). */
  axes(): { name: string; x: number; y: number }[] {
    const e = this.camera.matrixWorldInverse.elements;
    return ['x', 'y', 'z'].map((name, i) => ({ name, x: e[4 * i]!, y: e[4 * i + 1]! }));
  }

  /** Direction from the part to the eye, in file axes. */
  towardsEye(): Point {
    const eye = this.camera.position.clone().sub(this.controls.target).normalize();
    return eye.transformDirection(new Matrix4().copy(this.holder.matrixWorld).invert()).toArray() as Point;
  }

  screenOf(at: Point): ScreenPoint {
    const p = this.toWorld(at).project(this.camera);
    const { clientWidth, clientHeight } = this.canvas;
    return { x: ((p.x + 1) / 2) * clientWidth, y: ((1 - p.y) / 2) * clientHeight, depth: p.z };
  }

  /** The first place of the uncut surface under a pixel, with the vertices of its face; null beside the part. */
  pick(x: number, y: number): { at: Point; vertices: Point } | null {
    const { mesh, canvas } = this;
    if (!mesh) return null;
    const ray = new Raycaster();
    const device = new Vector2((x / canvas.clientWidth) * 2 - 1, 1 - (y / canvas.clientHeight) * 2);
    ray.setFromCamera(device, this.camera);
    const plane = mesh.material.clippingPlanes?.[0];
    const hit = ray
      .intersectObject(mesh, false)
      .find(({ point }) => !plane || plane.distanceToPoint(point) >= 0);
    if (!hit?.face) return null;
    return {
      at: mesh.worldToLocal(hit.point.clone()).toArray() as Point,
      vertices: [hit.face.a, hit.face.b, hit.face.c],
    };
  }

  /** The picture as it stands, as a PNG. */
  async toPng(): Promise<Blob> {
    this.renderer.render(this.scene, this.camera);
    return new Promise((resolve, reject) =>
      this.canvas.toBlob(
        (blob) => (blob ? resolve(blob) : reject(new Error('No picture could be made.'))),
        'image/png',
      ),
    );
  }

  dispose(): void {
    cancelAnimationFrame(this.frame);
    this.controls.dispose();
    this.dropMesh();
    this.renderer.dispose();
  }

  private toWorld = (at: Point): Vector3 =>
    new Vector3(...at).sub(this.center).applyMatrix4(this.holder.matrixWorld);
  private directionToWorld = (d: Point): Vector3 =>
    new Vector3(...d).transformDirection(this.holder.matrixWorld);

  private request(): void {
    this.frame ||= requestAnimationFrame(() => {
      this.frame = 0;
      this.renderer.render(this.scene, this.camera);
      this.drawn();
    });
  }

  private dropMesh(): void {
    this.section?.dispose();
    this.section = undefined;
    if (!this.mesh) return;
    this.holder.remove(this.mesh);
    this.mesh.geometry.dispose();
    this.mesh.material.dispose();
    this.mesh = undefined;
  }
}
