import type { Element, OLD_FATES } from '../job/kinds';
import { planJob } from '../verdict/planJob';
import type { Place } from '../site/place';
import { basin, jobOf, out, pipe } from '../testing/parts';

const at = (east: number, north: number): Place => ({ east, north });
const across = (east: number): Place[] => [at(east, -10), at(east, 10)];

/** 1.7 m down beside a house, under a gas line and a property line, through roots and past a throat, of a length that nobody measured. */
const told = (fate: (typeof OLD_FATES)[number] | null): string[] => {
  const things: Element[] = [
    { id: 'gas', kind: 'service', name: 'Gas', form: 'gas', way: across(10) },
    { id: 'edge', kind: 'barrier', name: 'Edge', form: 'propertyLine', way: across(20) },
    { id: 'pear', kind: 'tree', name: 'Pear', place: at(30, 1), crown: 8 },
    {
      id: 'house',
      kind: 'building',
      name: 'House',
      footingDepth: 0.3,
      outline: [at(12, 0.5), at(18, 0.5), at(18, 8), at(12, 8)],
    },
  ] as Element[];
  const job = jobOf(
    basin({ place: at(0, 0) }),
    out({ place: at(40, 0), groundLevel: -2.2, stone: true }),
    pipe('basin', {
      length: 55,
      material: 'singleWall',
      throat: 0.0762,
      assumed: true,
      grade: { type: 'levels', up: -1.7, down: -2.2 },
      ...(fate ? { old: { fate, state: 'broken' } } : {}),
    }),
    ...things,
  );
  return planJob(job)
    .snags.filter((snag) => snag.at === 'pipe-basin')
    .map(({ code }) => code);
};

describe('a pipe that was here before', () => {
  const DUG = ['serviceUnmarked', 'footingUndermined', 'deepTrench'];
  const LAID = ['boundaryCrossed', 'rootsCrossed', 'throatLeft', 'lengthDisagrees', 'assumedFigure'];

  it('laid anew, is told all that digging for it meets and all that it does there', () => {
    expect(told(null)).toEqual(expect.arrayContaining([...DUG, ...LAID]));
  });

  it('kept, is told what it does there, and nothing of a trench that nobody digs', () => {
    expect(told('kept')).toEqual(expect.arrayContaining([...LAID, 'oldPipePoor']));
    expect(told('kept').filter((code) => DUG.includes(code))).toEqual([]);
  });

  it('taken out, is dug for, and cut off is left alone', () => {
    expect(told('takenOut').sort()).toEqual(['boundaryCrossed', 'serviceUnmarked']);
    expect(told('cutOff')).toEqual([]);
  });
});
