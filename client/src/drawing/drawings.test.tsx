import { act, fireEvent, screen } from '@testing-library/react';
import { METRES_PER_INCH } from '@katabasis/core';
import { openJob, press, sampleWith, seen } from '../testing/openJob';
import { Bubble } from './Bubble';
import { Chart } from './Chart';
import { drawGlyph } from '../elements';
import { Descent } from './Descent';
import { Eye } from './Eye';
import { FallBudgetBar } from './FallBudgetBar';
import { LongSection } from './LongSection';

describe('the descent', () => {
  const names = (): string[] => screen.getAllByRole('listitem').map((item) => item.getAttribute('aria-label')!);

  it('lists the landings as water goes, and says of each run what runs in it', () => {
    openJob(sampleWith(), <Descent draw={drawGlyph} chosen={null} onChoose={() => undefined} />);
    const order = names();
    expect(order[0]).toBe('Entrance downspout');
    expect(order.at(-1)).toBe('Roadside swale');
    for (const [above, below] of [
      ['Kennel downspout', 'Lawn basin'],
      ['Lawn basin', 'Wye 1'],
      ['Wye 1', 'Wye 2'],
      ['Kennel door drain', 'Cleanout 1'],
    ] as const)
      expect(order.indexOf(above)).toBeLessThan(order.indexOf(below));
    expect(screen.getByTestId('run-trunkLower').textContent!.replaceAll('\u00a0', ' ')).toMatch(/225gpm|225 gpm/);
  });

  it('goes to what is tapped', () => {
    const chosen: string[] = [];
    openJob(sampleWith(), <Descent draw={drawGlyph} chosen={null} onChoose={(id) => chosen.push(id)} />);
    act(() => screen.getByTestId('landing-basin').click());
    act(() => screen.getByTestId('run-runBasin').click());
    expect(chosen).toEqual(['basin', 'runBasin']);
  });

  it('a landing dragged down deepens its line by what the scale says, in quarter inches, and lets go as one step of undo', () => {
    const open = openJob(sampleWith(), <Descent draw={drawGlyph} chosen={null} onChoose={() => undefined} />);
    const handle = screen.getByTestId('handle-ds1');
    Object.assign(handle, { setPointerCapture: () => undefined });
    const before = open.plan().runs.runStreet!.invertUp;
    fireEvent.pointerDown(handle, { clientY: 300, pointerId: 1 });
    fireEvent.pointerMove(handle, { clientY: 340, pointerId: 1 });
    // Shown, not made.
    expect(open.plan().runs.runStreet!.invertUp).toBeCloseTo(before, 9);
    expect(open.session.moving).toBe(true);
    fireEvent.pointerUp(handle, { clientY: 340, pointerId: 1 });
    const after = open.plan().runs.runStreet!.invertUp;
    expect(after).toBeLessThan(before);
    expect(Math.abs(after / (METRES_PER_INCH / 4) - Math.round(after / (METRES_PER_INCH / 4)))).toBeLessThan(1e-6);
    act(() => open.session.undo());
    expect(open.plan().runs.runStreet!.invertUp).toBeCloseTo(before, 9);
    expect(open.session.view.undoLabel).toBeNull();
  });

  it('a finger that only wanders a little is a tap, and changes nothing', () => {
    const chosen: string[] = [];
    const open = openJob(sampleWith(), <Descent draw={drawGlyph} chosen={null} onChoose={(id) => chosen.push(id)} />);
    const handle = screen.getByTestId('handle-ds1');
    Object.assign(handle, { setPointerCapture: () => undefined });
    fireEvent.pointerDown(handle, { clientY: 300, pointerId: 1 });
    fireEvent.pointerMove(handle, { clientY: 303, pointerId: 1 });
    fireEvent.pointerUp(handle, { clientY: 303, pointerId: 1 });
    expect(chosen).toEqual(['ds1']);
    expect(open.session.view.undoLabel).toBeNull();
  });
});

