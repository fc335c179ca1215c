/** Work that is done one piece at a time, the later pieces after all others. */

interface Waiting {
  begin: () => Promise<void>;
  later: boolean;
}

const waiting: Waiting[] = [];
let busy = false;

async function goOn(): Promise<void> {
  busy = true;
  while (waiting.length > 0) {
    const soonest = waiting.findIndex(({ later }) => !later);
    const [next] = waiting.splice(Math.max(soonest, 0), 1);
    await next!.begin();
  }
  busy = false;
}

/** Does `work` when its turn comes, and gives what it gives or throws. */
export function inTurn<T>(work: () => Promise<T>, later: boolean): Promise<T> {
  return new Promise<T>((done, fail) => {
    waiting.push({ later, begin: () => work().then(done, fail) });
    if (!busy) void goOn();
  });
}
