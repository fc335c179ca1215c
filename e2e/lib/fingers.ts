/** Fingers on the glass, as the browser has them from it. */
import type { Page } from '@playwright/test';

export interface Spot {
  x: number;
  y: number;
}

/** Sends what fingers do: where each of them is now, none once they are lifted; at a time of the glass's own, s, or now. */
export type Fingers = (
  type: 'touchStart' | 'touchMove' | 'touchEnd',
  touchPoints: Spot[],
  timestamp?: number,
) => Promise<void>;

export async function fingersOn(page: Page): Promise<Fingers> {
  const glass = await page.context().newCDPSession(page);
  return async (type, touchPoints, timestamp) => {
    await glass.send('Input.dispatchTouchEvent', {
      type,
      touchPoints,
      ...(timestamp === undefined ? {} : { timestamp }),
    });
  };
}

/** A thumb that bounces: two touches of one spot, 120 ms apart by the glass. */
export async function bounce(page: Page, at: Spot): Promise<void> {
  const send = await fingersOn(page);
  const now = Date.now() / 1000;
  for (const after of [0, 0.12]) {
    await send('touchStart', [at], now + after);
    await send('touchEnd', [], now + after + 0.04);
  }
}
