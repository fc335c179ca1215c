import { act, screen } from '@testing-library/react';
import { nameOf, put, type Change, type Element } from '@katabasis/core';
import { openJob, sampleWith } from '../testing/openJob';
import { unhurried } from './unhurried';
import { useJob, useKept } from '../planning/useJob';

const Behind = unhurried(function Behind() {
  const { job: made, edit } = useKept();
  const { job: shown } = useJob();
  return (
    <>
      <p data-testid="made">{nameOf(made, 'basin')}</p>
      <p data-testid="shown">{nameOf(shown, 'basin')}</p>
      <button onClick={() => edit(put('Set the sump', { ...made.elements.get('basin')!, sumpDepth: 0.2 } as Element))}>
        Sump
      </button>
    </>
  );
});

const renamed = (name: string): Change => put('Name it', { ...sampleWith().elements.get('basin')!, name } as Element);
const reads = (id: string): string => screen.getByTestId(id).textContent!;

it('what is drawn unhurried follows a finger as anything else, and goes back when nothing came of it', () => {
  const open = openJob(sampleWith(), <Behind />);
  act(() => open.session.preview(renamed('Under the finger')));
  expect([reads('made'), reads('shown')]).toEqual(['Lawn basin', 'Under the finger']);
  act(() => open.session.preview(null));
  expect(reads('shown')).toBe('Lawn basin');
});

it('whoever touches it finds it as it is: what is done there is done on the job as made, however quick', () => {
  const open = openJob(sampleWith(), <Behind />);
  act(() => {
    open.session.edit(renamed('Yard basin'));
    // Before any drawing of it has had its turn.
    window.dispatchEvent(new Event('pointerdown'));
    screen.getByText('Sump').click();
  });
  expect(open.job().elements.get('basin')).toMatchObject({ name: 'Yard basin', sumpDepth: 0.2 });
  expect(reads('made')).toBe('Yard basin');
});
