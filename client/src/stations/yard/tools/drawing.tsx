/** Tools that draw a way by taps: a line of pipe, a section through the yard; and what they have alike with what is put down by corners. */
import { distance, showLength, text, type Place } from '@katabasis/core';
import type { Draft } from '../../../drawing/yard/OverPlan';
import { drawLine, lineStart } from '../drawLine';
import { withPlace } from '../placing';
import { PipesRoundSheet } from './PipesRoundSheet';
import { SectionSheet } from '../sheets/SectionSheet';
import { Banner } from '../YardTools';
import type { Board, ToolEntry } from './entry';

/** Takes back the last place; null while there is none. */
export const backOf = ({ begun, begin, show }: Board): (() => void) | null =>
  begun.places.length === 0
    ? null
    : () => {
        show({ wrong: null });
        begin({ places: begun.places.slice(0, -1) });
      };

/** Begins anew; null while there is nothing to begin anew. */
export const anewOf = ({ begun, forget }: Board): (() => void) | null => (begun.places.length > 1 ? forget : null);

/** Words beside each stretch: how long it is. */
export const lengthWords =
  ({ units }: Board) =>
  (a: Place, b: Place): string =>
    text(showLength(distance(a, b), units));

/** What was tapped in turn; null while nothing was. */
export const placesBegun = ({ begun: { places }, mark }: Board, more: Partial<Draft>): Draft | null =>
  places.length > 0 ? { places: [...places], mark, closed: false, ...more } : null;

export const lineTool: ToolEntry<{ type: 'line' }> = {
  puts: () => true,
  onPut: (_, { job, begun, begin, made, show }, at) => {
    const drawn = drawLine(job, begun.places, begun.from, at);
    if (drawn.type === 'wrong') show({ wrong: drawn.sentence });
    else if (drawn.type === 'on') begin({ places: withPlace(begun.places, at.place), from: drawn.from });
    else made(drawn.change, drawn.id);
  },
  draft: (_, board) => placesBegun(board, { wordsOf: lengthWords(board) }),
  foot: (_, board) => (
    <Banner
      says={
        board.begun.places.length === 0
          ? lineStart(board.job)
          : 'Tap its bends, then where it goes: a landing, or another line.'
      }
      wrong={board.wrong}
      onBack={backOf(board)}
      onAnew={anewOf(board)}
      onClose={board.close}
    />
  ),
  isSheet: () => false,
};

export const sectionTool: ToolEntry<{ type: 'section' }> = {
  puts: () => true,
  onPut: (_, { begun, begin }, { place }) => begin({ places: withPlace(begun.places, place) }),
  // Its sheet says its length.
  draft: (_, board) => placesBegun(board, {}),
  foot: (_, board) => (
    <SectionSheet
      way={board.begun.places}
      onBack={backOf(board) ?? (() => undefined)}
      onAnew={anewOf(board)}
      onClose={board.close}
      onShow={(mark) => board.show({ mark })}
    />
  ),
  isSheet: () => true,
};

/** Pipes that an outline is drawn round, so that what they have alike is set once. */
export const pipesTool: ToolEntry<{ type: 'pipes' }> = {
  puts: () => true,
  onPut: (_, { begun, begin }, { place }) => begin({ places: withPlace(begun.places, place) }),
  draft: (_, board) => placesBegun(board, { closed: true }),
  foot: (_, board) => (
    <PipesRoundSheet
      round={board.begun.places}
      onBack={backOf(board) ?? (() => undefined)}
      onAnew={anewOf(board)}
      onClose={board.close}
    />
  ),
  isSheet: () => true,
};
