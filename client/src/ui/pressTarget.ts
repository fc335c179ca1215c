/**
 * What is pressed is what the finger came down on. Lists change between a finger's coming down and its lifting: what was changed before
 * is drawn a moment later, or a field that is being left says what is wrong. Browsers press what lies under a finger as it is lifted,
 * which may be another's button by then; or, with a mouse, nothing.
 */
import { SLACK } from '../theme/tokens';
import { apart, isBounce, type Touch } from './bounce';

const PRESSABLE = ['a', 'button', 'input', 'label', 'select', 'summary', 'textarea']
  .concat(['button', 'checkbox', 'link', 'radio'].map((role) => `[role=${role}]`))
  .join();

interface Press extends Touch {
  /** What can be pressed there, if anything. */
  on: Element | null;
}

/** `event` as it came down, or was pressed. */
function pressOf({ target, clientX, clientY, timeStamp }: MouseEvent): Press {
  return { on: (target as Element).closest(PRESSABLE), x: clientX, y: clientY, at: timeStamp };
}

/** Whether a press that began with `now` is the second of a double one, and meets what came up by the first. Of a mouse the browser counts by itself. */
function bounces(before: Press | null, now: Press, { pointerType, detail }: PointerEvent): boolean {
  if (!before?.on || before.on === now.on) return false;
  return pointerType === 'mouse' ? detail > 1 : isBounce(before, now);
}

/** Has every press of the page go to what the finger came down on, and none to what a thumb that bounces meets. Gives what ends it. */
export function pressWhereTouched(): () => void {
  let down: Press | null = null;
  let last: Press | null = null;
  const comeDown = (event: PointerEvent): void => void (down = pressOf(event));
  const press = (event: PointerEvent): void => {
    // A key's and the page's own clicks are not counted, and no finger came down for them.
    if (!down || event.detail === 0) return;
    const began = down;
    down = null;
    const went = pressOf(event);
    const bounced = bounces(last, began, event);
    if (!bounced) last = began;
    if (!bounced && went.on === began.on) return;
    event.preventDefault();
    event.stopImmediatePropagation();
    if (bounced || !began.on?.isConnected || apart(began, went) > SLACK) return;
    (began.on as HTMLElement).focus({ preventScroll: true });
    began.on.dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true }));
  };
  window.addEventListener('pointerdown', comeDown, true);
  window.addEventListener('click', press, true);
  return () => {
    window.removeEventListener('pointerdown', comeDown, true);
    window.removeEventListener('click', press, true);
  };
}
