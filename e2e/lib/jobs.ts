/** What several tests need: a copy of the sample of their own, and its elements as the server has them. */
import { randomUUID } from 'node:crypto';
import { expect, type APIRequestContext, type Locator, type Page } from '@playwright/test';
import { quillfeather } from '../../core/src/samples';
import type { Element } from '../../core/src';

let count = 0;

/** Puts a job on the server; gives its id. */
export async function putJob(request: APIRequestContext, elements: readonly Element[]): Promise<string> {
  const id = `e2e${randomUUID().slice(0, 8)}${count++}`;
  const reply = await request.post('/api/jobs', { data: { id, elements } });
  if (!reply.ok()) throw new Error(await reply.text());
  return id;
}

/** Puts a fresh copy of the sample on the server; gives its id. */
export async function copyOfSample(request: APIRequestContext, name = 'Copy of the clinic'): Promise<string> {
  const elements = quillfeather().elements.all.map((element) =>
    element.kind === 'job' ? { ...element, name } : element,
  );
  return putJob(request, elements);
}

/** The grip of a landing, scrolled into sight on the plan of a copy of the sample. */
export async function gripOnCopy(page: Page, request: APIRequestContext, landing: string): Promise<Locator> {
  await page.goto(`/job/${await copyOfSample(request)}/plan`);
  const grip = page.getByTestId(`handle-${landing}`);
  await grip.scrollIntoViewIfNeeded();
  return grip;
}

/** The elements that the server keeps, by id. */
export async function kept(request: APIRequestContext, job: string): Promise<Record<string, Element>> {
  const reply = (await (await request.get(`/api/jobs/${job}`)).json()) as { elements: { element: Element }[] };
  return Object.fromEntries(reply.elements.map(({ element }) => [element.id, element]));
}

/** What of a job waits on the device to be sent: changes, and the job itself where it was begun here. */
export const waiting = (page: Page, job: string): Promise<number> =>
  page.evaluate(
    (id) =>
      new Promise<number>((done, fail) => {
        const opening = indexedDB.open('katabasis');
        opening.onerror = () => fail(opening.error);
        opening.onsuccess = () => {
          const tx = opening.result.transaction(['jobs', 'changes']);
          const head = tx.objectStore('jobs').get(id);
          const changes = tx.objectStore('changes').count(IDBKeyRange.bound([id], [id, []]));
          tx.oncomplete = () => {
            opening.result.close();
            done(changes.result + ((head.result as { unsent: boolean } | undefined)?.unsent ? 1 : 0));
          };
        };
      }),
    job,
  );

/** The least time in which a person sees what has come up under the thumb: a touch of the same spot that comes sooner has bounced, and presses nothing. */
export const lookedAt = (page: Page): Promise<void> => page.waitForTimeout(300);

/** Waits until nothing waits to be sent. */
export async function saved(page: Page, job: string): Promise<void> {
  await expect.poll(() => waiting(page, job)).toBe(0);
}
