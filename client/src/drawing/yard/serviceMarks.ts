/** Where the letters of buried services are written along them. */
import { SERVICE_FORMS, SERVICE_PAINT, type ServiceForm } from '@katabasis/core';
import type { Thing } from './scene';
import { spotOf, type Spot, type Viewport } from './viewport';

/** Half the room that a letter takes, px. */
export const LETTER_ROOM = 13;

/** Each sort has its letter elsewhere along the first stretch, so that two that lie side by side can both be read. */
function letterSpot(form: ServiceForm, spots: readonly Spot[]): Spot {
  const [a, b] = [spots[0]!, spots[1] ?? spots[0]!];
  // Steps of the golden section: any few of them lie well apart.
  const share = 0.15 + 0.7 * ((SERVICE_FORMS.indexOf(form) * 0.618) % 1);
  return { x: a.x + share * (b.x - a.x), y: a.y + share * (b.y - a.y) };
}

export interface ServiceLetter extends Spot {
  id: string;
  letter: string;
  paint: string;
}

/** The letters of a scene's services, each where no other stands already; from afar fewer are drawn. */
export function serviceLetters(things: readonly Thing[], view: Viewport): ServiceLetter[] {
  const letters: ServiceLetter[] = [];
  for (const { id, element, places } of things) {
    if (element.kind !== 'service') continue;
    const at = letterSpot(
      element.form,
      places.map((place) => spotOf(view, place)),
    );
    if (letters.some(({ x, y }) => Math.hypot(x - at.x, y - at.y) < 2 * LETTER_ROOM)) continue;
    letters.push({ id, ...at, ...SERVICE_PAINT[element.form] });
  }
  return letters;
}
