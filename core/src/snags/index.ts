export { resized } from './edits';
export * from './judge';
export * from './snag';
export { RULES } from './rules';
