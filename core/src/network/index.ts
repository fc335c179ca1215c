export * from './budget';
export * from './levels';
export * from './lines';
export * from './tree';
