/**
 * Keeps what was touched last where it is on the screen while what stands above it grows or shrinks: a snag that comes up in the list
 * must not move the landing under a thumb. The browser's own keeping is off wherever a height on the way is set, as the descent's is.
 */
import { SLACK } from '../theme/tokens';

/** Where one looks, as shares of what is in sight, when what was touched stands elsewhere: an undo, a key. */
const LOOKED_AT = [
  [0.3, 0.5],
  [0.3, 0.35],
  [0.3, 0.65],
] as const;

/** Nothing is moved for less, px. */
const LEAST = 1;

/** `content` scrolls in `scroller`. Gives what ends it. */
export function anchorScroll(scroller: HTMLElement, content: HTMLElement): () => void {
  let held: { element: Element; top: number } | null = null;
  /** Where it was scrolled to from here. */
  let own: number | null = null;
  const within = (element: Element | null): Element | null => {
    const named = element?.closest('[data-testid]') ?? element;
    return named && named !== content && content.contains(named) ? named : null;
  };
  const lookedAt = (): Element | null => {
    const { left, top, width, height } = scroller.getBoundingClientRect();
    for (const [x, y] of LOOKED_AT) {
      const found = within(document.elementFromPoint(left + x * width, top + y * height));
      if (found) return found;
    }
    return null;
  };
  const hold = (element: Element | null): void => {
    held = element && { element, top: element.getBoundingClientRect().top };
    // One of the two, never both.
    scroller.style.setProperty('overflow-anchor', held ? 'none' : 'auto');
  };
  const scrolled = (): void => {
    if (held && scroller.scrollTop !== own) hold(null);
  };
  const keep = (): void => {
    if (!held?.element.isConnected) return;
    const by = held.element.getBoundingClientRect().top - held.top;
    if (Math.abs(by) < LEAST) return;
    scroller.scrollTop += by;
    own = scroller.scrollTop;
  };
  let down = { x: 0, y: 0 };
  const take = ({ target }: Event): void => {
    // What was changed before may not have been laid out yet.
    keep();
    hold(within(target as Element) ?? lookedAt());
  };
  const press = (event: PointerEvent): void => {
    down = { x: event.clientX, y: event.clientY };
    take(event);
  };
  // What was dragged is held where it is let go.
  const letGo = ({ clientX, clientY }: PointerEvent): void => {
    if (held && Math.hypot(clientX - down.x, clientY - down.y) > SLACK) hold(held.element);
  };
  const observer = new ResizeObserver(keep);
  observer.observe(content);
  scroller.addEventListener('scroll', scrolled, { passive: true });
  window.addEventListener('pointerdown', press, true);
  window.addEventListener('keydown', take, true);
  window.addEventListener('pointerup', letGo, true);
  return () => {
    observer.disconnect();
    scroller.removeEventListener('scroll', scrolled);
    window.removeEventListener('pointerdown', press, true);
    window.removeEventListener('keydown', take, true);
    window.removeEventListener('pointerup', letGo, true);
  };
}

/** The parts of a scrolled view as the browser has them. */
interface Scrolled {
  getScrollableNode: () => HTMLElement;
  getInnerViewNode: () => HTMLElement;
}

/** A scrolled view's `ref` that has it hold what was touched in its place. */
export function anchored(view: unknown): (() => void) | undefined {
  if (view === null || typeof ResizeObserver === 'undefined') return undefined;
  const { getScrollableNode, getInnerViewNode } = view as Scrolled;
  return anchorScroll(getScrollableNode(), getInnerViewNode());
}
