import { screen, waitFor, within } from '@testing-library/react';
import { planJob, put, applyChange, showFlow, text, type Run } from '@katabasis/core';
import { openJob, press, pressOnceThere, sampleWith, seen, type, type Opened } from '../testing/openJob';
import { ElementSheet } from './ElementSheet';
import { SizeJob } from '../stations/plan/SizeJob';
import { SnagItem } from '../parts/SnagItem';

const sheetOf = (id: string, job = sampleWith()): Opened =>
  openJob(job, <ElementSheet id={id} onClose={() => undefined} onGo={() => undefined} />);
const run = (open: Opened, id: string): Run => open.job().elements.get(id) as Run;

describe('a run’s sheet', () => {
  it('tells what each size would give before it is chosen, and gives that when it is', async () => {
    const open = sheetOf('trunkLower');
    const sizes = screen.getByRole('radiogroup', { name: /^Size/ });
    const chips = within(sizes).getAllByRole('radio');
    expect(chips.map((chip) => chip.getAttribute('aria-label')!.split(':')[0]!.replaceAll('\u00a0', ' '))).toEqual([
      '3 in',
      '4 in',
      '6 in',
      '8 in',
      '10 in',
      '12 in',
      '15 in',
      '18 in',
      '24 in',
    ]);
    expect(await within(sizes).findByRole('radio', { name: /^6.in: 193.gpm at 0.50%, too small/ })).toHaveAttribute(
      'aria-checked',
      'true',
    );
    press(/^8.in/);
    expect(run(open, 'trunkLower').nominal).toBeCloseTo(0.2032, 6);
    expect(open.plan().runs.trunkLower!.overloaded).toBe(false);
  });

  it('says of each material what the pipe would hold on the same fall, and why somebody takes it, before it is chosen', async () => {
    const job = sampleWith();
    sheetOf('trunkLower', job);
    const smooth = planJob(
      applyChange(job, put('Try', { ...(job.elements.get('trunkLower') as Run), material: 'smooth' })).job,
    ).runs.trunkLower!;
    expect(
      (await screen.findByRole('radio', { name: /^Smooth PVC: .* at 0.50%/ }))
        .getAttribute('aria-label')!
        .replaceAll('\u00a0', ' '),
    ).toContain(text(showFlow(smooth.capacity, 'us')).replaceAll('\u00a0', ' '));
    // A rougher pipe may not lie as flat: it is compared on the same fall, and where it would lie is said beside.
    const rough = (
      await screen.findByRole('radio', { name: /^Single-wall corrugated: .*, lies at 1.00%/ })
    ).getAttribute('aria-label')!;
    expect(rough.replaceAll('\u00a0', ' ')).toMatch(/: 145 gpm at 0.50%, lies at 1.00%, /);
    expect(seen()).toContain('Cheap and bends; its ribs hold grit.');
  });

  it('opens the working of every figure, with a source', () => {
    sheetOf('runBasin');
    for (const [figure, formula] of [
      ['Carries', 'Q = i × Σ (C × A)'],
      ['Holds full', 'Q = 1.486 × (π D² / 4)'],
      ['Keeps clean', 'τ = ρ g R S'],
      ['Water at its head', 'dy/dx = (S0 − Sf) / (1 − F²)'],
    ] as const) {
      press(new RegExp(`^${figure}`), 'button');
      expect(seen()).toContain(formula);
      press(/^Back/, 'button');
    }
  });

  it('takes a pitch in any trade form, and refuses one that climbs', () => {
    const open = sheetOf('runBasin');
    type('Or type it', '1/4"/ft');
    expect(run(open, 'runBasin').grade).toEqual({ type: 'pitch', pitch: expect.closeTo(1 / 48, 9) });
    type('Or type it', '-2%');
    expect(screen.getByRole('alert').textContent).toMatch(/falls/);
    expect(run(open, 'runBasin').grade).toEqual({ type: 'pitch', pitch: expect.closeTo(1 / 48, 9) });
  });

  it('puts a cleanout into the line, and the line is as long as before', () => {
    const open = sheetOf('trunkLower');
    const before = run(open, 'trunkLower').length;
    type('Put in, this far down', "20'");
    press('Cleanout');
    const parts = open
      .job()
      .elements.all.filter(
        (element): element is Run =>
          element.kind === 'run' &&
          (element.id === 'trunkLower' || element.to === 'swale') &&
          element.id !== 'runDoorLower',
      );
    expect(parts).toHaveLength(2);
    expect(parts.reduce((sum, part) => sum + part.length, 0)).toBeCloseTo(before, 6);
    expect(run(open, 'trunkLower').length).toBeCloseTo(20 * 0.3048, 6);
  });
});

describe('snags', () => {
  it('one tap mends one, and its sentence goes', async () => {
    const job = sampleWith();
    const snag = planJob(job).snags.find((each) => each.code === 'capacityExceeded')!;
    const open = openJob(job, <SnagItem snag={snag} />);
    expect(seen()).toContain('Wye 2 to Roadside swale is too small: 225 gpm in a pipe that holds 193 gpm.');
    await pressOnceThere('fix-capacityExceeded');
    expect(open.plan().snags.map((each) => each.code)).not.toContain('capacityExceeded');
  });

  it('one that only a person on site can mend says so', async () => {
    const basin = { ...(sampleWith().elements.get('basin') as object), sillLevel: -0.24 } as never;
    const job = sampleWith(basin);
    const snag = planJob(job).snags.find((each) => each.code === 'nearOpening')!;
    openJob(job, <SnagItem snag={snag} />);
    expect(seen()).toMatch(/Stop\. Water at Lawn basin comes within/);
    await waitFor(() => expect(seen()).toContain('say at what level water runs off clear of the door.'));
  });
});

describe('sizes for the whole job', () => {
  it('tells when no sizes reach the way out', async () => {
    openJob(sampleWith(), <SizeJob />);
    press('Work out the sizes', 'button');
    await waitFor(() => expect(seen()).toContain('No sizes on offer bring all of the water to its way out'));
  });

  it('shows the least and the next, each with its verdict, and lays the one that is taken', async () => {
    const head = { ...(sampleWith().elements.get('job') as object), settings: { cover: 0.2794 } } as never;
    const open = openJob(sampleWith(head), <SizeJob />);
    press('Work out the sizes', 'button');
    await waitFor(() => expect(seen()).toMatch(/Least: \d+ × \d+ in/));
    expect(screen.getAllByRole('button', { name: 'Use these' }).length).toBeGreaterThan(1);
    await pressOnceThere('use-best');
    expect(open.plan().snags.filter((snag) => snag.severity !== 'mind')).toEqual([]);
  });
});
