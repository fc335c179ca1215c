import { fireEvent, screen } from '@testing-library/react';
import { planJob, type Element } from '@katabasis/core';
import { useJob } from '../planning/useJob';
import { openJob, sampleWith, seen } from '../testing/openJob';
import { SnagItem } from './SnagItem';

/** A run whose length nobody has taped is one thing to mind. */
const given = sampleWith({ ...sampleWith().elements.get('runStreet')!, assumed: true } as Element);

function Assumed() {
  const { plan } = useJob();
  return <SnagItem snag={plan.snags.find(({ code }) => code === 'assumedFigure')!} />;
}

it('what is to be minded is accepted with a reason, asked for at its place, not without one, and taken back', () => {
  const { job } = openJob(given, <Assumed />);
  const minds = (): number => planJob(job()).verdict.minds;
  const before = minds();
  fireEvent.click(screen.getByTestId('accept-assumedFigure'));
  const why = screen.getByTestId('why-assumedFigure');
  fireEvent.blur(why);
  expect(minds()).toBe(before);
  fireEvent.change(why, { target: { value: 'Paced twice, within a foot' } });
  fireEvent.blur(why);
  expect(minds()).toBe(before - 1);
  expect(seen()).toMatch(/Accepted \w+ \d+ \w+: Paced twice, within a foot/);
  fireEvent.click(screen.getByText('Take it back'));
  expect(minds()).toBe(before);
});
