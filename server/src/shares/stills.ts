/** A storm in four pictures on the customer's page. */
import { drawingOf, showClock, type Job, type Place, type Plan } from '@katabasis/core';
import { filmstripOf, type Still } from '@katabasis/core/simulation';
import { depthWords, stillColours } from '../sheets/stillsOnPaper';

/** Units across a picture. */
const SIDE = 440;
const EDGE = 8;

/** Nothing where no storm can be shown: no ground is measured, or the job has no rain. `esc` makes words safe for a page. */
export function stillsHtml(job: Job, plan: Plan, esc: (said: string) => string): string {
  const strip = filmstripOf(job, plan);
  const { extent, strokes } = drawingOf(job, plan, false);
  if (!strip || !extent) return '';
  const scale = SIDE / Math.max(extent.east - extent.west, extent.north - extent.south, 1);
  const x = (east: number): string => ((east - extent.west) * scale + EDGE).toFixed(0);
  const y = (north: number): string => ((extent.north - north) * scale + EDGE).toFixed(0);
  const path = (places: readonly Place[], close: boolean): string =>
    places.map(({ east, north }, k) => `${k === 0 ? 'M' : 'L'}${x(east)} ${y(north)}`).join('') + (close ? 'Z' : '');
  const [width, height] = [
    ((extent.east - extent.west) * scale + 2 * EDGE).toFixed(0),
    ((extent.north - extent.south) * scale + 2 * EDGE).toFixed(0),
  ];
  const still = ({ label, time, water, pressed, under }: Still): string => {
    const said = `${label}, ${showClock(time)}`;
    const bands = water.map((some, band) =>
      some.length === 0
        ? ''
        : `<path d="${some.map((places) => path(places, true)).join('')}" fill="${stillColours[band]!}"/>`,
    );
    const drawn = strokes.map((stroke) => {
      if (stroke.shape === 'mark') {
        if (stroke.layer !== 'inlets' && stroke.layer !== 'discharges') return '';
        const isUnder = under.includes(stroke.element?.id ?? '');
        return `<circle cx="${x(stroke.at.east)}" cy="${y(stroke.at.north)}" r="${isUnder ? 8 : 5}" fill="${isUnder ? stillColours[3]! : '#fff'}" stroke="#1d1a16"/>`;
      }
      const d = path(stroke.places, stroke.shape === 'outline');
      if (stroke.layer === 'buildings') return `<path d="${d}" fill="#fff" stroke="#1d1a16" stroke-width="2"/>`;
      if (stroke.layer !== 'pipes') return '';
      const isPressed = pressed.includes(stroke.element?.id ?? '');
      return `<path d="${d}" fill="none" stroke="${isPressed ? '#a5361f' : '#6d6455'}" stroke-width="4"/>`;
    });
    return `<figure><svg viewBox="0 0 ${width} ${height}" role="img" aria-label="The yard: ${esc(said)}">${bands.join('')}${drawn.join('')}</svg><figcaption>${esc(said)}</figcaption></figure>`;
  };
  return `<h2>What you will see in the rain</h2><p>${esc(strip.sentence)}</p><div class="stills">${strip.stills.map(still).join('')}</div><p>${esc(depthWords(job))}</p>`;
}
