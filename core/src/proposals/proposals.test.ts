/** Whole plans proposed: sound, no dearer than what was drawn by hand, the same each time, and nothing that stood is lost. */
import { applyChange, changed } from '../job/change';
import { jobFaults } from '../job/faults';
import { jobFrom, ofKind, rainOf, type Job } from '../job/job';
import { isLaid, type Barrier, type Channel, type Element } from '../job/kinds';
import { placeAlong, wayOfRun } from '../job/places';
import { quillfeather } from '../samples';
import { standingOf } from '../schools/difference';
import { basin, jobOf, out, pipe, spout } from '../testing/parts';
import { footOnWay, type Place } from '../site/place';
import { at, bowl, levelled } from '../testing/levelledYard';
import { AT_WALL, mostInHouse } from '../trial/proposalsTrial';
import { seededPlot } from '../trial/seededPlot';
import { seededWhole } from '../trial/seededWhole';
import { walkOf } from '../trial/walk/walk';
import { planJob } from '../verdict/planJob';
import { wantedIn } from './ends';
import { proposalsOf, withFreshIds, type Laid, type Proposal } from './proposals';
import { cutOffWords, lackWords, proposalSaid } from './words';

const without = (job: Job, ids: readonly string[]): Job => ({ id: job.id, elements: job.elements.with([], ids) });
const bare = (job: Job): Job =>
  without(
    job,
    [...ofKind(job, 'run'), ...ofKind(job, 'junction')].map(({ id }) => id),
  );
/** What a proposal leaves without a way on. */
const unled = ({ job }: Proposal, ends: readonly { id: string }[]): string[] => {
  const leads = new Set(
    ofKind(job, 'run')
      .filter(isLaid)
      .map(({ from }) => from),
  );
  return ends.flatMap(({ id }) => (leads.has(id) ? [] : [id]));
};
describe('the clinic, of which nothing is drawn but what stands there', () => {
  const drawn = quillfeather();
  const job = bare(drawn);
  const all = proposalsOf(job);
  const [least] = all.found as [Proposal];

  it('has a plan without a Stop that leads off every inlet, round the house, for less than the one drawn by hand', () => {
    expect(planJob(drawn).verdict.state).toBe('stop');
    expect([least.stops, least.fixes]).toEqual([0, 0]);
    expect(all.wanted.ends.map(({ id }) => id).sort()).toEqual(['basin', 'ds1', 'ds2', 'ds3', 'kennelDrain']);
    for (const proposal of all.found) {
      expect(unled(proposal, all.wanted.ends)).toEqual([]);
      // A leader stands at a wall, and its line begins there.
      expect(mostInHouse(job, proposal.job)).toBeLessThan(AT_WALL);
    }
    expect(least.standing.asked).toBeLessThan(standingOf(drawn, planJob(drawn)).asked);
    expect(walkOf(least.job, least.plan)).toEqual([]);
  });

  it('is told which is which, and why', () => {
    expect(all.found.map(({ aim }) => aim)).toEqual(['cost', 'reserve']);
    const [cost, reserve] = all.found.map((proposal) => proposalSaid(job, proposal, all));
    expect(cost!.why.join(' ')).toMatch(/^5 inlets joined by 4 wyes, .+ The cheapest of \d plans laid out here; /);
    expect(reserve!.why.join(' ')).toMatch(/^Each of 5 inlets has a line of its own, .+ drowns no other, for \$/);
  });

  it('is the same to the last bit when it is asked again', () => {
    const again = proposalsOf(bare(quillfeather()));
    expect(JSON.stringify(again.found.map(({ change }) => change))).toBe(
      JSON.stringify(all.found.map(({ change }) => change)),
    );
  });

  it('is taken in one change that one undo takes back, with ids of its own each time', () => {
    const change = withFreshIds(job, least.change);
    const taken = applyChange(job, change);
    expect(jobFaults(taken.job)).toEqual([]);
    expect(planJob(taken.job).verdict.sentence).toBe(least.plan.verdict.sentence);
    expect(applyChange(taken.job, taken.inverse).job.elements.all).toEqual(job.elements.all);
    const other = withFreshIds(job, least.change);
    const ids = new Set(change.puts.map(({ id }) => id).filter((id) => !job.elements.has(id)));
    expect(other.puts.filter(({ id }) => ids.has(id))).toEqual([]);
  });
});

