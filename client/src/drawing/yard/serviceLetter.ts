/** Where the letter of a buried service stands on its way. */
import { SERVICE_FORMS, type ServiceForm } from '@katabasis/core';
import type { Spot } from './viewport';

/** Each sort has its letter elsewhere along the first stretch, so that two that lie side by side can both be read. */
export function letterSpot(form: ServiceForm, spots: readonly Spot[]): Spot {
  const [a, b] = [spots[0]!, spots[1] ?? spots[0]!];
  // Steps of the golden section: any few of them lie well apart.
  const share = 0.15 + 0.7 * ((SERVICE_FORMS.indexOf(form) * 0.618) % 1);
  return { x: a.x + share * (b.x - a.x), y: a.y + share * (b.y - a.y) };
}
/** Half the room that it takes, px. */
export const LETTER_ROOM = 13;
