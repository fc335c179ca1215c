/** The tests that can still be done of a line. */
import type { Doable, LineTest } from './tests';
import type { WayDown } from './wayDown';

/** Flow of a usual garden hose, m³/s: 6 gpm; and how long one waits at most, s. */
const USUAL_HOSE = 0.00038;
const PATIENCE = 600;

/** What can be done next in the ways that lead into a line: the first is the one that was tested first. */
export function doableNext(ways: readonly WayDown[], done: readonly LineTest[]): Doable[] {
  const way = ways[0]!;
  const poured = new Set(done.flatMap((test) => (test.type === 'hose' ? [test.way.from] : [])));
  const flow = done.find((test) => test.type === 'hose')?.seen.flow ?? USUAL_HOSE;
  const has = (type: LineTest['type'], id: string): boolean =>
    done.some(
      (test) =>
        test.type === type && (('run' in test && test.run === id) || ('landing' in test && test.landing === id)),
    );
  return [
    ...ways
      .filter(({ from }) => !poured.has(from))
      .map((each) => ({ type: 'hose' as const, way: each, flow, wait: PATIENCE })),
    ...way.landings
      .slice(0, -1)
      .filter(({ id }) => !has('levels', id))
      .map(({ id }) => ({ type: 'levels' as const, landing: id })),
    ...way.pipes.flatMap(({ run }) => [
      ...(has('hold', run) ? [] : [{ type: 'hold' as const, run }]),
      ...(has('camera', run) ? [] : [{ type: 'camera' as const, run }]),
    ]),
  ];
}
