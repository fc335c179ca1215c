/** Timers that keep no process open. Each gives what calls it off. */

type Cancel = () => void;

const quiet = (timer: unknown): void => void (timer as NodeJS.Timeout).unref();

export function after(ms: number, work: () => void): Cancel {
  const timer = setTimeout(work, ms);
  quiet(timer);
  return () => clearTimeout(timer);
}

export function every(ms: number, work: () => void): Cancel {
  const timer = setInterval(work, ms);
  quiet(timer);
  return () => clearInterval(timer);
}
