/** What jars came to, in words. */
import { watch } from '../figures';
import { fillLabel } from './fills';
import { rankJars, type Jar, type Ranked } from './rank';

/** Surer than this two are told apart. */
const TOLD_APART = 0.9;

const times = (ratio: number): string => ratio.toFixed(ratio < 10 ? 1 : 0);

/** Stands at the head of a rank that its repeats do not carry. */
const doubtful = ({ sure }: Ranked): boolean => sure !== null && sure < TOLD_APART;

/** One jar in a line: `Sock: 1 min 20 s, cloudy; 1.9 times as long (1.6 to 2.2)`. */
export function jarWords({ jar, seconds, beside }: Ranked): string {
  const tries = jar.seconds.length === 1 ? 'once' : `${jar.seconds.length} times`;
  const head = `${fillLabel(jar)}: ${watch(Math.round(seconds))}, ${jar.colour}, tried ${tries}`;
  if (beside === null) return head;
  const range = beside.low === null ? '' : ` (${times(beside.low)} to ${times(beside.high!)})`;
  return `${head}; ${times(beside.ratio)} times as long as the first${range}`;
}

/** What the whole comes to: the best, what is not told apart from it, and what lets soil through. */
export function jarsSentence(tries: readonly Jar[]): string {
  const ranked = rankJars(tries);
  const [first, second] = ranked as [Ranked, Ranked | undefined];
  if (!second) return `${jarWords(first)}. One jar by itself tells nothing: try another beside it.`;
  const once = tries.every(({ seconds }) => seconds.length === 1);
  const best =
    first.jar.colour === 'muddy'
      ? 'All of them let soil through'
      : `${fillLabel(first.jar)} is best: ${watch(Math.round(first.seconds))}, ${first.jar.colour}`;
  const lets = ranked.filter(({ jar }) => jar.colour === 'muddy').map(({ jar }) => fillLabel(jar));
  const parts = [
    `${best}.`,
    ...(once
      ? ['Each was tried once: nobody knows how much of it is chance. Try each again.']
      : doubtful(second)
        ? [`It is not told apart from ${fillLabel(second.jar)} yet: try both again.`]
        : []),
    ...(lets.length > 0 && first.jar.colour !== 'muddy' ? [`Soil comes through ${lets.join(' and ')}.`] : []),
  ];
  return parts.join(' ');
}
