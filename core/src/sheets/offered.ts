/** What a quote offers, as one text that reads the same wherever it is made: what a customer accepts, and what its hash is taken of. */
import type { Quote } from './quote';

/** Letterhead and picture are not in it: a new telephone number changes no offer. */
export function offeredText({ head, scope, promise, price, options, ways, excluded, cautions, terms }: Quote): string {
  const part = (title: string, lines: readonly string[]): string[] => (lines.length > 0 ? [title, ...lines, ''] : []);
  const amounts = (each: readonly { said: string; amount: string }[]): string[] =>
    each.map(({ said, amount }) => `${said}: ${amount}`);
  return [
    ...part('Offer', head),
    ...part('What is done', [...scope, ...promise]),
    ...part('Price', amounts(price)),
    ...part('To choose from', amounts(options)),
    ...ways.flatMap(({ question, said }) => part(question, said)),
    ...part('Not in it', excluded),
    ...part('To know', [...cautions, ...terms]),
  ].join('\n');
}
