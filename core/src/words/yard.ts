/** What the ground says, in sentences: why a place is wet, where the next level is wanted, how ways out compare. */
import { SOIL_FACTS } from '../catalogue/soils';
import { headOf, nameOf, type Job } from '../job/job';
import { decimals, showArea, showLength, showPitch, showSmall, showVolume, text, type UnitSystem } from '../units';
import type { Cause, Diagnosis, Doubt, Evidence, Suggestion } from '../yard/diagnosis';
import type { NextLevel } from '../yard/nextLevel';
import type { Seen } from '../yard/seen';
import type { Concern, WayOut } from '../yard/waysOut';
import type { Pond } from '../ground/ponds';

const CAUSES: Record<Cause, string> = {
  surface: 'Water from the surface',
  roof: 'Water from the roof',
  subsurface: 'Water in the ground',
  steady: 'Water that always runs',
};

const evidenceWords = (job: Job, units: UnitSystem, evidence: Evidence): string => {
  switch (evidence.type) {
    case 'pond':
      return `The levels make a hollow here, ${text(showSmall(evidence.depth, units))} deep over ${text(showArea(evidence.area, units))}; it holds ${text(showVolume(evidence.volume, units))}.`;
    case 'runsOff':
      return 'The levels say that water runs off here.';
    case 'notLevelled':
      return 'The ground here has not been levelled.';
    case 'downspout':
      return `${nameOf(job, evidence.id)} lets its roof out above here, into no pipe.`;
    case 'steady':
      return `${nameOf(job, evidence.id)} runs down to here whatever the sky does.`;
    case 'slowSoil':
      return `${SOIL_FACTS[evidence.soil].label} takes water slowly${evidence.tested ? '' : ' (the job’s usual soil, not tested)'}.`;
    case 'fastSoil':
      return `${SOIL_FACTS[evidence.soil].label} takes water fast${evidence.tested ? '' : ' (not tested)'}.`;
    case 'stays':
      return `It was still wet ${decimals(evidence.hours, 0)} hours after the rain.`;
    case 'soft':
      return 'The ground is soft, and no water stands on it.';
    case 'gathers':
      return `${text(showArea(evidence.area, units))} of ground runs to here.`;
    case 'towardWall':
      return `The ground falls ${text(showSmall(evidence.fall, units))} toward ${nameOf(job, evidence.building)} in its last 10 ft; it should fall 6 in away.`;
  }
};

const DOUBTS: Record<Doubt, string> = {
  levelHere: 'A level here, and one where the water would run off.',
  soilTest: 'A ribbon or a hole: what the soil is.',
  hoursAfter: 'How long after the rain it stays.',
  inDry: 'Whether it is wet after a dry week: then it is a spring, or somebody’s pipe.',
};

export interface WhyWords {
  headline: string;
  causes: { title: string; likely: boolean; because: string[] }[];
  doubts: string[];
}

/** Why a place is wet, in words. */
export function whyWords(job: Job, { causes, doubts }: Diagnosis): WhyWords {
  const { units } = headOf(job);
  const likely = causes.filter((each) => each.likely).map(({ cause }) => CAUSES[cause].toLowerCase());
  return {
    headline:
      likely.length === 0
        ? 'Not clear yet why it is wet'
        : `${joined(likely)[0]!.toUpperCase()}${joined(likely).slice(1)}`,
    causes: causes.map(({ cause, likely: sure, evidence }) => ({
      title: `${CAUSES[cause]}${sure ? '' : ', perhaps'}`,
      likely: sure,
      because: evidence.map((each) => evidenceWords(job, units, each)),
    })),
    doubts: doubts.map((each) => DOUBTS[each]),
  };
}

