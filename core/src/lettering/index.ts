/** Where words stand on a drawing, on a screen or on paper: none over another, and none across ink. */
export { clipped } from './clip';
export { InkMap } from './inkMap';
export { boxesOf, leaderOf, placeWords, type PlacedWords, type Ground, type Stand, type Words } from './labelled';
export type { Box, Spot } from './spot';
export { along, on, outOf, round, within } from './stands';
