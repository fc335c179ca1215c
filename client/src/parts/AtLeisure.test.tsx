import { act, screen } from '@testing-library/react';
import { nameOf, put, type Change, type Element } from '@katabasis/core';
import { useKept, type OpenJob } from '../planning/useJob';
import { openJob, sampleWith, type Opened } from '../testing/openJob';
import { AtLeisure, useOutOfSight } from './AtLeisure';

/** What the browser says of where things stand, said by the test. */
let say: (inSight: boolean) => void = () => undefined;
beforeEach(() => {
  jest.useFakeTimers();
  globalThis.IntersectionObserver = class {
    constructor(hear: (entries: object[]) => void) {
      const watched: Element[] = [];
      Object.assign(this, { observe: (each: Element) => watched.push(each), unobserve: () => undefined });
      say = (isIntersecting) => act(() => hear(watched.map((target) => ({ target, isIntersecting }))));
    }
  } as never;
});
afterEach(() => jest.useRealTimers());

let drawings = 0;
function Name() {
  drawings++;
  const { job } = useKept();
  return <p data-testid="name">{`${nameOf(job, 'basin')}${useOutOfSight() ? ', unseen' : ''}`}</p>;
}

const renamed = (name: string): Change => put('Name it', { ...sampleWith().elements.get('basin')!, name } as Element);
const rename = (open: Opened, name: string): void => act(() => void open.session.edit(renamed(name)));
const reads = (): string => screen.getByTestId('name').textContent!;
const wait = (ms: number): void => act(() => void jest.advanceTimersByTime(ms));

it('follows at once in sight; out of sight it stands still until nothing has been done for a while, and is new when it comes in sight', () => {
  const open = openJob(
    sampleWith(),
    <AtLeisure>
      <Name />
    </AtLeisure>,
  );
  say(true);
  rename(open, 'One');
  expect(reads()).toBe('One');
  say(false);
  const before = drawings;
  rename(open, 'Two');
  wait(300);
  rename(open, 'Three');
  wait(300);
  expect([reads(), drawings - before]).toEqual(['One, unseen', 0]);
  wait(1100);
  expect(reads()).toBe('Three, unseen');
  rename(open, 'Four');
  say(true);
  expect(reads()).toBe('Four');
});

it('is not drawn anew at rest where it looks the same', () => {
  const name = ({ job }: OpenJob): string => nameOf(job, 'basin');
  const open = openJob(
    sampleWith(),
    <AtLeisure same={(before, now) => name(before) === name(now)}>
      <Name />
    </AtLeisure>,
  );
  say(false);
  const before = drawings;
  act(() => void open.session.edit(put('Sump', { ...sampleWith().elements.get('basin')!, sumpDepth: 0.2 } as Element)));
  wait(2000);
  expect(drawings - before).toBe(0);
  rename(open, 'Other');
  wait(2000);
  expect(reads()).toBe('Other, unseen');
});
