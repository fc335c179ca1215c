/** Looks over a page as it stands: what lies over what, what is cut, what is too small to tap. */
import type { Page } from '@playwright/test';

/** Faults of the layout in plain words; none when all is well. */
export const layoutFaults = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const faults: string[] = [];
    const LEAST = 43.5;

    interface Box {
      left: number;
      right: number;
      top: number;
      bottom: number;
    }
    const overlap = (a: Box, b: Box): number =>
      Math.min(
        Math.min(a.right, b.right) - Math.max(a.left, b.left),
        Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top),
      );
    const within = (a: Box, b: Box): Box => ({
      left: Math.max(a.left, b.left),
      right: Math.min(a.right, b.right),
      top: Math.max(a.top, b.top),
      bottom: Math.min(a.bottom, b.bottom),
    });
    const screen: Box = { left: 0, top: 0, right: innerWidth, bottom: innerHeight };

    const rooms = new Map<Element, Box>();
    /** What of an element can be seen inside everything that scrolls or cuts around it. Asked once for each element. */
    const windowOf = (element: Element): Box => {
      const known = rooms.get(element);
      if (known) return known;
      const style = getComputedStyle(element);
      const isFree = style.position === 'fixed' || !element.parentElement;
      let box = isFree ? screen : windowOf(element.parentElement!);
      if (style.overflowX !== 'visible' || style.overflowY !== 'visible')
        box = within(box, element.getBoundingClientRect());
      rooms.set(element, box);
      return box;
    };
    const isShown = (element: Element): boolean =>
      element.checkVisibility({ opacityProperty: true, visibilityProperty: true, contentVisibilityAuto: true });
    /** What is meant to be hidden from the eye while it is there for a reader. */
    const isOnTop = (element: Element, box: Box): boolean => {
      const [x, y] = [(box.left + box.right) / 2, (box.top + box.bottom) / 2];
      const top = document.elementFromPoint(x, y);
      return (
        top === null || element.contains(top) || top.contains(element) || top.closest('svg')?.contains(element) === true
      );
    };

    /** At which side words are cut off by a box around them; moved out of sight by scrolling is another thing. */
    const cutOf = (element: Element, rect: Box): string | null => {
      const cuts = (side: string): boolean => side === 'hidden' || side === 'clip';
      for (let each: Element | null = element; each; each = each.parentElement) {
        const style = getComputedStyle(each);
        const edge = each.getBoundingClientRect();
        if (cuts(style.overflowX) && (rect.right > edge.right + 1.5 || rect.left < edge.left - 1.5))
          return edge.width > 2 ? 'side' : null;
        if (cuts(style.overflowY) && (rect.bottom > edge.bottom + 3 || rect.top < edge.top - 3))
          return edge.height > 2 ? 'foot' : null;
        if (/auto|scroll/.test(`${style.overflowX} ${style.overflowY}`)) return null;
      }
      return null;
    };

    interface Words {
      text: string;
      element: Element;
      box: Box;
    }
    const words: Words[] = [];
    // What lies over everything is all that is read while it is there.
    const page = document.querySelector('[aria-modal=true]') ?? document.body;
    const walker = document.createTreeWalker(page, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const text = (node.textContent ?? '').trim();
      const element = node.parentElement;
      if (text === '' || !element || /^(SCRIPT|STYLE|NOSCRIPT|TITLE|DESC)$/i.test(element.tagName) || !isShown(element))
        continue;
      const range = document.createRange();
      range.selectNodeContents(node);
      const room = windowOf(element);
      for (const rect of range.getClientRects()) {
        const box = within(rect, room);
        if (box.right - box.left < 1 || box.bottom - box.top < 3) continue;
        // The space at which a line of words to the right is broken hangs out of their box, and nobody sees it.
        if (rect.width < 0.4 * parseFloat(getComputedStyle(element).fontSize)) continue;
        words.push({ text, element, box });
        const cut = cutOf(element, rect);
        if (cut !== null) faults.push(`cut at the ${cut}: "${text}"`);
        if (/\d.*…|…$/.test(text)) faults.push(`ends in dots: "${text}"`);
      }
    }
    for (let i = 0; i < words.length; i++)
      for (let j = i + 1; j < words.length; j++) {
        const [a, b] = [words[i]!, words[j]!];
        if (a.element === b.element || overlap(a.box, b.box) <= 2.5) continue;
        // What lies wholly under a sheet or a bar is not seen there at all.
        if (!isOnTop(a.element, a.box) || !isOnTop(b.element, b.box)) continue;
        faults.push(`"${a.text}" lies over "${b.text}"`);
      }
    for (const { text, element, box } of words)
      if (!isOnTop(element, box) && box.bottom - box.top > 8) faults.push(`"${text}" lies under something else`);

    const wide = document.scrollingElement!.scrollWidth;
    if (wide > innerWidth + 1) faults.push(`the page is ${wide} px wide on a screen of ${innerWidth}`);
    for (const element of document.querySelectorAll('body *')) {
      const style = getComputedStyle(element);
      const named = (): string =>
        element.getAttribute('aria-label') ?? element.getAttribute('data-testid') ?? element.className.toString();
      if (
        /auto|scroll/.test(style.overflowX) &&
        element.scrollWidth > element.clientWidth + 1 &&
        element.getAttribute('data-testid') !== 'strip' &&
        element.tagName !== 'INPUT'
      )
        faults.push(`scrolls sideways: ${named()}`);
    }
    const TAPS = '[role=button],[role=radio],[role=checkbox],[role=link],[role=tab],a[href],button,input,textarea';
    for (const element of page.querySelectorAll(TAPS)) {
      const box = element.getBoundingClientRect();
      if (box.width === 0 || !isShown(element)) continue;
      const name = element.getAttribute('aria-label') ?? element.textContent ?? '';
      // A stretch of the fall budget is a picture that can also be tapped; the same runs stand large in the descent.
      if (/ needs /.test(name)) continue;
      // A box's frame is what is tapped.
      const frame = element.tagName === 'INPUT' ? element.parentElement!.getBoundingClientRect() : box;
      if (frame.height < LEAST || frame.width < LEAST)
        faults.push(`${frame.width.toFixed(0)} × ${frame.height.toFixed(0)} px to tap: "${name}"`);
    }
    return [...new Set(faults)];
  });
