/** Draws screens of an open job in a test: a real session over storage in memory, and a server that has not answered yet unless the test gives another. */
import { jobFrom, type Element, type Job, type Plan } from '@katabasis/core';
import { quillfeather } from '@katabasis/core/samples';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, configure, fireEvent, render, screen } from '@testing-library/react';
import type { ReactNode } from 'react';
import type { Api } from '../sync/api';
import { MemoryStore } from '../sync/device/memoryStore';
import type { SessionNeeds } from '../sync/keeping';
import { Session } from '../sync/session';
import { JobProvider, plannedFor } from '../planning/useJob';
import { ThemeProvider } from '../theme/theme';

/** What is worked out while a screen stands is waited for as long as a slow machine may take. */
configure({ asyncUtilTimeout: 30_000 });

const never = (): Promise<never> => new Promise(() => undefined);
const silent: Api = { beside: never, create: never, change: never, restore: never };

export interface Opened {
  session: Session;
  /** The job and its plan as they are now. */
  job: () => Job;
  plan: () => Plan;
}

/** The sample with some of its elements replaced or added. */
export function sampleWith(...others: Element[]): Job {
  return jobFrom('test', [...quillfeather().elements.all, ...others]);
}

/** Draws `children` over a job, with a server of the test's own or one that does not answer. */
export function openJob(job: Job, children: ReactNode, api: Api = silent): Opened {
  const elements = job.elements.all.map((element, place) => ({ version: 1, element, place }));
  const needs: SessionNeeds = {
    store: new MemoryStore(true),
    api,
    newId: (stem) => `${stem}${Math.random().toString(36).slice(2, 12)}`,
    tellPages: () => undefined,
    onSaved: () => undefined,
    onBehind: () => undefined,
  };
  const session = new Session('test', needs, { seq: 0, unsent: false, elements, waiting: [] });
  const planned = plannedFor(session);
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  render(
    <QueryClientProvider client={client}>
      <ThemeProvider>
        <JobProvider planned={planned}>{children}</JobProvider>
      </ThemeProvider>
    </QueryClientProvider>,
  );
  return { session, job: () => planned.made()!.job, plan: () => planned.made()!.plan };
}

/** Types into the box of that label and leaves it, as a thumb does. */
export function type(label: string | RegExp, text: string): HTMLElement {
  const box = screen.getByLabelText(label, { selector: 'input, textarea' });
  fireEvent.focus(box);
  fireEvent.change(box, { target: { value: text } });
  fireEvent.blur(box);
  return box;
}

/** Presses the chip, button or figure of that name. */
export function press(name: string | RegExp, role: 'radio' | 'button' | 'checkbox' = 'radio'): void {
  act(() => screen.getByRole(role, { name }).click());
}

/** Presses what has that test id once it is there: what is worked out comes a moment later. */
export async function pressOnceThere(testID: string): Promise<void> {
  const button = await screen.findByTestId(testID);
  act(() => button.click());
}

/** Text of the page with its spaces as anybody types them. */
export const seen = (): string => (document.body.textContent ?? '').replaceAll('\u00a0', ' ');
