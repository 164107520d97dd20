export { startShop, type RunningShop, type StartOptions } from './start';
export { FolderTakenError } from './db/folderTaken';
export type { ShopBundle } from './services/importShop';