it('what is drawn stays where something has no line yet, and what has one can be joined', () => {
  const drawn = quillfeather();
  const job = without(
    drawn,
    ofKind(drawn, 'run')
      .filter(({ from }) => from === 'basin')
      .map(({ id }) => id),
  );
  const all = proposalsOf(job);
  expect(all.wanted).toMatchObject({ anew: false, ends: [{ id: 'basin' }] });
  for (const run of ofKind(job, 'run')) expect(all.found[0]!.job.elements.get(run.id)).toEqual(run);
});

it('what leads to something without a line is none to be joined: no line leads round to itself', () => {
  const job = jobOf(
    ...levelled(({ north }) => 1 - 0.03 * north),
    basin({ id: 'above', name: 'Above', place: at(4, 4), levelFrom: 'ground' }),
    basin({ id: 'below', name: 'Below', place: at(6, 5), levelFrom: 'ground' }),
    pipe('above', { to: 'below', lengthFrom: 'plan' }),
    out({ place: at(12, 23.5), groundLevel: -0.4 }),
  );
  const all = proposalsOf(job);
  expect([all.wanted.ends.map(({ id }) => id), all.wanted.roots.map(({ id }) => id)]).toEqual([['below'], ['out']]);
  expect(jobFaults(applyChange(job, all.found[0]!.change).job)).toEqual([]);
});

it('a whole plan is proposed anew where all is led off, and the drawn one is kept aside', () => {
  const job = quillfeather();
  const all = proposalsOf(job);
  expect(all.wanted.anew).toBe(true);
  const then = applyChange(job, all.found[0]!.change).job;
  expect(jobFaults(then)).toEqual([]);
  expect(ofKind(then, 'variant')).toHaveLength(ofKind(job, 'variant').length + 1);
});

it('says what lacks: a way out, anything to lead off; and names what walls bar', () => {
  const place = at(4, 12);
  expect(proposalsOf(jobOf(spout({ place }))).missing).toEqual(['wayOut', 'levels']);
  expect(proposalsOf(jobOf(out({ place }))).missing.map(lackWords)[0]).toMatch(/^Nothing wants a line/);
  const wall: Barrier = {
    id: 'wall',
    kind: 'barrier',
    name: 'Wall',
    form: 'wall',
    way: [at(8, 8), at(16, 8), at(16, 16), at(8, 16), at(8, 8)],
  };
  const yard = (...more: Element[]): Job =>
    jobOf(
      ...levelled(({ north }) => 1 - 0.03 * north),
      wall,
      basin({ place: at(12, 12), levelFrom: 'ground' }),
      out({ place: at(12, 23), groundLevel: -1 }),
      ...more,
    );
  expect(proposalsOf(yard()).missing).toEqual(['ways']);
  const other = proposalsOf(yard(basin({ id: 'free', name: 'Free', place: at(4, 4), levelFrom: 'ground' })));
  expect(other.found[0]!.layout.cutOff).toEqual(['basin']);
  expect(cutOffWords(other.wanted.job, other.found[0]!)).toMatch(
    /^No trench comes to Basin: walls and houses bar every way/,
  );
});

it('where the cheapest way round is too long to fall the shorter one is proposed, and no pump', () => {
  const court: Element = {
    id: 'court',
    kind: 'surface',
    name: 'Court',
    cover: 'paving',
    outline: [at(7, 5), at(17, 5), at(17, 19), at(7, 19)],
    feeds: [],
  };
  const end = (groundLevel: number): Job =>
    jobOf(
      ...levelled(() => 0),
      basin({ place: at(2, 12), levelFrom: 'ground' }),
      out({ place: at(22, 12), groundLevel }),
      court,
    );
  // Under 12 in of ground and 4 in of pipe a line leaves at 0.4 m: 20 m across the court fall to 0.6 at a hundredth, 27 m round it do not.
  const all = proposalsOf(end(-0.6));
  expect(all.laid.find(({ layout }) => layout.kind === 'joined')!.stops).toBeGreaterThan(0);
  const [best] = all.found as [Proposal];
  expect([best.layout.kind, best.stops]).toEqual(['short', 0]);
  expect(best.pipe).toBeCloseTo(20, 0);
  expect(proposalSaid(end(-0.6), best, all).why[1]).toMatch(/^Cheaper trenches go further round, and do not fall/);
  // With fall enough for both what they cost decides.
  const both = proposalsOf(end(-0.9));
  const costs = both.laid.filter(({ stops }) => stops === 0).map(({ standing }) => standing.asked);
  expect(both.found[0]!.standing.asked).toBe(Math.min(...costs));
});

