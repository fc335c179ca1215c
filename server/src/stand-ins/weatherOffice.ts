/** A stand-in for a weather office: rain and the night's cold for three weeks from a day, the same whenever it is asked for that day. */
import { plusDays, type Weather } from '@katabasis/core';
import { createHash } from 'node:crypto';

const DAYS = 21;
/** Mean of the night's low over the year and half its swing, °C. */
const [MEAN, SWING] = [7, 9];

export function forecast(from: string): Weather[] {
  return Array.from({ length: DAYS }, (_, k) => {
    const day = plusDays(from, k);
    const [a, b, c] = createHash('sha256').update(day).digest();
    const month = Number(day.slice(5, 7)) - 1 + Number(day.slice(8)) / 31;
    // Coldest in the middle of January.
    const season = MEAN - SWING * Math.cos(((month - 0.5) / 12) * 2 * Math.PI);
    const rain = a! < 70 ? Math.round((b! / 255) * 240) / 10 : 0;
    return { day, rain, low: Math.round(10 * (season + ((c! - 128) / 128) * 5)) / 10 };
  });
}
