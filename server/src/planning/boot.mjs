// A thread begins without the loader that runs TypeScript: it is taken up here, and then the thread's own work.
import { register } from 'tsx/esm/api';

register();
await import('./worker.ts');