it('where nothing falls far enough says by how much, and proposes the pump that lifts it', () => {
  const job = jobOf(
    ...levelled(({ north }) => 1 - 0.03 * north),
    basin({ place: at(12, 20), levelFrom: 'ground' }),
    out({ name: 'Ditch', place: at(12, 1), groundLevel: 0.9 }),
  );
  const all = proposalsOf(job);
  const [best] = all.found as [Proposal];
  expect([best.layout.kind, best.stops]).toEqual(['pumped', 0]);
  expect(proposalSaid(job, best, all).why[1].replace(/\s/g, ' ')).toMatch(
    /^Nothing falls far enough: Line A lacks 1,\d+ mm of fall: .+ A pump lifts all of it/,
  );
  const pump = ofKind(best.job, 'discharge').find(({ form }) => form === 'pump')!;
  // 19 m away, and over the ground there.
  expect(pump.pump).toMatchObject({ mainLength: expect.closeTo(19, 0), outletLevel: expect.closeTo(1, 6) });
  expect(applyChange(job, best.change).job.elements.get('out')).toEqual(job.elements.get('out'));
});

describe('what is asked besides', () => {
  const drawn = quillfeather();
  it('what is left out keeps the line that it has, and the rest is planned round it', () => {
    const all = proposalsOf(drawn, { leaveOut: ['ds1', 'ds2'], notHere: [] });
    expect(all.wanted.ends.map(({ id }) => id).sort()).toEqual(['basin', 'ds3', 'kennelDrain']);
    expect(all.wanted.couldBe).toHaveLength(5);
    const kept = ofKind(drawn, 'run').filter(({ from }) => from === 'ds1' || from === 'ds2');
    expect(kept.length).toBeGreaterThan(0);
    for (const run of kept) expect(all.found[0]!.job.elements.get(run.id)).toEqual(run);
    expect(unled(all.found[0]!, all.wanted.ends)).toEqual([]);
  });

  it('what is told as the cheapest is, though another that leaves more to mend would cost less', () => {
    const others = ['ds1', 'ds2', 'ds3', 'basin'];
    const { found, laid } = proposalsOf(drawn, { leaveOut: others, notHere: [] });
    const asked = ({ standing }: Laid): number => standing.asked;
    expect(Math.min(...laid.map(asked))).toBeLessThan(asked(found[0]!));
    expect(Math.min(...found.map(asked))).toBe(asked(found[0]!));
  });

  it('where one line is all that is wanted larger pipe keeps more in reserve, if that would be seen', () => {
    const heavy = changed(drawn, {
      puts: [{ ...rainOf(drawn)!, intensity: 4e-4, source: { type: 'typed' } }],
      removes: [],
    });
    const others = ['ds1', 'ds2', 'basin', 'kennelDrain'];
    const [least, ...more] = proposalsOf(bare(heavy), { leaveOut: others, notHere: [] }).found;
    const room = more.find(({ aim }) => aim === 'reserve')!;
    const sizes = ({ job }: Proposal): number[] =>
      ofKind(job, 'run')
        .filter(({ id }) => !heavy.elements.has(id))
        .map(({ nominal }) => nominal);
    expect(room.layout.kind).toBe('roomier');
    expect(Math.min(...sizes(room))).toBeGreaterThan(Math.min(...sizes(least!)));
    expect(room.standing.asked).toBeGreaterThan(least!.standing.asked);
    expect([room.stops <= least!.stops, room.fixes <= least!.fixes]).toEqual([true, true]);
  });

  it('one wet place alone has a line of its own; with nothing to lead off that is said', () => {
    const job = bare(drawn);
    const only = proposalsOf(job, { leaveOut: ['ds1', 'ds2', 'ds3', 'kennelDrain'], notHere: [] });
    expect(only.wanted.ends.map(({ id }) => id)).toEqual(['basin']);
    expect(ofKind(only.found[0]!.job, 'junction').filter(({ form }) => form === 'wye')).toEqual([]);
    const none = proposalsOf(job, { leaveOut: ['ds1', 'ds2', 'ds3', 'kennelDrain', 'basin'], notHere: [] });
    expect([none.found, none.missing]).toEqual([[], ['sources']]);
  });

  it('no line goes where somebody said so', () => {
    const job = seededPlot(3);
    const before = proposalsOf(job).found[0]!;
    const run = ofKind(before.job, 'run').find(({ length }) => length > 5)!;
    const patch = { place: placeAlong(wayOfRun(before.job, run)!, run.length / 2), reach: 1.5 };
    const all = proposalsOf(job, { leaveOut: [], notHere: [patch] });
    for (const proposal of all.found)
      for (const each of ofKind(proposal.job, 'run')) {
        const way = job.elements.has(each.id) ? null : wayOfRun(proposal.job, each);
        if (way) expect(footOnWay(way, patch.place)!.distance).toBeGreaterThan(patch.reach - 0.5);
      }
    expect(all.found[0]!.standing.asked).toBeGreaterThanOrEqual(before.standing.asked);
  });
});

