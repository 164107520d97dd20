export { createDemoShop } from './createDemoShop';
export { createDemoMeshes } from './patterns';
export { barnacleBand } from './meshes/seaPieces';