describe('the long section', () => {
  it('names its ends and its landings, and the level that it may not go below', () => {
    openJob(sampleWith(), <LongSection from="ds3" />);
    expect(screen.getByRole('img').getAttribute('aria-label')!.replaceAll('\u00a0', ' ')).toBe(
      'Long section from Kennel downspout over 168′',
    );
    for (const name of ['Kennel downspout', 'Lawn basin', 'Wye 1', 'Wye 2', 'Roadside swale'])
      expect(seen()).toContain(name);
    // −3.24 ft, to the eighth: −3' 2 7/8".
    expect(seen()).toContain('not below −3′ 2 7/8″');
  });

  it('reads out what is under the finger', () => {
    openJob(sampleWith(), <LongSection from="ds3" />);
    const section = screen.getByTestId('long-section');
    // 360 wide when nothing has been laid out: 54 at the left and 14 at the right are outside it.
    const event = new MouseEvent('pointermove', { bubbles: true });
    Object.defineProperty(event, 'offsetX', { value: 54 + (24 / 168) * 292 });
    fireEvent(section, event);
    expect(seen()).toMatch(/At 24′: ground −10 3\/4″, invert −2′ 2 3\/4″/);
  });
});

it('the fall budget adds up to what there is, and opens its working', () => {
  const open = openJob(sampleWith(), <></>);
  const [budget] = open.plan().budgets;
  let asked = 0;
  openJob(
    sampleWith(),
    <FallBudgetBar plan={open.plan()} budget={budget!} onPress={() => asked++} onStretch={() => undefined} />,
  );
  expect(
    budget!.spent.reduce((sum, { fall }) => sum + fall, 0) + budget!.growth + budget!.setDeeper + budget!.left,
  ).toBeCloseTo(budget!.available, 9);
  press(/^Fall budget: 7\/8.in short of 16.7\/8.in/, 'button');
  expect(asked).toBe(1);
  expect(screen.getAllByRole('button', { name: /needs/ })).toHaveLength(4);
});

it('the eye is filled to the depth of the flow', () => {
  for (const depth of [0.1, 0.5, 0.83]) {
    document.body.replaceChildren();
    openJob(sampleWith(), <Eye depthRatio={depth} />);
    const water = [...document.querySelectorAll('path')].at(-1)!.getAttribute('d')!;
    const [, x, y] = /^M([\d.]+) ([\d.]+)A/.exec(water)!.map(Number);
    // The surface's end lies on the pipe's wall, at that part of its height.
    expect(Math.hypot(x! - 20, y! - 20)).toBeCloseTo(16, 6);
    expect((36 - y!) / 32).toBeCloseTo(depth, 9);
  }
});

it('the bubble stands midway when level, touches its line at the level’s own pitch, and goes on uphill till the vial ends', () => {
  const at = (pitch: number): { centre: number; edge: number; line: number } => {
    document.body.replaceChildren();
    openJob(sampleWith(), <Bubble pitch={pitch} linePitch={1 / 48} />);
    const bubble = document.querySelector('ellipse')!;
    const [centre, half] = ['cx', 'rx'].map((name) => Number(bubble.getAttribute(name)));
    return {
      centre: centre!,
      edge: centre! - half!,
      line: Math.min(...[...document.querySelectorAll('line')].map((each) => Number(each.getAttribute('x1')))),
    };
  };
  const level = at(0);
  const own = at(1 / 48);
  expect(level.centre - level.line).toBeGreaterThan(0);
  expect(own.edge).toBeCloseTo(own.line, 9);
  expect(at(1 / 96).centre).toBeCloseTo((level.centre + own.centre) / 2, 9);
  expect(at(0.04).centre).toBeLessThan(own.centre);
  expect(at(0.3).edge).toBeGreaterThan(0);
  expect(at(-0.01).centre).toBeGreaterThan(level.centre);
});

it('a chart’s axes are parted at round figures of what is read, each with its unit', () => {
  openJob(
    sampleWith(),
    <Chart
      said="Rating"
      curve={[
        [0, 0],
        [0.01, 0.05],
      ]}
      across={{ label: 'taken, gpm', most: 0.0126, per: 6.309e-5 }}
      up={{ label: 'water, in', most: 0.1016, per: METRES_PER_INCH }}
    />,
  );
  const words = [...document.querySelectorAll('text')].map((each) => each.textContent);
  expect(words).toEqual(expect.arrayContaining(['50', '100', '150', '1', '2', '3', 'taken, gpm', '↑ water, in']));
});
