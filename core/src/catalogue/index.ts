export * from './downspouts';
export * from './fittings';
export * from './grates';
export * from './gutters';
export * from './outfalls';
export * from './pipes';
export * from './soils';
export * from './surfaces';
