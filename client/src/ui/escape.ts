/** Escape closes what lies on top, and only that, also while somebody types: heard before a box that keeps its keys to itself. */
import { useEffect, useRef } from 'react';

type Close = { current: () => void };
const open: Close[] = [];

function onKey(event: KeyboardEvent): void {
  if (event.key !== 'Escape' || event.defaultPrevented) return;
  const top = open.at(-1);
  if (!top) return;
  event.preventDefault();
  // What is being typed is taken before its box goes.
  if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
  top.current();
}

/** `close` is called by Escape while this is the last thing opened. */
export function useEscape(close: () => void): void {
  const latest = useRef(close);
  useEffect(() => {
    latest.current = close;
  });
  useEffect(() => {
    if (open.length === 0) window.addEventListener('keydown', onKey, true);
    open.push(latest);
    return () => {
      open.splice(open.indexOf(latest), 1);
      if (open.length === 0) window.removeEventListener('keydown', onKey, true);
    };
  }, []);
}
