export { looksFor, type Look, type LookKind } from './looks';
export { unknownsOf, type Unknown } from './unknowns';
export { lookWords, standsWords, unknownWords } from './words';
export { worldsOf, type Worlds } from './worlds';
