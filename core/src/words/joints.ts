/** What joins one pipe to another of a different make on the way down: an adapter, a boot, a reducer. */
import { MATERIAL_FACTS } from '../catalogue/pipes';
import { headOf, nameOf, ofKind, type Job } from '../job/job';
import { isLaid, type Run } from '../job/kinds';
import { jointOf } from '../network/joints';
import { showNominal, text } from '../units';

const MAKES = { boot: 'A flexible boot with two clamps', coupler: 'A coupler', adapter: 'An adapter' };

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
      const { makes, increases, wall } = jointOf(above, run);
      if (makes) words.push(`${MAKES[makes]} at ${at}, from ${one} to ${other}.`);
      if (increases) words.push(`An increaser at ${at}, from ${sizes[0]} to ${sizes[1]}.`);
      if (wall)
        words.push(
          `${above.perforated ? 'Perforated' : 'Solid'} pipe goes on as ${run.perforated ? 'perforated' : 'solid'} at ${at}: a coupler, joined tight.`,
        );
      return words;
    });
}
