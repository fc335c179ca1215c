import { jobFrom, planJob, workFacts, type Element, type Job } from '@katabasis/core';
import { situations } from '@katabasis/core/samples';
import { screen } from '@testing-library/react';
import { openJob, press, sampleWith, seen, type } from '../../testing/openJob';
import { ElementSheet } from '../ElementSheet';

const nothing = (): void => undefined;
const sheet = (job: Job, id: string) =>
  openJob(jobFrom('test', job.elements.all), <ElementSheet id={id} onClose={nothing} onGo={nothing} />);
const trial = (name: string): Job => situations()[name]!.job;

beforeEach(() => localStorage.clear());

describe('sheets of other works', () => {
  it.each([
    ['layers with a berm, a swale and a drain', 'top', 'Deep', '2 ft', 'depth', 0.6096],
    ['layers with a berm, a swale and a drain', 'berm', 'Crest over that', '30 in', 'height', 0.762],
    [
      'layers with a berm, a swale and a drain',
      'drain',
      'Rain that sinks in, a day',
      '0.5',
      'recharge',
      0.0127 / 86_400,
    ],
    ['layers with a berm, a swale and a drain', 'sleeve', 'Sleeve', '6 in', 'nominal', 0.1524],
    ['a 15 in culvert', 'culvert', 'Side by side', '2', 'pipes', 2],
    ['a parking lot that sheds to a door', 'stone', 'Leaves take', '50 %', 'clogging', 0.5],
    ['a permeable patio', 'bed', 'Voids in the stone', '35%', 'voids', 0.35],
    ['a barrel into an old line', 'barrel', 'Holds', '80', 'volume', 0.302832942],
    ['a soggy yard fed by a spring', 'field', 'Soil takes, tested', '0.25', 'conductivity', 0.00635 / 3600],
  ] as const)(
    '%s: %s takes its figures, and keeps a wrong entry at its place',
    (name, id, label, typed, field, value) => {
      const { job, plan } = sheet(trial(name), id);
      const facts = workFacts(job(), plan(), id);
      for (const fact of facts) expect(seen()).toContain(fact.label);
      type(label, typed);
      const element = job().elements.get(id) as unknown as Record<string, number>;
      expect(element[field]! / value).toBeCloseTo(1, 6);
      const box = type(label, 'a good deal');
      expect(box).toHaveValue('a good deal');
      expect((job().elements.get(id) as unknown as Record<string, number>)[field]).toBe(element[field]);
      expect(screen.getAllByRole('alert').length).toBeGreaterThan(0);
    },
  );

  it('a swale is led on, lined with stone, and says at once what it then holds', () => {
    const { job, plan } = sheet(trial('a 15 in culvert'), 'ditch');
    press('Off the job', 'radio');
    expect(job().elements.get('ditch')).not.toHaveProperty('to');
    press(/^Stone/, 'radio');
    expect(job().elements.get('ditch')).toMatchObject({ lining: 'stone' });
    const swale = plan().works.ditch;
    expect(swale?.kind === 'swale' && swale.mostVelocity).toBe(3);
    // Where its water would come round again is not offered.
    press('Culvert', 'radio');
    expect(job().elements.get('ditch')).toMatchObject({ to: 'culvert' });
  });

  it('a barrel’s months are typed as a tradesman says them', () => {
    const { job } = sheet(trial('a barrel into an old line'), 'barrel');
    type('Emptied for winter in', 'october');
    expect(job().elements.get('barrel')).toMatchObject({ opened: 10 });
    type('Emptied for winter in', '');
    expect(job().elements.get('barrel')).not.toHaveProperty('opened');
    expect(seen()).toContain('Nobody has said when Barrel is emptied for winter.');
  });

  it('a way out becomes a dry well, a garden, a pump basin, each with its own fields', () => {
    const start = trial('four low spots into a small dry well');
    const { job, plan } = sheet(start, 'out');
    expect(seen()).toMatch(/Full after\s*4\.2/);
    type('Its floor', '60 ft²');
    const made = job().elements.get('out') as Extract<Element, { kind: 'discharge' }>;
    expect(made.store!.area).toBeCloseTo(5.574, 3);
    press(/^Rain garden/, 'radio');
    expect(plan().works.out).toMatchObject({ kind: 'store' });
    press(/^Pump basin/, 'radio');
    expect(plan().works.out).toMatchObject({ kind: 'pump' });
    type('Stops at', '10 ft');
    expect(seen()).toContain('It stops lower than it starts.');
    type('Pumps at most', '200 gpm');
    const pump = (job().elements.get('out') as Extract<Element, { kind: 'discharge' }>).pump!;
    expect(pump.curve.at(-1)!.flow).toBeCloseTo(200 * 6.30902e-5, 6);
    expect(pump.curve[1]!.flow).toBeCloseTo(100 * 6.30902e-5, 6);
  });
});

it('a run is made perforated and told of the rain in it, cut off and told that it carries nothing, and put back', () => {
  const { job, plan } = sheet(trial('a barrel into an old line'), 'barrel-out');
  // From new plastic into old clay.
  expect(seen()).toContain('A flexible boot with two clamps at Barrel');
  press(/^Perforated/, 'radio');
  expect(plan().snags.map(({ code }) => code)).toContain('rainInPerforated');
  press('Solid', 'radio');
  expect(job().elements.get('barrel-out')).not.toHaveProperty('perforated');
  press('Old, cut off', 'radio');
  expect(seen()).toContain('Carries no water any more');
  expect(plan().runs['barrel-out']).toBeUndefined();
  press('Old, kept', 'radio');
  press('Broken', 'radio');
  expect(seen()).toContain('is an old pipe that is not sound');
});

it('stone on one side of a door is led under the slab to the other side, each ending in a basin', async () => {
  const stone = (id: string, name: string, groundLevel: number): Element => ({
    id,
    kind: 'stoneDrain',
    name,
    groundLevel,
    slabLevel: groundLevel + 0.06,
    width: 0.3,
    depth: 0.45,
    length: 5,
  });
  const { job } = openJob(
    sampleWith(stone('left', 'Left of the door', 0), stone('right', 'Right of the door', -0.1)),
    <ElementSheet id="left" onClose={nothing} onGo={nothing} />,
  );
  press('Lead it under the slab to Right of the door', 'button');
  const [sleeve] = job().elements.ofKind('sleeve');
  const run = job().elements.get(sleeve!.holds!);
  expect(run).toMatchObject({ kind: 'run' });
  expect(
    job()
      .elements.ofKind('basin')
      .filter(({ name }) => name.endsWith(', basin')),
  ).toHaveLength(2);
  // Done: neither is offered again.
  expect(screen.queryByTestId('stone-under')).toBeNull();
  expect(screen.queryByTestId('stone-basin')).toBeNull();
});

it('what is shown of a work is what its plan says, in every situation', () => {
  for (const { job } of Object.values(situations())) {
    const plan = planJob(job);
    for (const id of Object.keys(plan.works))
      expect(workFacts(job, plan, id).every(({ shown }) => shown.value !== '')).toBe(true);
  }
});
