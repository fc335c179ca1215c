export * from './judge';
export * from './snag';
export { RULES } from './rules';
