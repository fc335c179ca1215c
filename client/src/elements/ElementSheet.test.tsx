import { act, screen, within } from '@testing-library/react';
import type { Channel, Downspout, RoofFace } from '@katabasis/core';
import { openJob, press, sampleWith, seen, type, type Opened } from '../testing/openJob';
import { ElementSheet } from './ElementSheet';

const sheetOf = (id: string, job = sampleWith()): Opened =>
  openJob(job, <ElementSheet id={id} onClose={() => undefined} onGo={() => undefined} />);
const element = <T,>(open: Opened, id: string): T => open.job().elements.get(id) as T;

describe('a channel drain’s sheet', () => {
  it('shows its profile, what it takes, and what is left to the sill in both rains', () => {
    sheetOf('kennelDrain');
    // 900 ft² × 0.9 at 6 in/h: 0.010391 gpm each, 50.5.
    expect(screen.getByRole('button', { name: /^Sheds into it 50\.5 gpm/ })).toBeInTheDocument();
    expect(seen()).toMatch(/Below the sill6 5\/8in/);
    expect(seen()).toMatch(/Below the sill, 100-year6 5\/8in/);
    expect(
      screen.getByRole('img', { name: /Water in the channel along its length, at most 2.3\/4.in deep/ }),
    ).toBeInTheDocument();
  });

  it('opens the working of its depth with the job’s own numbers', () => {
    sheetOf('kennelDrain');
    press(/^Deepest water/, 'button');
    expect(seen()).toContain('dy/dx = (S0 − Sf − 2 Q q / (g A²)) / (1 − Q² T / (g A³))');
    // 50.5 gpm over 16 ft, in the job's own units; in metric on asking.
    expect(seen()).toMatch(/q = 50\.5 gpm over 16\.000 ft/);
    press(/^The same in metric/, 'button');
    expect(seen()).toMatch(/q = 3\.19 L\/s over 4\.877 m/);
  });

  it('takes several outlets, and refuses one beyond its length with the text kept', () => {
    const open = sheetOf('kennelDrain');
    press(/^Several/);
    expect(element<Channel>(open, 'kennelDrain').outlet).toEqual([0, expect.closeTo(4.8768, 4)]);
    type(/^Outlets/, "3', 12'");
    expect(element<Channel>(open, 'kennelDrain').outlet).toEqual([
      expect.closeTo(3 * 0.3048, 6),
      expect.closeTo(12 * 0.3048, 6),
    ]);
    expect(seen()).toMatch(/Its outlets take [\d.]+ gpm, [\d.]+ gpm/);
    const box = type(/^Outlets/, "3', 40'") as HTMLInputElement;
    expect(screen.getByRole('alert').textContent).toBe('Its outlets come one after another, none beyond its length.');
    expect(box.value).toBe("3', 40'");
    expect(element<Channel>(open, 'kennelDrain').outlet).toHaveLength(2);
    // Nor is the channel made shorter than where they are.
    type('Length', "8'");
    expect(screen.getAllByRole('alert').at(-1)!.textContent).toBe(
      'Its outlets come one after another, none beyond its length.',
    );
    expect(element<Channel>(open, 'kennelDrain').length).toBeCloseTo(16 * 0.3048, 6);
  });

  it('runs deeper on a half round, and a channel too narrow for it overtops', () => {
    const open = sheetOf('kennelDrain');
    const deepest = (): number => {
      const inlet = open.plan().inlets.kennelDrain!;
      return inlet.kind === 'channel' ? inlet.profile.maxDepth : NaN;
    };
    const flat = deepest();
    press(/^Half round/);
    expect(deepest()).toBeGreaterThan(flat);
    type('Inside width', '1 in');
    expect(open.plan().snags.map((snag) => snag.code)).toContain('channelOvertops');
    expect(seen()).toMatch(/Overtops along/);
  });
});

describe('a basin’s sheet', () => {
  it('asks where water runs off only once there is a sill, and minds a grate that alone guards one', () => {
    const open = sheetOf('basin');
    expect(screen.queryByTestId('spill')).toBeNull();
    type('Sill that it protects', '-3"');
    expect(open.plan().snags.map((snag) => snag.code)).toContain('blockedGrate');
    type('Blocked, water runs off at', '-7"');
    expect(open.plan().snags.map((snag) => snag.code)).not.toContain('blockedGrate');
    expect(seen()).toMatch(/Below the sill, 100-year/);
  });

  it('says on every grate what it takes, and how deep the design rain stands over it where that is more than a film', () => {
    const open = sheetOf('basin');
    const chips = (group: string): HTMLElement[] =>
      within(screen.getByRole('radiogroup', { name: group })).getAllByRole('radio', { name: /takes [\d.]+\sgpm/ });
    expect(chips('Grate')).toHaveLength(7);
    expect(chips('How many stand here')).toHaveLength(4);
    // At the sample's 20.1 gpm 6 in round stands deepest, at 7/8 in, and 12 × 12 takes 65 gpm an inch deep, half clogged, 184 at two.
    const said = chips('Grate').map((chip) => chip.getAttribute('aria-label')!.replace(/\s/g, ' '));
    expect(said).toContain('6 in round: takes 41.0 gpm, 7/8 in of water');
    expect(said).toContain('12 × 12 in flat: takes 184 gpm');
    const ponding = (): number => (open.plan().inlets.basin as { ponding: number }).ponding;
    const one = ponding();
    press(/^3: /);
    // Three rims take the flow at (1/3)^⅔ of the depth of one.
    expect(ponding() / one).toBeCloseTo((1 / 3) ** (2 / 3), 9);
  });

  it('does not take more clogging than leaves any of it open', () => {
    const open = sheetOf('basin');
    type(/^Clogged by leaves/, '99%');
    expect(screen.getByRole('alert').textContent).toBe('What leaves clog of a grate is between 0% and 95%.');
    expect(element<{ clogging?: number }>(open, 'basin').clogging).toBeUndefined();
  });
});

