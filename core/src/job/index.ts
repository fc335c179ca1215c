export * from './change';
export * from './elements';
export * from './faults';
export * from './file';
export * from './job';
export * from './remove';
