export { createDemoShop } from './createDemoShop';
export { createDemoMeshes } from './patterns';