describe('roofs', () => {
  it('a valley is asked how far it is from the downspout, and what its gutter carries shows at the downspout', () => {
    const open = sheetOf('faceValley');
    press(/^Down a valley/);
    type(/^Gutter from the valley/, "30'");
    expect(element<RoofFace>(open, 'faceValley').valley!.gutterRun).toBeCloseTo(9.144, 6);
    const inlet = open.plan().inlets.ds1!;
    expect(inlet.kind === 'downspout' && inlet.valley!.gutterRun).toBeCloseTo(9.144, 6);
  });

  it('a downspout with a valley over it tells both limits, and its working has the gutter in it', () => {
    const face = {
      ...(sampleWith().elements.get('faceValley') as RoofFace),
      valley: { gutterRun: 9 },
      shape: { type: 'area' as const, area: 120 },
    };
    const open = sheetOf('ds1', sampleWith(face));
    expect(seen()).toMatch(/Down the valley/);
    expect(open.plan().snags.map((snag) => snag.code)).toContain('valleyOvershoots');
    press(/^Comes to it/, 'button');
    expect(seen()).toContain('b √g (d/√3)^1.5');
  });

  it('a larger gutter is kept, and where it spills is kept', () => {
    const open = sheetOf('ds1');
    press('6 in');
    press('Lawn basin');
    expect(element<Downspout>(open, 'ds1')).toMatchObject({ gutter: 'gutter6', spillsTo: 'basin' });
  });
});

describe('the rain’s sheet', () => {
  it('takes a rarer rain for openings, and refuses one that is less than the design rain', () => {
    const open = sheetOf('rain');
    type(/^100-year rain/, '4');
    expect(screen.getByRole('alert').textContent).toMatch(/rarer than the design rain/);
    type(/^100-year rain/, '8.5 in/h');
    expect(open.plan().openings!.intensity).toBeCloseTo((8.5 * 0.0254) / 3600, 12);
    type(/^100-year rain/, '');
    expect(open.plan().openings).toBeNull();
    expect(open.plan().snags.map((snag) => snag.code)).toContain('openingRainMissing');
  });

  it('keeps the rain for openings when the design rain is typed', () => {
    const open = sheetOf('rain');
    type('Or type it', '5');
    expect(open.plan().rain).toBeCloseTo((5 * 0.0254) / 3600, 12);
    expect(open.plan().openings!.returnPeriod).toBe(100);
  });

  it('reads a pasted table, says what is wrong with a bad one, and takes both rains from it', () => {
    const open = sheetOf('rain');
    type('Or paste it', 'years, 10, 100\n5 min, 0.6');
    expect(screen.getByRole('alert').textContent).toMatch(/line 2 must hold 2 numbers/);
    type('Or paste it', 'years, 10, 100\n5 min, 0.6, 0.9\n15 min, 1.2, 1.8\n60 min, 2.4, 3.6');
    press('10-year');
    // 0.6 in in 5 min is 7.2 in/h, and 0.9 in 10.8.
    expect((open.plan().rain * 3600) / 0.0254).toBeCloseTo(7.2, 9);
    expect((open.plan().openings!.intensity * 3600) / 0.0254).toBeCloseTo(10.8, 9);
    expect(seen()).toMatch(/7\.20\s*in\/h/);
  });
});

it('what is done in a sheet is undone in one step, and redone', () => {
  const open = sheetOf('kennelDrain');
  press(/^Half round/);
  act(() => open.session.undo());
  expect(element<Channel>(open, 'kennelDrain').section).toBeUndefined();
  act(() => open.session.redo());
  expect(element<Channel>(open, 'kennelDrain').section).toBe('round');
});

it.each(['rain', 'faceValley', 'parking', 'ds1', 'basin', 'kennelDrain', 'wye1', 'swale', 'trunkLower'])(
  'every figure on the sheet of %s that asks for its working gets one, with a source, and gives it back',
  (id) => {
    sheetOf(id);
    const count = screen.queryAllByRole('button', { name: /show the working$/ }).length;
    if (id !== 'rain') expect(count).toBeGreaterThan(0);
    for (let k = 0; k < count; k++) {
      act(() => screen.getAllByRole('button', { name: /show the working$/ })[k]!.click());
      expect(screen.getByRole('region', { name: /^Working of / }).textContent).toMatch(/Source: \S+/);
      press('Back', 'button');
    }
  },
);
