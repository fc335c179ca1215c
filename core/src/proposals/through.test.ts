/** Lines of a proposal moved: what it costs and how it falls is told before, and the plan is what it would be had it been drawn so. */
import { applyChange } from '../job/change';
import { jobFaults } from '../job/faults';
import { ofKind, type Job } from '../job/job';
import { wayOfRun } from '../job/places';
import { quillfeather } from '../samples';
import { distance, footOnWay, type Place } from '../site/place';
import { at } from '../testing/levelledYard';
import { seededPlot } from '../trial/seededPlot';
import { planJob } from '../verdict/planJob';
import { proposalsOf, reworked, type Proposal, type Proposals } from './proposals';
import { Moving, type Through } from './through';
import { throughSaid } from './throughWords';

const plain = (text: string): string => text.replace(/\s/g, ' ');
const movingOf = (proposal: Proposal, job: Job): Moving => Moving.of(proposal, job, [])!;
/** Where lines of a plan lie. */
const passes = (job: Job, place: Place): number =>
  Math.min(
    ...ofKind(job, 'run').map(
      (run) => footOnWay(wayOfRun(job, run) ?? [], place)?.distance ?? Number.POSITIVE_INFINITY,
    ),
  );

describe('the clinic', () => {
  const job = quillfeather();
  const all: Proposals = proposalsOf(job);
  const [least] = all.found as [Proposal];
  const moving = movingOf(least, job);

  it('says what bars a place: a house, a trunk, that nothing is drawn there', () => {
    const said = (place: Place): string => {
      const found = moving.through(place);
      expect('ways' in found).toBe(false);
      return plain(throughSaid(least, found).sentences[0]!);
    };
    expect(said(at(5, -5))).toBe('No trench goes here: Clinic and kennel wing is in the way.');
    const { place } = job.elements.get('pear') as { place: Place };
    expect(said(place)).toBe('No trench goes so near to the trunk of Old pear.');
    expect(said(at(500, 0))).toBe('Nothing is drawn so far out.');
    const barred = Moving.of(least, job, [{ place: at(0, 8), reach: 2 }])!;
    expect(plain(throughSaid(least, barred.through(at(0, 9))).sentences[0]!)).toBe(
      'You have said that no line goes here.',
    );
  });

  it('knows what comes through each line, and moves again what was moved before as long as it fits', () => {
    const { ends } = all.wanted;
    const runs = ofKind(least.job, 'run').filter(({ id }) => !job.elements.has(id));
    const led = new Map(runs.map((run) => [run.id, moving.ledBy(run.id, ends)]));
    // Through each comes what comes through those that run into it; and all of it runs to a way out.
    for (const run of runs)
      for (const above of runs)
        if (above.to === run.from) expect(led.get(run.id)).toEqual(expect.arrayContaining(led.get(above.id)!));
    const outs = runs.filter(({ to }) => least.job.elements.get(to)?.kind === 'discharge');
    expect(new Set(outs.flatMap(({ id }) => led.get(id)!))).toEqual(new Set(ends.map(({ id }) => id)));
    const only = proposalsOf(job, {
      notHere: [],
      leaveOut: ends.flatMap(({ id }) => (id === ends[0]!.id ? [] : [id])),
    });
    expect(only.wanted.ends.map(({ id }) => id)).toEqual([ends[0]!.id]);

    const found = moving.through(at(-5, 5)) as Through;
    expect(moving.fits(found)).toBe(true);
    const then = reworked(job, all.wanted, least, moving.moved(found));
    const after = movingOf(then, job);
    expect(after.fits(found)).toBe(true);
    expect(after.fits({ ...found, ways: [{ run: 'nothing', way: found.ways[0]!.way }] })).toBe(false);
    const [{ run, way }] = found.ways as [Through['ways'][0]];
    expect(after.fits({ ...found, ways: [{ run, way: way.slice(0, -1) }] })).toBe(false);
  });

  it('tells what a line through a place costs more, and the plan that it gives is dearer and passes there', () => {
    const place = at(-5, 5);
    const found = moving.through(place) as Through;
    expect(found.more).toBeGreaterThan(0);
    expect(found.longer).toBeGreaterThan(0);
    const then = reworked(job, all.wanted, least, moving.moved(found));
    expect(passes(then.job, place)).toBeLessThan(1e-6);
    const dearer = then.standing.asked - least.standing.asked;
    expect(found.more / dearer).toBeGreaterThan(0.4);
    expect(found.more / dearer).toBeLessThan(2.5);
    // Its pitch and cover are those of the line itself, where its ends have stayed.
    expect(plain(throughSaid(least, found).sentences.join(' '))).toMatch(
      /through here costs about \$\d+ more\. It is \d+.+ longer, falls 0\.\d\d% and has .+ in of ground over it here/,
    );
    const taken = applyChange(job, then.change);
    expect(jobFaults(taken.job)).toEqual([]);
    expect(planJob(taken.job).verdict.sentence).toBe(then.plan.verdict.sentence);
    expect(applyChange(taken.job, taken.inverse).job.elements.all).toEqual(job.elements.all);
  });

  it('worked out anew with nothing moved it is the same plan', () => {
    for (const proposal of all.found) {
      const again = reworked(job, all.wanted, proposal, proposal.job.elements.all);
      expect(again.standing.asked).toBeCloseTo(proposal.standing.asked, 3);
    }
  });

  it('a line that goes a long way round is drawn straight again for about what it cost', () => {
    const found = moving.through(at(-5, 12)) as Through;
    const round = reworked(job, all.wanted, least, moving.moved(found));
    const back = movingOf(round, job);
    const run = ofKind(round.job, 'run').find(
      (each) => footOnWay(wayOfRun(round.job, each) ?? [], at(-5, 12))!.distance < 1e-6,
    )!;
    const straight = back.straight(run.id)!;
    expect(straight.more).toBeLessThan(0);
    const then = reworked(job, all.wanted, round, back.moved(straight));
    expect(then.standing.asked).toBeLessThan(round.standing.asked);
    expect(back.straight('none')).toBeNull();
  });
});

