export * from './downspouts';
export * from './fittings';
export * from './grates';
export * from './gutters';
export * from './pipes';
export * from './surfaces';