const joined = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)!}`;

/** A suggestion as a button would say it. */
export function suggestionWords(job: Job, suggestion: Suggestion): string {
  switch (suggestion.type) {
    case 'basin':
      return 'Put a catch basin at its lowest';
    case 'leadOff':
      return `Lead ${nameOf(job, suggestion.downspout)} off in solid pipe`;
    case 'channel':
      return 'Catch the water above it in a channel drain';
    case 'subsurfaceDrain':
      return 'A subsurface drain through it: perforated pipe in stone';
    case 'drainField':
      return 'A drain field under it: perforated pipes side by side';
    case 'rainGarden':
      return 'Make a rain garden of it: this soil takes the water';
    case 'swale':
      return 'A swale from it, the way the ground falls';
    case 'pump':
      return 'A pump basin: no way out is reached by gravity';
    case 'regrade':
      return 'Reshape the ground so that it falls away; no pipe';
  }
}

/** What was seen beside what the levels say; null where they agree without a word. */
export function seenWords(job: Job, { wet, pond, nearest, levelled }: Seen): string | null {
  const { units } = headOf(job);
  if (!levelled) return `${wet.name} lies outside of what was levelled: no telling yet.`;
  if (pond) return `${wet.name}: the levels hold ${text(showSmall(pond.depth, units))} of water there.`;
  if (wet.form !== 'standing') return null;
  return `You saw water at ${wet.name}; the levels say it runs off: check ${nearest ? nameOf(job, nearest.id) : 'the levels'}, or it is a spring.`;
}

/** A pond that nobody has noted. */
export const pondWords = (job: Job, { depth, volume }: Pond): readonly [string, string] => {
  const { units } = headOf(job);
  return [`${text(showSmall(depth, units))} deep`, text(showVolume(volume, units))];
};

/** Where the next level is wanted, and why. */
export function nextWords(job: Job, { on, id }: NextLevel): string {
  switch (on) {
    case 'wetSpot':
      return `At ${nameOf(job, id!)}: whether water stands there by the levels hangs on it.`;
    case 'spill':
      return 'Where the hollow would run over: how deep it stands hangs on it.';
    case 'pond':
      return 'At the lowest of the hollow: whether it is one hangs on it.';
    case 'wayOut':
      return `At ${nameOf(job, id!)}: whether water gets there hangs on it.`;
    case 'door':
      return `At ${nameOf(job, id!)}: whether water comes in hangs on it.`;
    case 'gap':
      return 'In the widest gap between the levels.';
  }
}

const CONCERNS: Record<Concern, string> = {
  consent: 'wants consent or a permit',
  nearBuilding: 'too near a building',
  holdsWater: 'its line stays full after rain',
  notMeasured: 'its level is assumed',
  walk: 'freezes over the walk',
  freezes: 'its lid freezes shut',
  scours: 'comes out fast: stone under it',
  standsHigh: 'water stands against it',
};

/** A way out compared: one line for its fall, and what speaks against it. */
export function wayOutWords(
  job: Job,
  { spare, spareLarge, pitch, length, fall, obstacles, shallow, concerns }: WayOut,
): { fall: string; against: string[] } {
  const { units } = headOf(job);
  const met = [...new Set(obstacles.map(({ id }) => nameOf(job, id)))];
  return {
    fall:
      spare >= 0
        ? `${text(showPitch(pitch))} over ${text(showLength(length, units))}, ${text(showSmall(spare, units))} to spare`
        : spareLarge >= 0
          ? `Too flat for small pipe over ${text(showLength(length, units))}; a large smooth one reaches with ${text(showSmall(spareLarge, units))} to spare`
          : `${text(showSmall(-spareLarge, units))} short of fall over ${text(showLength(length, units))}${fall <= 0 ? ': it lies higher' : ''}`,
    against: [
      ...(met.length > 0 ? [`crosses ${joined(met)}`] : []),
      ...(shallow > 0.5 ? [`too little cover over ${text(showLength(shallow, units))}`] : []),
      ...concerns.map((each) => CONCERNS[each]),
    ],
  };
}

/** All ways out in one sentence. */
export function waysOutWords(job: Job, ways: readonly WayOut[]): string {
  const { units } = headOf(job);
  const best = ways[0];
  if (!best) return 'No way out is on the plan yet: put down every place that the water could go.';
  const most = ({ spare, spareLarge }: WayOut): number => Math.max(spare, spareLarge);
  const reaching = ways.filter((way) => most(way) >= 0).length;
  if (reaching > 0)
    return `${nameOf(job, best.id)} is best${reaching > 1 ? ` of ${reaching} that gravity reaches` : ''}.`;
  const least = ways.reduce((low, each) => (most(each) > most(low) ? each : low));
  return `None reaches by gravity: ${text(showSmall(-most(least), units))} short at best. Regrade, swale or pump.`;
}
