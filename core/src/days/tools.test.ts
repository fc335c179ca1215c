/** What is taken to the yard: every part once, tools by what they must reach and pass, and the ways of building that change them. */
import { applyChange } from '../job/change';
import type { BuildWays } from '../job/buildWays';
import { headOf, type Job } from '../job/job';
import type { Element } from '../job/kinds';
import { machineDays } from '../quantities/machines';
import { takeOff, type TakeOff } from '../quantities/takeOff';
import { priceOf } from '../price/price';
import { brackenfold, quillfeather, wrenmoor } from '../samples';
import { basin, channel, ground, jobOf, out, pipe } from '../testing/parts';
import { planJob } from '../verdict/planJob';
import { stepsOf } from './steps';
import { toolsOf, type Tool } from './tools';
import { truckLoads } from './truck';
import { machineWords, stepLabel, toolWords } from './words';

const put = (job: Job, ...puts: Element[]): Job => applyChange(job, { label: 'x', puts, removes: [] }).job;
const withHead = (job: Job, by: object): Job => put(job, { ...headOf(job), ...by } as Element);
const withWays = (job: Job, ways: Partial<BuildWays>): Job => withHead(job, { ways });
const counted = (job: Job): TakeOff => takeOff(job, planJob(job));
const netOf = ({ parts }: TakeOff, type: string): number =>
  parts.filter(({ item }) => item.type === type).reduce((sum, { net }) => sum + net, 0);

/** One line of 4 in PVC, 20 m long and from 0.4 to 0.6 m deep, with a basin at its head. */
const line = (more: object = {}): Job =>
  jobOf(
    ground(40, 'a'),
    basin({ id: 'a' }),
    pipe('a', { length: 20, nominal: 0.1016, grade: { type: 'levels', up: -0.4, down: -0.6 }, ...more }),
    out({ groundLevel: -0.6, stone: true }),
  );
const toolOf = <T extends Tool['type']>(job: Job, type: T): Extract<Tool, { type: T }> | undefined =>
  toolsOf(job, counted(job)).find((tool) => tool.type === type) as Extract<Tool, { type: T }> | undefined;

it.each([
  ['clinic', quillfeather()],
  ['terrace', brackenfold()],
  ['pavilion', wrenmoor()],
  ['a channel', jobOf(ground(40, 'channel'), channel(), pipe('channel'), out({ stone: true }))],
])('of %s all that is bought goes on a truck once, with a step that is there', (_, job) => {
  const plan = planJob(job);
  const taken = takeOff(job, plan);
  const steps = stepsOf(job, taken, false);
  const loads = truckLoads(job, plan, taken, steps);
  expect([...loads.keys()].filter((key) => !steps.some((step) => step.key === key))).toEqual([]);
  const loaded = new Map<object, number>();
  for (const all of loads.values())
    for (const { item, quantity } of all) loaded.set(item, (loaded.get(item) ?? 0) + quantity);
  for (const { item, net } of taken.parts) {
    const isThere = ['dug', 'backfill', 'spoil', 'fill', 'sodCut', 'saw', 'weepHole'].includes(item.type);
    const on = loaded.get(item) ?? 0;
    if (isThere) expect(on).toBe(0);
    else expect(on).toBeCloseTo(net, 9);
  }
  for (const step of steps) expect(stepLabel(job, step)).not.toMatch(/undefined|…|^Set$|^Shape$|^Build$/);
});

it('a chain cuts 6 in where pipe and depth let it; by spade it is 10.2 in; each has its tools', () => {
  const [bucket, chain, spade] = (['excavator', 'trencher', 'hand'] as const).map((digger) =>
    withWays(line(), { digger }),
  );
  // 4.22 in outside: 8 in, 1 in and 6 in of room.
  const widths = [bucket!, chain!, spade!].map((job) => counted(job).trenches[0]!.width / 0.0254);
  expect(widths).toEqual([expect.closeTo(12.22, 2), expect.closeTo(6, 6), expect.closeTo(10.22, 2)]);
  expect([toolOf(bucket!, 'trencher'), toolOf(chain!, 'trencher')?.type]).toEqual([undefined, 'trencher']);
  // Too deep for it.
  const deep = withWays(line({ grade: { type: 'levels', up: -1, down: -1.2 } }), { digger: 'trencher' });
  expect(counted(deep).trenches[0]!.digger).toBe('excavator');
  // 20 m by spade at $45 a metre.
  expect(priceOf(spade!, counted(spade!)).lines.find(({ work }) => work === 'handDig')?.quantity).toBeCloseTo(20, 9);
});

