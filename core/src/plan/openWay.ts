/** Swales and culverts one after another as a line of their own: where it leads, what fall it spends, and its long section. Pure. */
import { ofKind, type Job } from '../job/job';
import type { Culvert, Swale } from '../job/kinds';
import type { WorkOf } from '../works';
import { LEAST_FALL, waterAt } from '../works/swale';
import type { Section, SectionPoint } from './section';
import type { Solution } from './solution';

type Stretch = Swale | Culvert;

/** A line of open ways, from its head down. */
export interface OpenWayLine {
  ways: readonly Stretch[];
  /** What takes its water, by id; null where that runs off the job. */
  to: string | null;
  /** m: how long it is, how much it falls, and that less the least with which it runs dry. */
  length: number;
  fall: number;
  spare: number;
  /** Bank or road over its highest water, m, and where that is least; null where nothing runs. */
  tightest: { id: string; left: number } | null;
}

const stretchesIn = (job: Job): Stretch[] => [...ofKind(job, 'swale'), ...ofKind(job, 'culvert')];

type PlanOf = WorkOf<'swale'> | WorkOf<'culvert'>;

const planOf = ({ works }: Pick<Solution, 'works'>, { id }: Stretch): PlanOf | undefined =>
  works[id] as PlanOf | undefined;

/** Levels of a stretch's floor at its two ends, m. */
function floorAt(way: Stretch, plan: PlanOf): { up: number; down: number } {
  if (way.kind === 'culvert') return { up: way.invertUp, down: way.invertDown };
  const { headLevel, footLevel } = plan as WorkOf<'swale'>;
  return { up: headLevel, down: footLevel };
}

function lineOf(solution: Pick<Solution, 'works'>, ways: readonly Stretch[]): OpenWayLine {
  const planned = ways.flatMap((way) => {
    const plan = planOf(solution, way);
    return plan ? [{ way, plan, ...floorAt(way, plan) }] : [];
  });
  const length = planned.reduce((sum, { plan }) => sum + plan.length, 0);
  const fall = planned.length > 0 ? planned[0]!.up - planned.at(-1)!.down : 0;
  const running = planned.filter(({ plan }) => plan.flow > 0);
  const tightest = running.reduce<OpenWayLine['tightest']>(
    (least, { way, plan }) => (least && least.left <= plan.freeboard ? least : { id: way.id, left: plan.freeboard }),
    null,
  );
  return { ways, to: ways.at(-1)!.to ?? null, length, fall, spare: fall - LEAST_FALL * length, tightest };
}

/** Every line of swales and culverts, each from a way that no other leads into; those that go round are left out, the job's faults name them. */
export function openWayLines(job: Job, solution: Pick<Solution, 'works'>): OpenWayLine[] {
  const all = stretchesIn(job);
  const byId = new Map(all.map((way) => [way.id, way]));
  const led = new Set(all.flatMap(({ to }) => to ?? []));
  const told = new Set<string>();
  return all
    .filter(({ id }) => !led.has(id))
    .map((head) => {
      const ways: Stretch[] = [];
      // What two lead into is told with the first.
      for (let way: Stretch | undefined = head; way && !told.has(way.id); way = byId.get(way.to ?? '')) {
        told.add(way.id);
        ways.push(way);
      }
      return lineOf(solution, ways);
    });
}

/** Its long section: beds of swales with their banks, culverts under their roads, and the water that stands before and in them. */
export function openWaySection(solution: Pick<Solution, 'works'>, { ways }: OpenWayLine): Section {
  const points: SectionPoint[] = [];
  const pipes: Section['pipes'] = [];
  const beds: Section['beds'] = [];
  const landings: Section['landings'] = [];
  let station = 0;
  for (const way of ways) {
    const plan = planOf(solution, way);
    if (!plan) continue;
    const ends = endsOf(way, plan, station);
    points.push(...ends);
    (way.kind === 'culvert' ? pipes : beds).push(ends);
    landings.push({ id: way.id, station });
    station += plan.length;
  }
  const tops = points.map((point) => Math.max(point.ground, point.crown, point.water));
  const bottoms = points.map(({ invert }) => invert);
  const limits = pipes.map((ends) => [...ends]);
  return {
    points,
    pipes,
    beds,
    limits,
    landings,
    length: station,
    top: Math.max(...tops),
    bottom: Math.min(...bottoms),
  };
}

function endsOf(way: Stretch, plan: PlanOf, station: number): [SectionPoint, SectionPoint] {
  const { up, down } = floorAt(way, plan);
  const point = (at: number, invert: number, top: number, ground: number, water: number): SectionPoint => ({
    station: at,
    ground,
    invert,
    crown: top,
    water,
    wet: Math.min(water, top),
    coverLimit: top,
  });
  const end = station + plan.length;
  if (way.kind === 'swale') {
    const swale = plan as WorkOf<'swale'>;
    const { depth } = way;
    return [
      point(station, up, up + depth, up + depth, waterAt(swale, 0)),
      point(end, down, down + depth, down + depth, waterAt(swale, 1)),
    ];
  }
  const culvert = plan as WorkOf<'culvert'>;
  const { nominal, roadLevel } = way;
  return [
    point(station, up, up + nominal, roadLevel, culvert.waterLevel),
    point(end, down, down + nominal, roadLevel, down + culvert.outletDepth),
  ];
}
