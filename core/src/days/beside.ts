/** What is dug, filled, placed and set besides the trenches of lines, by the step that does it. */
import type { Job } from '../job/job';
import { SET_ITEMS } from '../quantities/met';
import type { TakeOff } from '../quantities/takeOff';

export interface Beside {
  /** m³ dug and filled. */
  earth: number;
  /** m³ of stone placed. */
  stone: number;
  /** What is shaped, set or built, by id. */
  things: readonly string[];
}

type Where = 'ground' | 'inlets' | 'works' | 'raised';

/** To shape the ground, where inlets are set, for other works, and to raise ground with what is left over. */
export function besideTrenches(job: Job, { parts, trenches }: TakeOff): Record<Where, Beside> {
  const found = {} as Record<Where, { earth: number; stone: number; things: Set<string> }>;
  for (const where of ['ground', 'inlets', 'works', 'raised'] as const)
    found[where] = { earth: 0, stone: 0, things: new Set() };
  const whereIs = (id: string): Where => {
    const kind = job.elements.get(id)?.kind;
    if (kind === 'job') return 'raised';
    if (kind === 'swale' || kind === 'berm') return 'ground';
    return kind === 'basin' || kind === 'channel' ? 'inlets' : 'works';
  };
  const isTrenched = new Set(trenches.map(({ id }) => id));
  const isSet = new Set<string>([...SET_ITEMS, 'channel']);
  for (const { item, uses } of parts) {
    for (const { id } of uses)
      if (isSet.has(item.type))
        found[item.type === 'culvertEnd' || item.type === 'headwall' ? 'works' : 'inlets'].things.add(id);
    const what = item.type === 'stone' ? 'stone' : item.type === 'dug' || item.type === 'fill' ? 'earth' : null;
    if (what === null) continue;
    for (const { id, quantity } of uses) {
      if (isTrenched.has(id) && what === 'earth') continue;
      const at = found[whereIs(id)];
      at[what] += quantity;
      if (job.elements.get(id)?.kind !== 'run' && job.elements.get(id)?.kind !== 'junction') at.things.add(id);
    }
  }
  return Object.fromEntries(
    Object.entries(found).map(([where, { things, ...more }]) => [where, { ...more, things: [...things] }]),
  ) as unknown as Record<Where, Beside>;
}
