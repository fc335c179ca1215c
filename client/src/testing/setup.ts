/** Before each file of screen tests: words about the document, and a network that answers nobody. */
import '@testing-library/jest-dom';
import { setLazyPart, type LazyPart } from '../sync/lazyPart';

// The document of these tests draws no pictures: what comes after one comes at once.
jest.mock('../sync/afterPaint', () => ({
  afterPaint: (act: () => void) => {
    act();
    return () => undefined;
  },
  nextPaint: () => Promise.resolve(),
}));

setLazyPart(() => Promise.resolve(jest.requireActual<LazyPart>('../lazyPart')));

globalThis.fetch = () => Promise.reject(new TypeError('no network in these tests'));

/** The document of these tests knows no pointers: a mouse's place and a number are all that is asked of one. */
class Pointer extends MouseEvent {
  readonly pointerId: number;

  constructor(type: string, init: PointerEventInit = {}) {
    super(type, init);
    this.pointerId = init.pointerId ?? 0;
  }
}
globalThis.PointerEvent = Pointer as unknown as typeof PointerEvent;

// Nor can it measure letters: words are then taken to be as wide as usual.
HTMLCanvasElement.prototype.getContext = () => null;

/**
 * Every question by role asks for the style of each element and of all that are round it, and the document of these tests
 * looks through every rule for each: three quarters of their time. What our screens hide they hide by `display`, which
 * hangs only on an element's name, classes and own style.
 */
const styles = new Map<string, CSSStyleDeclaration>();
const styleOf = window.getComputedStyle.bind(window);
window.getComputedStyle = (element, pseudo) => {
  const key = `${element.localName}|${element.getAttribute('class')}|${element.getAttribute('style')}|${pseudo ?? ''}`;
  let style = styles.get(key);
  if (!style) styles.set(key, (style = styleOf(element, pseudo)));
  return style;
};
afterEach(() => styles.clear());
