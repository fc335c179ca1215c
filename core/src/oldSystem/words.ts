/** An old system in words: what is not known of it, how it stands, and what to look at next. */
import { MATERIAL_FACTS } from '../catalogue/pipes';
import { elementOf, headOf, nameOf, type Job } from '../job/job';
import { unknownFall } from '../job/oldPipe';
import { showNominal, showPitch, text } from '../units';
import type { Look, LookKind } from './looks';
import type { Unknown } from './unknowns';
import type { Worlds } from './worlds';

const inTen = (chance: number): number => Math.round(chance * 10);

/** How it stands: what is promised only where every way holds. */
export function standsWords({ unknowns, holds, worst }: Worlds): string {
  if (unknowns.length === 0) return 'Everything that counts of the old pipe is known.';
  if (worst === null) return 'However the old pipe lies, it holds.';
  if (holds <= 1e-9) return 'However the old pipe lies, it does not hold.';
  const often = inTen(holds);
  const so = often === 0 ? 'fewer than 1' : often === 10 ? 'more than 9' : String(often);
  return `It holds in ${so} of 10 ways that the old pipe may lie.`;
}

/** One thing that is not known. */
export function unknownWords(job: Job, { run, of }: Unknown): string {
  const { units } = headOf(job);
  const pipe = elementOf(job, 'run', run)!;
  switch (of) {
    case 'fall': {
      const { least, most } = unknownFall(pipe)!;
      return `How it falls: ${text(showPitch(least))} to ${text(showPitch(most))}`;
    }
    case 'state':
      return 'What state it is in: nobody has looked into it';
    case 'size':
      return `Its size: guessed to be ${text(showNominal(pipe.nominal, units))}`;
    case 'material':
      return `What it is made of: guessed to be ${MATERIAL_FACTS[pipe.material].label}`;
  }
}

const LOOK_WORDS: Record<LookKind, string> = {
  end: 'Look into its end: size and material',
  levels: 'Lift both lids and read its inverts',
  hose: 'Pour a hose into it and see that it comes out',
  camera: 'Push a camera or a rod through it',
  pit: 'Dig down to it at one place: size and material',
  twoPits: 'Dig down to it near each end: its fall, size and material',
};

/** A look with what it takes and gives. */
export function lookWords(job: Job, { kind, run, hours, settles }: Look): { title: string; about: string } {
  const minutes = Math.round(hours * 60);
  const takes = minutes < 60 ? `${minutes} min` : `${hours} h`;
  const often = inTen(settles);
  const gives =
    often >= 10
      ? 'then it is known'
      : often === 0
        ? 'it narrows it down'
        : `in ${often} of 10 cases it is known then, else narrowed down`;
  return { title: `${nameOf(job, run)}: ${LOOK_WORDS[kind]}`, about: `About ${takes}; ${gives}` };
}