it('what digs passes the gate and reaches the bottom, or it is said that nothing does, and priced so', () => {
  const gate = (metres: number): Job => withHead(line(), { prices: { conditions: { gate: metres } } });
  expect(toolOf(line(), 'excavator')).toMatchObject({ machine: 'mini', bucket: 12 * 0.0254 });
  expect(toolOf(gate(0.8), 'excavator')?.machine).toBe('micro');
  const shut = gate(0.6);
  expect(toolWords(shut, toolOf(shut, 'excavator')!)).toMatch(/^No excavator gets in that digs/);
  const narrow = (job: Job): number =>
    priceOf(job, counted(job)).lines.find(({ work }) => work === 'narrow')?.quantity ?? 0;
  expect([narrow(gate(0.8)), narrow(shut)]).toEqual([0, 20]);
});

it('what is rented is paid for the days that it is there, and moves nothing else', () => {
  const job = line();
  const taken = counted(job);
  // 20 m laid at 20 m an hour by three, and its earth at 10 m³ an hour: a morning, so a day.
  expect(machineDays(job, taken)).toMatchObject({ excavator: 1, rammer: 1 });
  const slow = withHead(job, { calendar: { pace: 40 } });
  const dug = netOf(taken, 'dug');
  expect(machineDays(slow, taken).excavator).toBe(Math.ceil((40 * (dug / 10 + 1 / 3)) / 8));
  const rented = withHead(job, { prices: { rented: { excavator: 32_000, wetSaw: 9000 } } });
  const extra = priceOf(rented, counted(rented)).cost - priceOf(job, taken).cost;
  // Nothing is sawn: the saw is not there.
  expect(extra).toBe(32_000);
});

it('where no machine gets in none is listed, taken along or rented, whoever owns one', () => {
  const prices = { conditions: { narrow: true }, rented: { excavator: 32_000, rammer: 4000 } };
  for (const digger of ['excavator', 'trencher'] as const) {
    const job = withHead(line(), { prices, ways: { digger } });
    const taken = counted(job);
    const types = toolsOf(job, taken).map(({ type }) => type);
    expect(types).not.toContain('trencher');
    expect(types).not.toContain('board');
    expect(toolOf(job, 'excavator')?.machine ?? null).toBeNull();
    // What is carried through the gate is there all the same.
    expect(priceOf(job, taken).lines.flatMap(({ rented }) => rented ?? [])).toEqual(['rammer']);
    expect(machineWords(stepsOf(job, taken, false))).toEqual(['rammer or plate']);
  }
  expect(machineWords(stepsOf(line(), counted(line()), false))).toContain('excavator');
});

it('little turf is kept; much is sown in its season and bought out of it; as was said, always', () => {
  const long = (by: object): Job =>
    withHead(line({ length: 400, grade: { type: 'levels', up: -0.4, down: -4.4 } }), by);
  const sod = (job: Job): string[] =>
    counted(job).parts.flatMap(({ item }) => (['sodCut', 'turf', 'seed'].includes(item.type) ? [item.type] : []));
  expect(sod(line())).toEqual(['sodCut']);
  expect([sod(long({})), sod(long({ startsOn: '2027-04-12' })), sod(long({ startsOn: '2027-07-01' }))]).toEqual([
    ['turf'],
    ['seed'],
    ['turf'],
  ]);
  expect(sod(long({ startsOn: '2027-04-12', ways: { sod: 'kept' } }))).toEqual(['sodCut']);
});

it('ground that is raised takes what is left over before anything is hauled or brought', () => {
  const job = line();
  const left = netOf(counted(job), 'spoil');
  const raised = (area: number): TakeOff =>
    counted(withWays(job, { raised: [{ name: 'Grade at the wall', area, depth: 0.1 }] }));
  const [some, more] = [raised(5 * left), raised(20 * left)];
  const spoil = (taken: TakeOff) => taken.parts.find(({ item }) => item.type === 'spoil')!;
  expect(spoil(some)).toMatchObject({ used: expect.closeTo(left / 2, 9), loose: expect.closeTo((left / 2) * 1.25, 9) });
  expect(netOf(some, 'broughtIn')).toBe(0);
  expect([spoil(more).loose, netOf(more, 'broughtIn')]).toEqual([expect.closeTo(0, 9), expect.closeTo(left, 9)]);
});

it('off-cuts that are kept are not paid: of a roll only what is used, of what fits its sticks as much as is bought', () => {
  const priced = (offcuts: 'paid' | 'kept'): number => {
    const job = withWays(line({ material: 'singleWall', length: 70 * 0.3048 }), { offcuts });
    const taken = counted(job);
    const pipeKey = taken.parts.find(({ item }) => item.type === 'pipe')!.key;
    return priceOf(job, taken).lines.find(({ key }) => key === pipeKey)!.quantity / 0.3048;
  };
  // 70 ft of a roll of 100, and with 5 % for waste.
  expect([priced('paid'), priced('kept')]).toEqual([expect.closeTo(100, 6), expect.closeTo(73.5, 6)]);
});