describe('inlets that a yard wants', () => {
  const paved = (fall: number, ...more: Element[]): Job =>
    jobOf(
      ...levelled(({ north }) => 1 + fall * north - 0.02 * Math.max(0, north - 18)),
      { id: 'house', kind: 'building', name: 'House', outline: [at(8, 0), at(16, 0), at(16, 6), at(8, 6)] },
      {
        id: 'door',
        kind: 'opening',
        name: 'Garage',
        form: 'garageDoor',
        building: 'house',
        wall: 2,
        width: 3,
        sillLevel: 1.25,
      },
      {
        id: 'drive',
        kind: 'surface',
        name: 'Drive',
        cover: 'paving',
        outline: [at(9, 6), at(15, 6), at(15, 18), at(9, 18)],
        feeds: [],
      },
      out({ place: at(2, 1), groundLevel: -0.3 }),
      ...more,
    );

  it('a channel before a door that paving sheds to, beyond it on both sides, and none where it falls away or one lies there', () => {
    const all = proposalsOf(paved(0.03));
    const [channel] = all.wanted.fresh as [Channel];
    expect(channel).toMatchObject({ kind: 'channel', name: 'Channel at Garage' });
    expect(channel.length).toBeCloseTo(3.6, 6);
    for (const { north } of channel.way!) expect(north).toBeCloseTo(6.3, 6);
    const [there] = ofKind(all.found[0]!.job, 'channel');
    expect(unled(all.found[0]!, [there!])).toEqual([]);
    expect(wantedIn(paved(0.03, there!)).fresh).toEqual([]);
    expect(wantedIn(paved(-0.03)).fresh.filter(({ kind }) => kind === 'channel')).toEqual([]);
  });

  it('a drain under ground that is soft whatever the sky does, led off; a pond alone gets a basin', () => {
    const soft: Element = { id: 'soft', kind: 'wetSpot', name: 'Soft', form: 'soft', place: at(12, 16), hours: 60 };
    const job = jobOf(
      ...levelled(({ north }) => 1 - 0.03 * north),
      out({ place: at(12, 23.5), groundLevel: -0.6 }),
      soft,
    );
    const all = proposalsOf(job);
    expect(all.wanted.fresh.map(({ kind }) => kind)).toEqual(['drainField']);
    expect(unled(all.found[0]!, ofKind(all.found[0]!.job, 'drainField'))).toEqual([]);
    const pond = jobOf(...levelled(bowl), out({ place: at(12, 23.5), groundLevel: 0 }));
    expect(wantedIn(pond).fresh.map(({ kind }) => kind)).toEqual(['basin']);
  });
});

it('a yard that is mirrored or moved has proposals of the same price, within a hundredth', () => {
  const costs = (job: Job): number[] => proposalsOf(job).found.map(({ standing }) => standing.asked);
  for (const seed of [3]) {
    const job = seededPlot(seed);
    const as = (move: (place: Place) => Place): Job =>
      jobFrom(
        job.id,
        job.elements.all.map((element) => {
          const next: Record<string, unknown> = { ...element };
          if ('place' in element && element.place) next.place = move(element.place);
          if ('outline' in element && element.outline) next.outline = element.outline.map(move);
          return next as unknown as Element;
        }),
      );
    const here = costs(job);
    for (const there of [
      costs(as(({ east, north }) => ({ east: -east, north }))),
      costs(as(({ east, north }) => ({ east: east + 400, north: north - 90 }))),
    ]) {
      expect([seed, there.length]).toEqual([seed, here.length]);
      there.forEach((cost, k) => expect(Math.abs(cost / here[k]! - 1)).toBeLessThan(0.01));
    }
  }
}, 120_000);

it('over random yards takes no fault with it, runs through no house, and what is told to hold stands the walk', () => {
  let found = 0;
  for (let seed = 1; seed <= 4; seed++) {
    const job = seededWhole(seed);
    const all = proposalsOf(job);
    for (const proposal of all.found) {
      found++;
      const then = applyChange(job, proposal.change).job;
      expect([seed, jobFaults(then)]).toEqual([seed, []]);
      expect([seed, mostInHouse(job, proposal.job) < AT_WALL]).toEqual([seed, true]);
      if (proposal.plan.verdict.state === 'holds')
        expect([seed, walkOf(proposal.job, proposal.plan)]).toEqual([seed, []]);
    }
  }
  expect(found).toBeGreaterThan(4);
}, 120_000);
