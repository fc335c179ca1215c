export * from './downspouts';
export * from './grates';
export * from './pipes';
export * from './surfaces';
