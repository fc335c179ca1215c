/** Jobs from a seed, of every kind of element and every way to set it: the same on every machine, whatever the test library's own dice do. */
import type { Element, Landing, Run } from '../job/kinds';
import { jobFrom, type Job } from '../job/job';
import { handOf } from '../numeric/dice';
import { rainOf, calmDischarge, dischargeOf, landingOf, calmRun, runOf, type Mood } from './seededElements';
import { isInlet, shedding } from './seededGround';

/** A sound job of one to about two dozen runs; now and then with a landing that leads nowhere. */
export function seededJob(seed: number, mood: Mood = 'wild'): Job {
  const hand = handOf(seed * 7919 + 13);
  const calm = mood === 'calm';
  const outs = Array.from({ length: hand.chance(0.25) ? 2 : 1 }, (_, k) =>
    (calm ? calmDischarge : dischargeOf)(hand, `out${k}`),
  );
  const landings: Landing[] = [];
  const runs: Run[] = [];
  const count = 1 + Math.floor(hand.between(0, calm ? 8 : 24));
  for (let k = 0; k < count; k++) {
    // A discharge at first, and later any landing put before it: never round in a loop.
    const to = k === 0 || hand.chance(0.15) ? hand.pick(outs) : hand.pick(landings);
    const rise = to.kind === 'discharge' ? 0 : to.groundLevel;
    const landing = landingOf(hand, `n${k}`, calm ? rise + hand.between(-0.05, 0.3) : hand.between(-1.2, 1.5));
    landings.push(landing);
    if (!hand.chance(calm ? 0 : 0.04)) runs.push((calm ? calmRun : runOf)(hand, `r${k}`, landing, to.id));
  }
  const settings = hand.chance(calm ? 0 : 0.3)
    ? {
        settings: {
          cover: hand.between(0.15, 0.6),
          leastPitch: hand.between(0.005, 0.02),
          ponding: hand.between(0.02, 0.08),
        },
      }
    : {};
  const elements: Element[] = [
    {
      id: 'job',
      kind: 'job',
      name: `Job ${seed}`,
      units: hand.pick(['us', 'metric'] as const),
      pitchStyle: hand.pick(['ground', 'ground', 'single'] as const),
      ...settings,
    },
    rainOf(hand),
    ...outs,
    ...landings,
    ...runs,
  ];
  return jobFrom(`${mood}${seed}`, [...elements, ...shedding(hand, landings)]);
}

/** A large yard for benches: seeded jobs side by side until there are so many runs, and ground beside them up to so many elements. */
export function largeYard(runs: number, size: number): Job {
  const elements: Element[] = [];
  let count = 0;
  for (let seed = 1; count < runs; seed++) {
    const own = seededJob(seed).elements.all.filter(({ kind }) => kind !== 'job' && kind !== 'rain');
    const named = JSON.parse(
      JSON.stringify(own).replace(/"(id|to|from|spillsTo|passesTo)":"/g, `$&s${seed}x`),
    ) as Element[];
    elements.push(...named);
    count += named.filter(({ kind }) => kind === 'run').length;
  }
  const inlets = elements.filter(isInlet);
  for (let k = 0; elements.length < size - 2; k++) {
    const to = inlets[k % inlets.length]!.id;
    elements.push({
      id: `bed${k}`,
      kind: 'surface',
      name: `Bed ${k}`,
      cover: 'mulch',
      area: 0.5,
      feeds: [{ to, share: 1 }],
    });
  }
  const { job, rain } = Object.fromEntries(seededJob(3).elements.all.map((element) => [element.id, element]));
  return jobFrom('large', [job!, rain!, ...elements]);
}
