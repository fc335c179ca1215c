import fc from 'fast-check';
import { fingersMove, IDLE, SLACK, type Act, type FingerEvent, type Gesture, type Holds } from './gesture';

const at = (x: number, y: number) => ({ x, y });
const PLAN: Holds = { what: 'plan' };

/** What comes of some events in turn. */
function play(...events: FingerEvent[]): { state: Gesture; acts: Act[] } {
  let state = IDLE;
  const acts: Act[] = [];
  for (const event of events) {
    const [next, made] = fingersMove(state, event);
    state = next;
    acts.push(...made);
  }
  return { state, acts };
}
const down = (id: number, x: number, y: number, holds: Holds = PLAN): FingerEvent => ({
  type: 'down',
  id,
  at: at(x, y),
  holds,
});
const move = (id: number, x: number, y: number): FingerEvent => ({ type: 'move', id, at: at(x, y) });
const up = (id: number, bounced = false): FingerEvent => ({ type: 'up', id, bounced });

it('a finger that hardly moves taps; one that moves takes the plan along, and taps nothing', () => {
  expect(play(down(1, 10, 10), move(1, 10 + SLACK - 1, 10), up(1)).acts).toEqual([{ act: 'tap', at: at(17, 10) }]);
  expect(play(down(1, 10, 10), move(1, 30, 10), move(1, 40, 15), up(1)).acts).toEqual([
    { act: 'pan', by: at(20, 0) },
    { act: 'pan', by: at(10, 5) },
    { act: 'settle' },
  ]);
  expect(play(down(1, 10, 10), up(1, true)).acts).toEqual([]);
});

it('what is aimed at is put where the finger is lifted; a second finger puts nothing down, and lets go what the first held', () => {
  const aim: Holds = { what: 'aim' };
  expect(play(down(1, 0, 0, aim), move(1, 50, 0), up(1)).acts.at(-1)).toEqual({ act: 'put', at: at(50, 0) });
  const { acts } = play(down(1, 0, 0, aim), down(2, 40, 0), move(2, 80, 0), up(2), move(1, 5, 0), up(1));
  expect(acts.map(({ act }) => act)).toEqual(['aim', 'letGo', 'zoom', 'pan', 'settle']);
  expect(acts[2]).toEqual({ act: 'zoom', factor: 2, about: at(0, 0), turn: 0 });
  const corner: Holds = { what: 'corner', corner: 2 };
  expect(play(down(1, 0, 0, corner), move(1, 20, 0), up(1)).acts).toEqual([
    { act: 'drag', holds: corner, from: at(0, 0), to: at(20, 0), done: false },
    { act: 'drag', holds: corner, from: at(0, 0), to: at(20, 0), done: true },
  ]);
  expect(play(down(1, 0, 0, corner), up(1)).acts).toEqual([]);
});

const events = fc.array(
  fc.record({
    type: fc.constantFrom('down', 'move', 'up', 'cancel'),
    id: fc.integer({ min: 1, max: 3 }),
    x: fc.integer({ min: 0, max: 300 }),
    y: fc.integer({ min: 0, max: 300 }),
    holds: fc.constantFrom<Holds>(PLAN, { what: 'aim' }, { what: 'whole' }, { what: 'corner', corner: 1 }),
  }),
  { maxLength: 40 },
);

it('whatever fingers do, nothing is done twice, and with all of them lifted the plan rests', () => {
  fc.assert(
    fc.property(events, (list) => {
      const on = new Set<number>();
      let state = IDLE;
      let dragged = false;
      for (const { type, id, x, y, holds } of list) {
        if ((type === 'down') === on.has(id)) continue;
        const [next, acts] = fingersMove(state, { type, id, at: at(x, y), holds, bounced: false } as FingerEvent);
        if (type === 'down') on.add(id);
        else if (type !== 'move') on.delete(id);
        // A tap, something put down and the end of a drag come from the lifting of the only finger.
        const ends = acts.filter(
          (each) => each.act === 'put' || each.act === 'tap' || (each.act === 'drag' && each.done),
        );
        expect(ends.length).toBeLessThanOrEqual(type === 'up' && on.size === 0 ? 1 : 0);
        // What was dragged is dropped or let go before another finger's doing.
        for (const each of acts) {
          if (each.act === 'drag') dragged = !each.done;
          else if (each.act === 'letGo') dragged = false;
          else expect(dragged).toBe(false);
        }
        state = next;
        expect(state.state === 'idle').toBe(on.size === 0);
      }
    }),
    { numRuns: 400 },
  );
});
