import { act, screen } from '@testing-library/react';
import { nameOf, put, type Change, type Element } from '@katabasis/core';
import { useJob, usePreview, type OpenJob } from '../planning/useJob';
import { openJob, sampleWith, type Opened } from '../testing/openJob';
import { deferred } from './deferred';
import { DeferredUnseen, InSight, useOutOfSight } from './inSight';

const changed = (fields: object): Change =>
  put('Set it', { ...sampleWith().elements.get('basin')!, ...fields } as Element);
const renamed = (name: string): Change => changed({ name });
const rename = (open: Opened, name: string): void => act(() => void open.session.edit(renamed(name)));
const reads = (id: string): string => screen.getByTestId(id).textContent!;

describe('what is drawn deferred', () => {
  const Deferred = deferred(function Both() {
    const { job: made, edit } = useJob();
    const { job: shown } = usePreview();
    const sump = (): void =>
      void edit(put('Set the sump', { ...made.elements.get('basin')!, sumpDepth: 0.2 } as Element));
    return (
      <>
        <p data-testid="made">{nameOf(made, 'basin')}</p>
        <p data-testid="shown">{nameOf(shown, 'basin')}</p>
        <button onClick={sump}>Sump</button>
      </>
    );
  });

  it('follows a finger as anything else, and goes back when nothing came of it', () => {
    const open = openJob(sampleWith(), <Deferred />);
    act(() => open.session.preview(renamed('Under the finger')));
    expect([reads('made'), reads('shown')]).toEqual(['Lawn basin', 'Under the finger']);
    act(() => open.session.preview(null));
    expect(reads('shown')).toBe('Lawn basin');
  });

  it('is found as it is by whoever touches it: what is done there is done on the job as made, however quick', () => {
    const open = openJob(sampleWith(), <Deferred />);
    act(() => {
      open.session.edit(renamed('Yard basin'));
      // Before any drawing of it has had its turn.
      screen.getByText('Sump').dispatchEvent(new Event('pointerdown', { bubbles: true }));
      screen.getByText('Sump').click();
    });
    expect(open.job().elements.get('basin')).toMatchObject({ name: 'Yard basin', sumpDepth: 0.2 });
    expect(reads('made')).toBe('Yard basin');
  });
});

describe('out of sight', () => {
  /** What the browser says of where things stand, said by the test. */
  let say: (inSight: boolean) => void = () => undefined;
  beforeEach(() => {
    globalThis.IntersectionObserver = class {
      constructor(hear: (entries: object[]) => void) {
        const watched: Element[] = [];
        Object.assign(this, { observe: (each: Element) => watched.push(each), unobserve: () => undefined });
        say = (isIntersecting) => act(() => hear(watched.map((target) => ({ target, isIntersecting }))));
      }
    } as never;
  });

  let drawings = 0;
  function Name() {
    drawings++;
    const { job } = useJob();
    return <p data-testid="name">{`${nameOf(job, 'basin')}${useOutOfSight() ? ', unseen' : ''}`}</p>;
  }
  const name = ({ job }: OpenJob): string => nameOf(job, 'basin');

  it('is drawn anew only where another thing is said in it, and is of the job as it is once it comes in sight', () => {
    const open = openJob(
      sampleWith(),
      <InSight said={name} tall={100}>
        <Name />
      </InSight>,
    );
    say(true);
    rename(open, 'One');
    expect(reads('name')).toBe('One');
    say(false);
    const before = drawings;
    act(() => void open.session.edit(changed({ name: 'One', sumpDepth: 0.2 })));
    expect(drawings - before).toBe(0);
    rename(open, 'Two');
    expect(reads('name')).toBe('Two, unseen');
    say(true);
    expect(reads('name')).toBe('Two');
  });

  it('is drawn after all else, and at once where it is in sight', () => {
    const open = openJob(
      sampleWith(),
      <DeferredUnseen>
        <Name />
      </DeferredUnseen>,
    );
    for (const inSight of [true, false, true]) {
      say(inSight);
      rename(open, `In sight: ${inSight}`);
      expect(reads('name')).toBe(`In sight: ${inSight}`);
    }
  });
});
