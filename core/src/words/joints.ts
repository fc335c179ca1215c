/** What joins one pipe to another of a different make on the way down: an adapter, a boot, a reducer. */
import { MATERIAL_FACTS } from '../catalogue/pipes';
import { headOf, nameOf, ofKind, type Job } from '../job/job';
import { isLaid, type Run } from '../job/kinds';
import { showNominal, text } from '../units';

const CORRUGATED = new Set<Run['material']>(['singleWall', 'flexible', 'doubleWall']);

/** A short name within a sentence: letters that stand for words stay large. */
const inSentence = (short: string): string => (/^[A-Z]{2}/.test(short) ? short : short.toLowerCase());

/** What the joint at a run's head wants, a sentence for each pipe that comes in there of another make or size. */
export function jointWords(job: Job, run: Run): string[] {
  const { units } = headOf(job);
  return ofKind(job, 'run')
    .filter((above) => above.to === run.from && isLaid(above))
    .flatMap((above) => {
      const at = nameOf(job, run.from);
      const [one, other] = [above, run].map(({ material }) => inSentence(MATERIAL_FACTS[material].short));
      const sizes = [above, run].map(({ nominal }) => text(showNominal(nominal, units)));
      const words: string[] = [];
      if (above.material !== run.material) {
        const boot =
          above.material === 'clay' || run.material === 'clay' || above.old !== undefined || run.old !== undefined;
        const what = boot
          ? 'A flexible boot with two clamps'
          : CORRUGATED.has(above.material) === CORRUGATED.has(run.material)
            ? 'A coupler'
            : 'An adapter';
        words.push(`${what} at ${at}, from ${one} to ${other}.`);
      }
      if (above.nominal < run.nominal - 1e-6) words.push(`An increaser at ${at}, from ${sizes[0]} to ${sizes[1]}.`);
      if ((above.perforated ?? false) !== (run.perforated ?? false))
        words.push(
          `${above.perforated ? 'Perforated' : 'Solid'} pipe goes on as ${run.perforated ? 'perforated' : 'solid'} at ${at}: a coupler, joined tight.`,
        );
      return words;
    });
}
