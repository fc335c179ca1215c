export * from './constants';
export * from './format';
export * from './parse';
