/** Ids of new elements. */

const LETTERS = 'abcdefghijklmnopqrstuvwxyz0123456789';
const LENGTH = 12;

/**
 * A new id of a stem: random, and never made from what a job holds already. Two devices that both put in a cleanout make two cleanouts,
 * whichever of them is sent first.
 */
export function freshId(stem: string): string {
  const dice = crypto.getRandomValues(new Uint8Array(LENGTH));
  return `${stem}-${Array.from(dice, (roll) => LETTERS[roll % LETTERS.length]).join('')}`;
}
