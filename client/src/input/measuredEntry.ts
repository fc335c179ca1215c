/** What is measured on a visit, as it is typed: times on a watch, what goes into a bucket or comes out of a sump. */
import { parseLength, parseVolume, parseWatch, showVolume, text, type UnitSystem } from '@katabasis/core';
import { showGrit, showRainDepth, watch } from '@katabasis/core/visits';
import type { Entry } from './entry';

export const watchEntry: Entry = { show: watch, parse: parseWatch, unit: 's', inputMode: 'text' };

/** m³ at most. */
const LARGEST = 0.25;

export const bucketEntry = (units: UnitSystem): Entry => ({
  show: (value) => text(showVolume(value, units)),
  unit: units === 'us' ? 'gal' : 'L',
  inputMode: 'text',
  parse: (typed) => {
    const read = parseVolume(typed, units);
    if (!read.ok || (read.value > 0 && read.value <= LARGEST)) return read;
    return { ok: false, sentence: read.value > 0 ? 'No bucket holds so much.' : 'A bucket holds more than nothing.' };
  },
});

/** Rain of one visit, m. */
const MOST_RAIN = 1;

export const rainDepthEntry = (units: UnitSystem): Entry => ({
  show: (value) => text(showRainDepth(value, units)),
  unit: units === 'us' ? 'in' : 'mm',
  inputMode: 'text',
  parse: (typed) => {
    const read = parseLength(typed, units, 'short');
    if (!read.ok || (read.value > 0 && read.value <= MOST_RAIN)) return read;
    return {
      ok: false,
      sentence: units === 'us' ? 'A rain is between 0 and 39 in.' : 'A rain is between 0 and 1,000 mm.',
    };
  },
});

export const gritEntry = (units: UnitSystem): Entry => ({
  show: (value) => text(showGrit(value, units)),
  unit: units === 'us' ? 'cups' : 'L',
  inputMode: 'text',
  parse: (typed) => {
    const read = parseVolume(typed, units, 'scoop');
    if (!read.ok || (read.value >= 0 && read.value <= LARGEST)) return read;
    return { ok: false, sentence: 'No sump holds so much.' };
  },
});
