/** What this device is called in a job's history; the user may give it a name. */

const KEY = 'katabasis.device';

/** A first name, from what the browser says of itself. */
function guessed(): string {
  const { userAgent } = navigator;
  if (/iPad|Tablet/.test(userAgent)) return 'Tablet';
  return /Mobi|iPhone|Android/.test(userAgent) ? 'Phone' : 'Computer';
}

export function deviceName(): string {
  try {
    return localStorage.getItem(KEY) ?? guessed();
  } catch {
    // A browser that lets nothing be kept.
    return guessed();
  }
}

export function nameDevice(name: string): void {
  try {
    localStorage.setItem(KEY, name);
  } catch {
    // It goes by its first name.
  }
}