it('over plots a fitting is taken hold of and moved with every line that meets in it', () => {
  let movedOnes = 0;
  for (let seed = 1; seed <= 7; seed++) {
    const job = seededPlot(seed);
    const all = proposalsOf(job);
    const [best] = all.found as [Proposal];
    const wye = ofKind(best.job, 'junction').find(({ id, place }) => place && !job.elements.has(id));
    if (!wye) continue;
    const moving = movingOf(best, job);
    expect(moving.nearest(wye.place!)).toMatchObject({ id: wye.id, away: 0 });
    const to = { east: wye.place!.east + 1.2, north: wye.place!.north + 0.7 };
    const found = moving.through(to, wye.id);
    if (!('ways' in found)) continue;
    movedOnes++;
    const touching = ofKind(best.job, 'run').filter(({ from, to: end }) => from === wye.id || end === wye.id);
    expect(found.ways.map(({ run }) => run).sort()).toEqual(touching.map(({ id }) => id).sort());
    const then = reworked(job, all.wanted, best, moving.moved(found));
    expect(ofKind(then.job, 'junction').some(({ place }) => place && distance(place, to) < 1e-9)).toBe(true);
    expect(jobFaults(applyChange(job, then.change).job)).toEqual([]);
  }
  expect(movedOnes).toBeGreaterThan(1);
}, 60_000);

it('a plan with inlets of its own is worked out anew with those, and with none twice', () => {
  let seen = 0;
  for (let seed = 1; seen < 3; seed++) {
    const job = seededPlot(seed);
    const all = proposalsOf(job);
    const [least] = all.found;
    if (!least || all.wanted.fresh.length === 0) continue;
    seen++;
    let then: Proposal = least;
    for (let k = 0; k < 2; k++) then = reworked(job, all.wanted, then, then.job.elements.all);
    const kinds = ({ job: { elements } }: Proposal): string[] => elements.all.map(({ kind }) => kind).sort();
    expect([seed, kinds(then)]).toEqual([seed, kinds(least)]);
    expect([seed, then.stops, then.standing.asked]).toEqual([seed, least.stops, least.standing.asked]);
  }
}, 60_000);
