import { changed, put } from '../job/change';
import { jobFrom, ofKind, type Job } from '../job/job';
import type { Element } from '../job/kinds';
import { planJob } from '../verdict/planJob';
import { brackenfold, quillfeather } from '../samples';
import type { Place } from '../site/place';
import { basin, jobOf, out, pipe, spout } from '../testing/parts';
import type { Shown } from '../units';
import { diagnose, type Evidence } from '../yard/diagnosis';
import { nextLevels } from '../yard/nextLevel';
import { seenOf } from '../yard/seen';
import { waysOut } from '../yard/waysOut';
import { markWords } from './marks';
import { nextWords, seenWords, suggestionWords, wayOutWords, waysOutWords, whyWords } from './yard';

const at = (east: number, north: number): Place => ({ east, north });
const plain = (text: string): string => text.replaceAll('\u00a0', ' ');
const shown = (figure: Shown | string | null): string =>
  plain(figure === null ? '' : typeof figure === 'string' ? figure : `${figure.value} ${figure.unit}`.trim());

describe('beside a mark', () => {
  const job = quillfeather();
  const plan = planJob(job);
  const figure = (id: string): string => shown(markWords(job, plan, job.elements.get(id)!).figure);

  it('stands the one figure that matters, in the job’s units', () => {
    expect(figure('swale')).toBe('−2′ 10 3/4″');
    expect(figure('basin')).toBe('20.1 gpm');
    expect(figure('ds1')).toBe('73.6 gpm');
    expect(figure('clinic')).toBe('+1 1/4″');
    expect(figure('kennelDoor')).toBe('0′');
    expect(figure('trunkLower')).toBe('0.50 %');
    expect(figure('parking')).toBe('900 ft²');
    expect(figure('wetLawn')).toBe('3 in');
    expect(figure('pear')).toBe('15′');
    expect(figure('gas')).toBe('3′ 6″');
    expect(figure('lawnFence')).toBe('126′');
    expect(figure('wye1')).toBe('');
    expect(figure('levelLawn3')).toMatch(/^−\d/);
  });

  it('every element of both samples has a name and a figure that is whole, or none', () => {
    for (const sample of [quillfeather(), brackenfold()]) {
      const planned = planJob(sample);
      for (const element of sample.elements) {
        const { name, figure: told } = markWords(sample, planned, element);
        expect(name).not.toBe('');
        expect(shown(told)).not.toMatch(/NaN|undefined|Infinity/);
      }
    }
  });

  it('an unknown depth is said to be that', () => {
    const service: Element = { id: 'gas', kind: 'service', name: 'Gas', form: 'gas', way: [at(0, 0), at(1, 0)] };
    const yard = jobOf(service);
    expect(shown(markWords(yard, planJob(yard), service).figure)).toBe('depth not known');
  });
});

