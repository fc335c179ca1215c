import { changed } from '../job/change';
import { jobFaults } from '../job/faults';
import { elementOf, ofKind, type Job } from '../job/job';
import type { Element } from '../job/kinds';
import { wayOfRun } from '../job/places';
import { planJob } from '../verdict/planJob';
import { brackenfold, quillfeather, wrenmoor } from '../samples';
import { distanceTo } from '../site/place';
import { withElements } from '../testing/parts';
import { diagnose, type Suggestion } from '../yard/diagnosis';
import { stoneInstead } from './instead';
import { suggestedChange } from './suggested';

const suggestionsAt = (job: Job, wet: string): Suggestion[] =>
  diagnose(job, elementOf(job, 'wetSpot', wet)!)!.suggestions;
const types = (suggestions: readonly Suggestion[]): string[] => suggestions.map(({ type }) => type);

describe('what is suggested for a wet place', () => {
  it('puts in only what a sound job can hold, on the plan, clear of buildings, and led off where there is a way', () => {
    for (const job of [quillfeather(), brackenfold(), wrenmoor()])
      for (const { id } of ofKind(job, 'wetSpot'))
        for (const suggestion of suggestionsAt(job, id)) {
          const made = suggestedChange(job, suggestion);
          if (!made) {
            expect(['channel', 'regrade', 'leadOff', 'swale', 'pump']).toContain(suggestion.type);
            continue;
          }
          const after = changed(job, made.change);
          expect([id, suggestion.type, jobFaults(after)]).toEqual([id, suggestion.type, []]);
          const plan = planJob(after);
          const runs = made.change.puts.filter((element) => element.kind === 'run');
          expect(runs.map((run) => wayOfRun(after, run))).not.toContain(null);
          expect(plan.snags.filter(({ code }) => code === 'drainUnderHouse' || code === 'roofInPerforated')).toEqual(
            [],
          );
        }
  });

  it('at the terrace, where no pipe falls to the lane: a swale or a pump, and the pump lifts what comes', () => {
    const job = brackenfold();
    const suggestions = suggestionsAt(job, 'wet-one');
    expect(types(suggestions)).toEqual(expect.arrayContaining(['basin', 'swale', 'pump']));
    // From the end house the lane is reached: no pump is offered where gravity does.
    expect(types(suggestionsAt(job, 'wet-three'))).not.toContain('pump');
    const { change, id } = suggestedChange(
      job,
      suggestions.find(({ type }) => type === 'pump')!,
    )!;
    const after = changed(job, change);
    const plan = planJob(after);
    const pump = plan.works[id];
    expect(pump).toMatchObject({ kind: 'pump' });
    if (pump?.kind === 'pump') expect(pump.rate).toBeGreaterThan(pump.flow);
    expect(plan.snags.filter(({ at }) => at === id).map(({ code }) => code)).not.toContain('pumpTooWeak');
    const { place } = elementOf(after, 'discharge', id)!;
    for (const { outline } of ofKind(after, 'building')) expect(distanceTo(outline!, place!)).toBeGreaterThan(1.5);
  });

  it('a field lies under the wet place, its pipe leaving at its lowest corner; one that is drained asks for none', () => {
    const job = quillfeather();
    const field = suggestionsAt(job, 'wetLawn').find(({ type }) => type === 'drainField')!;
    const { change, id } = suggestedChange(job, field)!;
    const after = changed(job, change);
    const drain = elementOf(after, 'drainField', id)!;
    const plan = planJob(after).works[id]!;
    expect(plan.kind === 'drainField' && plan.lines!.collector.at(-1)).toEqual(drain.outline![0]);
    expect(types(suggestionsAt(after, 'wetLawn'))).not.toContain('drainField');
    expect(types(suggestionsAt(wrenmoor(), 'soggy'))).not.toContain('drainField');
  });

  it('in soil that takes water a garden is offered, in clay none', () => {
    const soil = (kind: 'sand' | 'clay'): Element => ({
      id: 'lawnSoil',
      kind: 'soilTest',
      name: 'Ribbon',
      place: elementOf(quillfeather(), 'wetSpot', 'wetLawn')!.place!,
      test: { type: 'ribbon', length: kind === 'sand' ? 0.005 : 0.07 },
    });
    const types1 = types(suggestionsAt(withElements(quillfeather(), soil('sand')), 'wetLawn'));
    expect(types1).toContain('rainGarden');
    expect(types(suggestionsAt(withElements(quillfeather(), soil('clay')), 'wetLawn'))).not.toContain('rainGarden');
  });
});

it('at the kennel door an open stone drain stands in the channel’s place, with its water, its pipe and its sill', () => {
  const job = quillfeather();
  const channel = elementOf(job, 'channel', 'kennelDrain')!;
  const before = planJob(job);
  const after = changed(job, stoneInstead(channel, before.landings.kennelDrain!.groundLevel));
  expect(jobFaults(after)).toEqual([]);
  const plan = planJob(after);
  const stone = plan.works.kennelDrain!;
  if (stone.kind !== 'stoneDrain') throw new Error('no stone drain');
  // The same 50.5 gpm come to it and go on down the same pipe; round stone, 16 ft by 1 ft, takes all of it.
  expect(stone.flow).toBeCloseTo(before.landings.kennelDrain!.entering, 9);
  expect(stone.over).toBe(0);
  expect(plan.landings.kennelDrain!.outlet).toBe(before.landings.kennelDrain!.outlet);
  expect(stone.freeboard!).toBeGreaterThan(0.05);
});
