/** All jars that a company has tried, taken together: two kinds beside each other wherever both stood in one test. */
import type { CompanyJars } from '../../api/jars';
import { ofKind, type Job } from '../../job/job';
import type { JarFill } from '../../job/kinds';
import { medianRange, type MedianRange } from '../../numeric/medianRange';
import { FILL_FACTS } from './fills';
import { rankJars } from './rank';

export type JarTest = CompanyJars['tests'][number];

/** The tests of one job, as the company keeps them. */
export const jarTestsOf = (job: Job): Pick<JarTest, 'on' | 'soil' | 'tries'>[] =>
  ofKind(job, 'visit').flatMap(({ at, test, said }) =>
    test.type === 'jars' && said ? [{ on: at.slice(0, 10), soil: test.soil, tries: test.tries }] : [],
  );

export interface SideBySide {
  fill: JarFill;
  beside: JarFill;
  /** How many times as long the second takes. */
  times: MedianRange;
  /** Tests in which each let soil through. */
  muddy: readonly [number, number];
}

/** Every two kinds of one question that stood in the same test, the faster first. */
export function sideBySide(tests: readonly Pick<JarTest, 'tries'>[], school: string): SideBySide[] {
  const fills = (Object.keys(FILL_FACTS) as JarFill[]).filter((fill) => FILL_FACTS[fill].side?.school === school);
  return fills.flatMap((a, k) =>
    fills.slice(k + 1).flatMap((b): SideBySide[] => {
      const both = tests.flatMap(({ tries }) => {
        const ranked = rankJars(tries);
        const [own, other] = [a, b].map((fill) => ranked.find(({ jar }) => jar.fill === fill));
        return own && other ? [[own, other] as const] : [];
      });
      const times = medianRange(both.map(([own, other]) => other.seconds / own.seconds));
      if (!times) return [];
      const soiled = (of: 0 | 1): number => both.filter((each) => each[of].jar.colour === 'muddy').length;
      const muddy = [soiled(0), soiled(1)] as const;
      if (times.median >= 1) return [{ fill: a, beside: b, times, muddy }];
      const turned = { ...times, median: 1 / times.median, low: 1 / times.high, high: 1 / times.low };
      return [{ fill: b, beside: a, times: turned, muddy: [muddy[1], muddy[0]] }];
    }),
  );
}

/** `Non-woven fabric lets water through 1.9 times as fast as Sock (1.6 to 2.2, of 3 tests of your own). Soil came through Sock in 1 of them.` */
export function sideBySideWords({ fill, beside, times: { median, low, high, count }, muddy }: SideBySide): string {
  const [a, b] = [FILL_FACTS[fill].label, FILL_FACTS[beside].label];
  const range = count > 1 ? `${low.toFixed(1)} to ${high.toFixed(1)}, ` : '';
  const of = count === 1 ? 'one test' : `${count} tests`;
  const soil = ([a, b] as const).flatMap((label, k) =>
    muddy[k]! > 0 ? [`Soil came through ${label} in ${muddy[k]} of ${count}.`] : [],
  );
  return [
    `${a} lets water through ${median.toFixed(1)} times as fast as ${b} (${range}${of} of your own).`,
    ...soil,
  ].join(' ');
}
