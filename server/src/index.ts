export { startShop, type RunningShop, type StartOptions } from './start';
export { FolderTakenError } from './db/folderLock';
export type { ShopBundle } from './services/importShop';