describe('in sentences', () => {
  const wetAt = (job: Job) => whyWords(job, diagnose(job, ofKind(job, 'wetSpot')[0]!)!);

  it('why it is wet: each cause with what speaks for it, in whole words and figures', () => {
    const words = wetAt(quillfeather());
    expect(words.headline).toBe('Water from the surface and water in the ground');
    const told = plain(words.causes.flatMap(({ title, because }) => [title, ...because]).join('\n'));
    expect(told).toMatch(/The levels make a hollow here, \d.* in deep over [\d,]+ ft²; it holds [\d,.]+ gal\./);
    expect(told).toContain('It was still wet 30 hours after the rain.');
    expect(told).not.toMatch(/undefined|NaN/);
    expect(words.doubts).toEqual([]);
  });

  it('says every piece of evidence and every doubt in one sentence', () => {
    const all: Evidence[] = [
      { type: 'pond', depth: 0.05, area: 4, volume: 0.1 },
      { type: 'runsOff' },
      { type: 'notLevelled' },
      { type: 'downspout', id: 'ds1', loose: true },
      { type: 'steady', id: 'ds2' },
      { type: 'slowSoil', soil: 'clay', tested: false },
      { type: 'fastSoil', soil: 'sand', tested: true },
      { type: 'stays', hours: 48 },
      { type: 'soft' },
      { type: 'gathers', area: 300 },
      { type: 'towardWall', building: 'clinic', fall: 0.05 },
    ];
    const words = whyWords(quillfeather(), {
      wet: 'wetLawn',
      causes: [{ cause: 'surface', likely: false, evidence: all }],
      doubts: ['levelHere', 'soilTest', 'hoursAfter', 'inDry'],
      suggestions: [],
      pond: null,
    });
    expect(words.headline).toBe('Not clear yet why it is wet');
    expect(words.causes[0]!.title).toBe('Water from the surface, perhaps');
    expect(words.causes[0]!.because).toHaveLength(all.length);
    for (const sentence of [...words.causes[0]!.because, ...words.doubts]) expect(sentence).toMatch(/^[A-Z0-9].*\.$/);
    expect(words.causes[0]!.because.join(' ')).toContain('Clay takes water slowly (the job’s usual soil, not tested).');
  });

  it('suggestions are what a button would say', () => {
    const job = quillfeather();
    expect(suggestionWords(job, { type: 'leadOff', downspout: 'ds1' })).toBe('Lead Street downspout off in solid pipe');
    for (const type of ['channel', 'regrade'] as const) expect(suggestionWords(job, { type })).not.toBe('');
    const place = { east: 0, north: 0 };
    for (const type of ['subsurfaceDrain', 'drainField', 'rainGarden', 'swale', 'pump'] as const)
      expect(suggestionWords(job, { type, place })).toMatch(/^[A-Z]/);
  });

  it('what was seen beside the levels, and where the next one is wanted', () => {
    const job = quillfeather();
    expect(plain(seenWords(job, seenOf(job)[0]!)!)).toMatch(/^Wet lawn: the levels hold .* of water there\.$/);
    const away = changed(
      job,
      put('Away', { id: 'far', kind: 'wetSpot', name: 'Far', form: 'standing', place: at(500, 500) }),
    );
    expect(
      seenWords(
        away,
        seenOf(away).find(({ wet }) => wet.id === 'far')!,
      ),
    ).toBe('Far lies outside of what was levelled: no telling yet.');
    const next = nextLevels(job, 8);
    expect(next.length).toBeGreaterThan(0);
    for (const each of next) expect(nextWords(job, each)).toMatch(/\.$/);
    // The nearer a level stands already, the less another one beside it is asked for.
    for (const { place } of next)
      for (const spot of ofKind(job, 'spotLevel'))
        expect(Math.hypot(place.east - spot.place!.east, place.north - spot.place!.north)).toBeGreaterThanOrEqual(0.6);
  });

  it('ways out: fall, length and what speaks against each; none at all where there is none', () => {
    const job = quillfeather();
    const [way] = waysOut(job)!.ways;
    const words = wayOutWords(job, way!);
    expect(plain(words.fall)).toMatch(
      /^Too flat for small pipe over \d+′ .*; a large smooth one reaches with .* in to spare$/,
    );
    expect(words.against).toEqual(['crosses Power to the east wall, Exercise fence and Gas main to the east wall']);
    expect(waysOutWords(job, [])).toMatch(/^No way out is on the plan yet/);
    expect(waysOut(jobFrom('j', [ofKind(job, 'job')[0]!]))).toBeNull();
    const steep = jobOf(
      spout({ place: at(0, 0) }),
      out({ place: at(20, 0), form: 'popup', groundLevel: -2, assumed: true, consent: 'needed', bank: undefined }),
      out({ id: 'two', place: at(0, 30), bank: undefined }),
    );
    const found = waysOut(steep)!.ways;
    expect(waysOutWords(steep, found)).toMatch(/is best of 2 that gravity reaches\.$/);
    const popup = found.find(({ id }) => id === 'out')!;
    expect(wayOutWords(steep, popup).against).toEqual([
      'wants consent or a permit',
      'its line stays full after rain',
      'its level is assumed',
      'its lid freezes shut',
    ]);
    // 1.2 m of fall over 30 m comes out fast on soil, until stone is laid there.
    const open = (stone: boolean): string[] =>
      waysOut(jobOf(spout({ place: at(0, 0) }), out({ place: at(0, 30), groundLevel: -2, bank: undefined, stone })))!
        .ways.flatMap((each) => wayOutWords(steep, each).against)
        .filter((each) => each.includes('stone'));
    expect(open(false)).toEqual(['comes out fast: stone under it']);
    expect(open(true)).toEqual([]);
  });

  it('a house between is walked round, and no length is told through it', () => {
    const job = jobOf(
      basin({ place: at(0, 0) }),
      out({ place: at(30, 0), groundLevel: -2, bank: undefined }),
      { id: 'house', kind: 'building', name: 'House', outline: [at(10, -5), at(20, -5), at(20, 5), at(10, 5)] },
      pipe('basin'),
    );
    const [way] = waysOut(job)!.ways;
    expect(way!.length).toBeGreaterThan(31);
    expect(way!.length).toBeLessThan(34);
    expect(way!.obstacles).toEqual([]);
  });
});
