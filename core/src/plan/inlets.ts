/** What every inlet does with the water that comes to it. */
import { basinPlan, channelPlan, type InletPlan } from '../inlets';
import { ofKind, type Job } from '../job/job';
import { diameterOf, type Basin, type Channel, type Downspout, type Run } from '../job/kinds';
import type { Settings } from '../job/settings';
import type { OnSlope } from '../runoff/bypass';
import type { Sources } from '../runoff/sources';
import { perElement } from '../numeric/perElement';
import { byId, type LandingPlan } from './solution';
import { stage } from '../numeric/stage';

type Landings = Readonly<Record<string, LandingPlan>>;
type Slopes = ReadonlyMap<string, OnSlope>;

const rememberedBasins = perElement<Basin, InletPlan>();
const rememberedChannels = perElement<Channel, InletPlan>();

const basinPlans = stage(
  'basins',
  (basins: readonly Basin[], landings: Landings, onSlope: Slopes, settings: Settings): InletPlan[] =>
    basins.map((basin) => {
      const { entering: taken, waterLevel, passing } = landings[basin.id]!;
      const passedOn = onSlope.get(basin.id)?.passed;
      const { ponding, spillLength } = settings;
      const numbers = [taken, waterLevel ?? Number.NaN, ponding, spillLength, passedOn ?? Number.NaN, passing];
      return rememberedBasins(basin, numbers, () =>
        basinPlan(basin, { taken, waterLevel, passedOn, passing }, settings),
      );
    }),
);

const channelPlans = stage(
  'channels',
  (
    channels: readonly Channel[],
    landings: Landings,
    onSlope: Slopes,
    runs: readonly Run[],
    settings: Settings,
  ): InletPlan[] => {
    const outlets = new Map(channels.length === 0 ? [] : runs.map((run) => [run.from, diameterOf(run)]));
    return channels.map((channel) => {
      const { entering: taken, waterLevel, passing, invert } = landings[channel.id]!;
      const diameter = outlets.get(channel.id);
      const outlet = diameter === undefined || invert === null ? null : { diameter, invert };
      const passedOn = onSlope.get(channel.id)?.passed;
      return rememberedChannels(
        channel,
        [taken, passing],
        () => channelPlan(channel, { taken, waterLevel, passedOn, passing }, outlet, settings),
        [waterLevel, passedOn, diameter, invert, settings],
      );
    });
  },
);

const inlets = stage(
  'inlets',
  (
    basins: readonly Basin[],
    basinPlans: readonly InletPlan[],
    channels: readonly Channel[],
    channelPlans: readonly InletPlan[],
    downspouts: readonly Downspout[],
    sources: Sources,
  ): Record<string, InletPlan> => {
    const plans = byId<InletPlan>();
    basins.forEach(({ id }, k) => (plans[id] = basinPlans[k]!));
    channels.forEach(({ id }, k) => (plans[id] = channelPlans[k]!));
    for (const { id } of downspouts) plans[id] = sources.downspouts.get(id)!;
    return plans;
  },
);

/** Every inlet of a job, by id. */
export function inletsOf(
  job: Job,
  settings: Settings,
  landings: Landings,
  sources: Sources,
  onSlope: Slopes,
): Record<string, InletPlan> {
  const basins = ofKind(job, 'basin');
  const channels = ofKind(job, 'channel');
  return inlets(
    basins,
    basinPlans(basins, landings, onSlope, settings),
    channels,
    channelPlans(channels, landings, onSlope, ofKind(job, 'run'), settings),
    ofKind(job, 'downspout'),
    sources,
  );
}
