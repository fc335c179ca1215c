/** Every tool of the yard, by its name: the compiler asks for one that is forgotten. */
import { ElementSheet } from '../../../elements/ElementSheet';
import { AddOnPlan } from '../AddOnPlan';
import { FilesSheet } from '../sheets/FilesSheet';
import { LevelsSheet } from '../sheets/LevelsSheet';
import { PaceSheet } from '../sheets/PaceSheet';
import { RoofSheet } from '../sheets/RoofSheet';
import { SaysSheet } from '../sheets/SaysSheet';
import { ScaleSheet } from '../sheets/ScaleSheet';
import { WaysOutSheet } from '../sheets/WaysOutSheet';
import { lengthWords, lineTool, pipesTool, sectionTool } from './drawing';
import { sheet, type ToolEntry } from './entry';
import { putTool } from './putDown';
import { tapesBegun, withTape } from './tapes';
import type { Tool } from './tool';

type Of<K extends Tool['type']> = Extract<Tool, { type: K }>;

const TOOLS: { [K in Tool['type']]: ToolEntry<Of<K>> } = {
  look: {
    puts: () => false,
    foot: ({ chosen }, { close, choose }) =>
      chosen === null ? null : <ElementSheet id={chosen} onClose={close} onGo={choose} />,
    isSheet: ({ chosen }) => chosen !== null,
  },
  add: sheet((_, { close, choose }) => <AddOnPlan onClose={close} onGo={choose} />),
  says: sheet((_, { close, choose, show, look }) => (
    <SaysSheet
      onClose={close}
      onGo={choose}
      onShow={(mark) => {
        show({ mark });
        look(mark);
      }}
    />
  )),
  waysOut: sheet((_, { close, choose, show }) => (
    <WaysOutSheet onClose={close} onGo={choose} onRoute={(route) => show({ route })} />
  )),
  files: sheet((_, { close, choose, middle }) => <FilesSheet middle={middle} onClose={close} onGo={choose} />),
  roof: sheet(({ building }, { close, choose }) => <RoofSheet building={building} onClose={close} onGo={choose} />),
  levels: {
    ...sheet((_, { begun, begin, close }) => (
      <LevelsSheet pending={begun.pending} onPending={(pending) => begin({ pending })} onClose={close} />
    )),
    puts: () => true,
    onPut: (_, { begin }, pending) => begin({ pending }),
    draft: (_, { begun }) => (begun.pending ? { places: [begun.pending.place], closed: false } : null),
  },
  pace: {
    ...sheet((_, { pace, setPace, close, choose }) => (
      <PaceSheet draft={pace} onDraft={setPace} onClose={close} onGo={choose} />
    )),
    puts: (_, { pace }) => !pace.start,
    onPut: (_, { setPace }, { place }) => setPace((now) => ({ ...now, start: place })),
    draft: (_, board) =>
      board.pace.start ? { places: board.pace.places, closed: false, wordsOf: lengthWords(board) } : null,
  },
  scale: {
    ...sheet(({ underlay }, { begun, begin, close, choose }) => (
      <ScaleSheet
        underlay={underlay}
        taps={begun.tapes ?? { a: null, b: null }}
        onAnew={() => begin({ tapes: null })}
        onClose={close}
        onGo={choose}
      />
    )),
    puts: () => true,
    onPut: (_, { begun, begin }, { place }) => begin({ tapes: withTape(begun.tapes, place) }),
    draft: (_, board) => tapesBegun(board),
  },
  line: lineTool,
  section: sectionTool,
  pipes: pipesTool,
  putNew: putTool as ToolEntry<Of<'putNew'>>,
  putOld: putTool as ToolEntry<Of<'putOld'>>,
};

/** The entry of a tool, its functions taking that tool. */
export const entryOfTool = (tool: Tool): ToolEntry<Tool> => TOOLS[tool.type] as unknown as ToolEntry<Tool>;
