export * from './levelBook';
export * from './place';
export * from './soilTest';
export * from './tie';
export * from './traverse';
