/** How buried services are marked: ground paint is everybody's, and a letter says it too. */
import { SERVICE_FORMS, type ServiceForm } from '@katabasis/core';
import type { Thing } from './scene';
import { spotOf, type Spot, type Viewport } from './viewport';

export const SERVICE_PAINT: Record<ServiceForm, { letter: string; paint: string }> = {
  power: { letter: 'E', paint: '#c8102e' },
  gas: { letter: 'G', paint: '#b58900' },
  water: { letter: 'W', paint: '#1976b8' },
  sewer: { letter: 'S', paint: '#1b7a3d' },
  telecom: { letter: 'T', paint: '#d35400' },
  irrigation: { letter: 'IR', paint: '#7d3c98' },
  lighting: { letter: 'L', paint: '#c8102e' },
  invisibleFence: { letter: 'F', paint: '#d35400' },
  septicField: { letter: 'SF', paint: '#1b7a3d' },
  well: { letter: 'WL', paint: '#1976b8' },
};

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
