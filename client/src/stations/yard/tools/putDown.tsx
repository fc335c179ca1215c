/** Putting something down on the plan, new or known by words only: by a tap, by its corners in turn, or by two tapes. */
import { freeName, freshId, kindOf, markWords, put, putDown, type Place } from '@katabasis/core';
import { bare, grounded, withPlace } from '../placing';
import { TapeSheet } from '../sheets/TapeSheet';
import { Banner } from '../YardTools';
import { anewOf, backOf, lengthWords, placesBegun } from './drawing';
import type { Board, ToolEntry } from './entry';
import { tapesBegun, withTape } from './tapes';
import { LEAST, type Tool } from './tool';

type PutTool = Extract<Tool, { type: 'putNew' | 'putOld' }>;

function putIn(tool: PutTool, { job, made }: Board, places: readonly Place[]): void {
  if (tool.type === 'putOld') {
    const { element } = tool;
    const label = `Put ${kindOf(element.kind).label.toLowerCase()} on the plan`;
    return made(put(label, grounded(putDown(element, places))), element.id);
  }
  const { creation } = tool;
  const { label, idStem } = kindOf(creation.kind);
  const id = freshId(idStem);
  const built = creation.build({ id, name: freeName(job, creation.stem), groundLevel: 0 });
  made(put(`Put in ${label.toLowerCase()}`, grounded(putDown(bare(built), places))), id);
}

function Tapes({ tool, board, name }: { tool: PutTool; board: Board; name: string }) {
  const { begun, begin, show } = board;
  const lay = (tapes: Board['begun']['tapes']): void => {
    show({ mark: null });
    begin({ tapes });
  };
  return (
    <TapeSheet
      name={name}
      tapes={begun.tapes!}
      onShow={(mark) => show({ mark })}
      onPut={(place) => {
        show({ mark: null });
        if (tool.shape === 'place') putIn(tool, board, [place]);
        else begin({ places: withPlace(begun.places, place), tapes: null });
      }}
      onAnew={() => lay({ a: null, b: null })}
      onClose={() => lay(null)}
    />
  );
}

function says(tool: PutTool, name: string): string {
  if (tool.shape === 'place') return `Tap where ${name} is. Hold and move for the magnifier.`;
  return `Tap the ${tool.shape === 'outline' ? 'corners' : 'places'} of ${name} in turn.`;
}

export const putTool: ToolEntry<PutTool> = {
  puts: () => true,
  onPut: (tool, board, { place }) => {
    const { begun, begin } = board;
    if (begun.tapes) begin({ tapes: withTape(begun.tapes, place) });
    else if (tool.shape === 'place') putIn(tool, board, [place]);
    else begin({ places: withPlace(begun.places, place) });
  },
  draft: (tool, board) =>
    placesBegun(board, { closed: tool.shape === 'outline', wordsOf: lengthWords(board) }) ?? tapesBegun(board),
  foot: (tool, board) => {
    const { job, plan, begun, begin } = board;
    const name = tool.type === 'putNew' ? tool.creation.stem.toLowerCase() : markWords(job, plan, tool.element).name;
    if (begun.tapes) return <Tapes tool={tool} board={board} name={name} />;
    const enough = tool.shape !== 'place' && begun.places.length >= LEAST[tool.shape];
    return (
      <Banner
        says={says(tool, name)}
        wrong={board.wrong}
        onBack={backOf(board)}
        onAnew={anewOf(board)}
        onDone={enough ? () => putIn(tool, board, [...begun.places]) : null}
        onTapes={() => begin({ tapes: { a: null, b: null } })}
        onClose={board.close}
      />
    );
  },
  isSheet: (_, { begun }) => begun.tapes !== null,
};
