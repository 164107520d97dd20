import {
  BufferAttribute,
  BufferGeometry,
  Color,
  DirectionalLight,
  Group,
  HemisphereLight,
  Mesh,
  MeshStandardMaterial,
  OrthographicCamera,
  Scene,
  WebGLRenderer,
} from 'three';
import { OrbitControls } from 'three/addons/controls/OrbitControls.js';

const PLASTER = '#efeae0';
const WAX = '#2f7376';
const ROOM = 1.06;

/** A part on plaster ground under one key light; drawn only when something changed. */
export interface PartScene {
  /** mm that one pixel spans, for the scale bar. */
  mmPerPixel(): number;
  /** Screen directions of the plate's axes (x right, y up). */
  axes(): { name: string; x: number; y: number }[];
  setRotation(matrix: readonly number[]): void;
  resize(width: number, height: number): void;
  turn(byX: number, byY: number): void;
  zoom(factor: number): void;
  fit(): void;
  dispose(): void;
}

function partMesh(
  positions: Float32Array,
  triangles: Uint32Array,
): Mesh<BufferGeometry, MeshStandardMaterial> {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(positions, 3));
  geometry.setIndex(new BufferAttribute(triangles, 1));
  geometry.computeVertexNormals();
  geometry.computeBoundingSphere();
  return new Mesh(
    geometry,
    new MeshStandardMaterial({
      color: WAX,
      roughness: 0.78,
      metalness: 0,
      flatShading: triangles.length < 60_000,
    }),
  );
}

/** Builds the scene on a canvas. Throws when the browser has no WebGL. `drawn` is told after each frame. */
export function createPartScene(
  canvas: HTMLCanvasElement,
  positions: Float32Array,
  triangles: Uint32Array,
  drawn: () => void,
): PartScene {
  const renderer = new WebGLRenderer({
    canvas,
    antialias: !navigator.webdriver,
    powerPreference: 'low-power',
  });
  renderer.setPixelRatio(Math.min(window.devicePixelRatio, 2));
  const scene = new Scene();
  scene.background = new Color(PLASTER);
  scene.add(new HemisphereLight('#fff8ea', '#8a8072', 1.8));
  const key = new DirectionalLight('#ffffff', 2.1);
  scene.add(key);
  const camera = new OrthographicCamera(-1, 1, 1, -1, -1000, 2000);
  camera.up.set(0, 0, 1);
  scene.add(camera);
  camera.add(key);
  key.position.set(-20, 30, 40);

  const mesh = partMesh(positions, triangles);
  const { center, radius } = mesh.geometry.boundingSphere!;
  mesh.position.copy(center).negate();
  const holder = new Group();
  holder.add(mesh);
  scene.add(holder);

  let frame = 0;
  const draw = () => {
    frame = 0;
    renderer.render(scene, camera);
    drawn();
  };
  const request = () => {
    frame ||= requestAnimationFrame(draw);
  };
  const controls = new OrbitControls(camera, canvas);
  controls.addEventListener('change', request);

  const place = () => {
    camera.position.set(radius * 1.1, -radius * 2.4, radius * 1.5);
    camera.zoom = 1;
    controls.target.set(0, 0, 0);
    camera.updateProjectionMatrix();
    controls.update();
    request();
  };
  const resize = (width: number, height: number) => {
    renderer.setSize(width, height, false);
    const half = radius * ROOM;
    const aspect = width / height;
    camera.top = half * Math.max(1, 1 / aspect);
    camera.bottom = -camera.top;
    camera.right = camera.top * aspect;
    camera.left = -camera.right;
    camera.updateProjectionMatrix();
    request();
  };

  place();
  return {
    mmPerPixel: () => (camera.right - camera.left) / camera.zoom / Math.max(1, canvas.clientWidth),
    axes: () => {
      const e = camera.matrixWorldInverse.elements;
      return ['x', 'y', 'z'].map((name, i) => ({ name, x: e[4 * i]!, y: e[4 * i + 1]! }));
    },
    setRotation: (m) => {
      holder.matrixAutoUpdate = false;
      holder.matrix.set(m[0]!, m[1]!, m[2]!, 0, m[3]!, m[4]!, m[5]!, 0, m[6]!, m[7]!, m[8]!, 0, 0, 0, 0, 1);
      holder.matrixWorldNeedsUpdate = true;
      request();
    },
    resize,
    turn: (byX, byY) => {
      camera.position.applyAxisAngle(camera.up, byX);
      camera.position.z += byY * radius;
      camera.lookAt(0, 0, 0);
      controls.update();
      request();
    },
    zoom: (factor) => {
      camera.zoom *= factor;
      camera.updateProjectionMatrix();
      request();
    },
    fit: place,
    dispose: () => {
      cancelAnimationFrame(frame);
      controls.dispose();
      mesh.geometry.dispose();
      mesh.material.dispose();
      renderer.dispose();
    },
  };
}
