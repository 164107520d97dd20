// Where a thread begins: the source is TypeScript, and a thread has its own loader.
import { register } from 'tsx/esm/api';

register();
await import('./jobThread.ts');
