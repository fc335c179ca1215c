/** Before each file of screen tests: words about the document, and a network that answers nobody. */
import '@testing-library/jest-dom';
import { comesLate, type Late } from '../data/late';

comesLate(() => Promise.resolve(jest.requireActual<Late>('../rest')));

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
