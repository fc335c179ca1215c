/** What every inlet does with the water that comes to it. */
import { basinPlan, channelPlan, type InletPlan } from '../inlets';
import type { AtInlet } from '../inlets/inlet';
import { keptOf, ofKind, type Job } from '../job/job';
import { diameterOf, type Basin, type Channel, type Downspout, type Run } from '../job/kinds';
import type { Settings } from '../job/settings';
import { step } from '../numeric/kept';
import type { OnSlope } from '../runoff/bypass';
import type { Sources } from '../runoff/sources';
import { byId, type LandingPlan } from './solution';

type Landings = Readonly<Record<string, LandingPlan>>;

/** What every inlet of a job is told. */
interface Told {
  settings: Settings;
  landings: Landings;
  sources: Sources;
  onSlope: ReadonlyMap<string, OnSlope>;
  /** What pipes bring into a channel's upper end, by its id, m³/s. */
  through: ReadonlyMap<string, number>;
}

const atInlet = ({ landings, onSlope, through }: Told, id: string): AtInlet => {
  const { entering: taken, waterLevel, passing } = landings[id]!;
  return { taken, waterLevel, passedOn: onSlope.get(id)?.passed, passing, through: through.get(id) ?? 0 };
};

interface BasinAt extends AtInlet {
  basin: Basin;
  settings: Settings;
}

const oneBasin = step('basin', ({ basin, settings, ...at }: BasinAt): InletPlan => basinPlan(basin, at, settings));

interface ChannelAt extends AtInlet {
  channel: Channel;
  settings: Settings;
  /** Of the pipe that leaves it: inside diameter and invert at its head, m; undefined and null with none. */
  diameter: number | undefined;
  invert: number | null;
}

const oneChannel = step('channel', ({ channel, settings, diameter, invert, ...at }: ChannelAt, kept): InletPlan => {
  const outlet = diameter === undefined || invert === null ? null : { diameter, invert };
  return channelPlan({ channel, at, outlet, settings }, kept);
});

interface Read extends Told {
  basins: readonly Basin[];
  channels: readonly Channel[];
  downspouts: readonly Downspout[];
  runs: readonly Run[];
}

const inlets = step('inlets', (read: Read, kept): Record<string, InletPlan> => {
  const { basins, channels, downspouts, runs, settings, landings, sources } = read;
  const plans = byId<InletPlan>();
  const basinAt = kept.row(oneBasin, basins);
  basins.forEach((basin, k) => (plans[basin.id] = basinAt(k, { basin, settings, ...atInlet(read, basin.id) })));
  const outlets = new Map(channels.length === 0 ? [] : runs.map((run) => [run.from, diameterOf(run)]));
  for (const channel of channels) {
    const { id } = channel;
    const pipe = { diameter: outlets.get(id), invert: landings[id]!.invert };
    plans[id] = kept.ask(oneChannel, { channel, settings, ...pipe, ...atInlet(read, id) }, id);
  }
  for (const { id } of downspouts) plans[id] = sources.downspouts.get(id)!;
  return plans;
});

/** Every inlet of a job, by id. */
export const inletsOf = (job: Job, told: Told): Record<string, InletPlan> =>
  keptOf(job).ask(inlets, {
    ...told,
    basins: ofKind(job, 'basin'),
    channels: ofKind(job, 'channel'),
    downspouts: ofKind(job, 'downspout'),
    runs: ofKind(job, 'run'),
  });
