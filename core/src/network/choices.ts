/** What each size on offer would give in a run as it lies. */
import { MATERIAL_FACTS, NOMINAL_SIZES, type Material } from '../catalogue/pipes';
import type { Settings } from '../job/settings';
import { fullFlow } from '../hydraulics/pipe';
import { runFlow } from '../hydraulics/runFlow';
import type { Run } from '../job/kinds';

export interface SizeChoice {
  /** m */
  nominal: number;
  /** Full-bore flow, m³/s. */
  capacity: number;
  /** Depth of the design flow over the diameter, and its velocity, m/s. */
  depthRatio: number;
  velocity: number;
  cleans: boolean;
  /** `works`; `tooSmall` for the flow; `narrows` from a larger pipe above; `silts` carries it but will hold grit. */
  verdict: 'works' | 'tooSmall' | 'narrows' | 'silts';
}

interface ChoiceInput {
  material: Material;
  slope: number;
  flow: number;
  ordinaryFlow: number;
  /** Largest nominal size that arrives from above, m. */
  widestAbove: number;
  settings: Settings;
}

/** Every size on offer at the run's present pitch, smallest first. */
function sizeChoices({ material, slope, flow, ordinaryFlow, widestAbove, settings }: ChoiceInput): SizeChoice[] {
  const { roughness } = MATERIAL_FACTS[material];
  return NOMINAL_SIZES.map((nominal) => {
    const given = runFlow({
      diameter: nominal,
      slope,
      roughness,
      flow,
      ordinaryFlow,
      gritSize: settings.gritSize,
      leastVelocity: settings.leastVelocity,
    });
    const verdict = given.overloaded
      ? 'tooSmall'
      : nominal < widestAbove - 1e-9
        ? 'narrows'
        : given.cleans
          ? 'works'
          : 'silts';
    return {
      nominal,
      capacity: given.capacity,
      depthRatio: given.depthRatio,
      velocity: given.velocity,
      cleans: given.cleans,
      verdict,
    };
  });
}

/** The smallest size that carries the flow without narrowing; one that also keeps clean is taken before one that does not. */
export function smallestThatWorks(choices: SizeChoice[]): number | null {
  const pick =
    choices.find((choice) => choice.verdict === 'works') ?? choices.find((choice) => choice.verdict === 'silts');
  return pick ? pick.nominal : null;
}

/** What the choice of a run's size rests on, as a plan tells it. */
interface AsPlanned {
  material: Material;
  pitch: number;
  flow: number;
  ordinaryFlow: number;
  parallel: number;
  widestAbove: number;
}

/** What each size on offer would give a run as it lies; worked out when somebody looks, as a plan is made at every move of a finger. */
export function choicesOf(
  { settings }: { settings: Settings },
  { material, pitch, flow, ordinaryFlow, parallel, widestAbove }: AsPlanned,
): SizeChoice[] {
  return sizeChoices({
    material,
    slope: pitch,
    flow: flow / parallel,
    ordinaryFlow: ordinaryFlow / parallel,
    settings,
    widestAbove,
  });
}

/** Full-bore flow (m³/s) of a run in another size or make at one pitch (m/m): choices are compared on the same fall. 0 where it does not fall. */
export const holdsAt = (
  { material, nominal, parallel = 1 }: Pick<Run, 'material' | 'nominal' | 'parallel'>,
  pitch: number,
): number =>
  pitch > 0
    ? parallel * fullFlow({ diameter: nominal, slope: pitch, roughness: MATERIAL_FACTS[material].roughness }).flow
    : 0;
