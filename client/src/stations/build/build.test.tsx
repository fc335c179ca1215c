import { headOf, jobFrom, type Element, type Job } from '@katabasis/core';
import { quillfeather } from '@katabasis/core/samples';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { openJob, press, seen, type } from '../../testing/openJob';
import { BuildScreen } from './BuildScreen';
import { DigSheet } from './DigSheet';

/** The address, as the router would hold it. */
let mockAt: string | null = null;
jest.mock('../useAt', () => ({ useAt: () => mockAt }));
jest.mock('../useGo', () => ({
  useGo: () => (_station: string, at: string | null) => {
    mockAt = at;
  },
}));

beforeEach(() => {
  localStorage.clear();
  mockAt = null;
});
const sample = (): Job => jobFrom('test', quillfeather().elements.all);
const head: Element = { id: 'job', kind: 'job', name: 'Yard', units: 'metric', pitchStyle: 'ground' };

describe('the parts', () => {
  it('say how many sticks to buy, and opened, what each place takes and what is left over', () => {
    mockAt = '~part';
    openJob(sample(), <BuildScreen />);
    const row = screen.getByRole('button', { name: /^6\sin double-wall pipe: 6 sticks of 20′/ });
    fireEvent.click(row);
    expect(screen.getByRole('link', { name: 'Go to Wye 1 to Wye 2' })).toHaveTextContent('44′');
    expect(screen.getByRole('link', { name: 'Go to Wye 2 to Roadside swale' })).toHaveTextContent('62′');
    // The two runs stand strong on the plan.
    expect(screen.getByTestId('where').querySelectorAll('path[stroke-width="8"]')).toHaveLength(2);
    // 120 ft bought, 106 laid.
    expect(seen()).toContain('Left over of them');
    expect(seen()).toContain('14′');
  });

  it('by place say what each one takes', () => {
    mockAt = '~place';
    openJob(sample(), <BuildScreen />);
    expect(screen.getByRole('link', { name: 'Go to Lawn basin' })).toBeTruthy();
    expect(seen()).toContain('Plug for a 12 × 12 in flat box');
  });

  it('of a job in which nothing is laid say what to do', () => {
    openJob(jobFrom('test', [head]), <BuildScreen />);
    expect(seen()).toContain('Nothing is laid yet');
  });
});

describe('the dig sheet', () => {
  const key = (keys: string): void => {
    for (const each of keys) press(each, 'button');
  };
  const setUp = (): void => {
    for (const [box, typed] of [
      ['dig-level', '0'],
      ['dig-rod', '4.5'],
    ] as const) {
      fireEvent.change(screen.getByTestId(box), { target: { value: typed } });
      fireEvent.blur(screen.getByTestId(box));
    }
  };

  it('says what the rod must read, takes what it reads, and says at once how far off that is', async () => {
    const { job } = openJob(sample(), <DigSheet />);
    setUp();
    expect(seen()).toMatch(/Line of sight at \+4′\s6″/);
    const stations = screen.getAllByTestId('dig-station');
    expect(stations[0]).toHaveTextContent('Roadside swale');
    expect(seen()).toMatch(/6\sin Double-wall at 0\.50\s?%, 0\.06\sin\/ft/);
    expect(seen()).toMatch(/Crosses Gas main to the east wall at .*: dig by hand\./);
    fireEvent.click(stations[2]!);
    key('7.2');
    press('Take it', 'button');
    const laid = job()
      .elements.ofKind('run')
      .flatMap((run) => run.laid ?? []);
    // 4.5 − 7.2 ft
    expect(laid).toEqual([
      { along: expect.any(Number), level: expect.closeTo(-2.7 * 0.3048, 9), at: expect.any(String) },
    ]);
    expect(screen.getAllByTestId('dig-station')[2]).toHaveTextContent(/too high/);
    // Read again at the same place it takes the place of the first.
    key('7.7');
    press('Take it', 'button');
    expect(
      job()
        .elements.ofKind('run')
        .flatMap((run) => run.laid ?? []),
    ).toHaveLength(1);
  });

  it('re-pitches what is left in one tap, and keeps the reading with its pipe', async () => {
    const { job, plan } = openJob(sample(), <DigSheet />);
    setUp();
    fireEvent.click(screen.getAllByTestId('dig-station')[2]!);
    key('7.2');
    press('Take it', 'button');
    await waitFor(() => expect(seen()).toContain('Then: '));
    press('Re-pitch what is left', 'button');
    const broken = job()
      .elements.ofKind('junction')
      .find(({ name }) => name === 'Grade break 1')!;
    const below = job()
      .elements.ofKind('run')
      .find(({ from }) => from === broken.id)!;
    expect(plan().runs[below.id]!.invertUp).toBeCloseTo(-2.7 * 0.3048, 6);
  });

  it('keeps what is keyed in and where one stands over a reload, but no set-up of another day', () => {
    jest.useFakeTimers({
      now: new Date('2026-11-26T10:00:00'),
      doNotFake: ['setTimeout', 'setInterval', 'queueMicrotask'],
    });
    const { job } = openJob(sample(), <DigSheet />);
    setUp();
    press('B', 'radio');
    fireEvent.click(screen.getAllByTestId('dig-station')[1]!);
    key('6.5');
    const again = jobFrom('test', job().elements.all);
    cleanup();
    openJob(again, <DigSheet />);
    expect(screen.getByRole('radio', { name: 'B' })).toBeChecked();
    fireEvent.click(screen.getAllByTestId('dig-station')[1]!);
    expect(screen.getByTestId('rod')).toHaveTextContent('6.5');
    cleanup();
    // The next morning the instrument stands somewhere else.
    jest.setSystemTime(new Date('2026-11-27T10:00:00'));
    openJob(again, <DigSheet />);
    expect(seen()).toContain('The level was set up on another day');
    expect(seen()).not.toContain('Line of sight');
    expect(screen.getByTestId('dig-rod')).toHaveValue('');
    expect(screen.getByTestId('dig-level')).toHaveValue('0′');
    jest.useRealTimers();
  });

  it('refuses a rod that is none with a sentence, and keeps what was keyed in', () => {
    const { job } = openJob(sample(), <DigSheet />);
    setUp();
    fireEvent.click(screen.getAllByTestId('dig-station')[1]!);
    key('77');
    press('Take it', 'button');
    expect(screen.getByRole('alert')).toHaveTextContent('at most 9 m');
    expect(screen.getByTestId('rod')).toHaveTextContent('77');
    expect(
      job()
        .elements.ofKind('run')
        .flatMap((run) => run.laid ?? []),
    ).toEqual([]);
  });
});

describe('the price', () => {
  const price = (job: Job) => {
    mockAt = '~price';
    return openJob(job, <BuildScreen />);
  };

  it('follows a rate of one’s own at once, to the cent, and goes back to the usual one when that is emptied', () => {
    const { job } = price(sample());
    const before = screen.getByTestId('price-visit').textContent;
    expect(before).toContain('$250.00');
    fireEvent.click(screen.getByTestId('price-visit'));
    expect(seen()).toContain('a usual rate');
    type(/^Your rate, each/, '$400');
    expect(screen.getByTestId('price-visit')).toHaveTextContent('$400.00');
    expect(headOf(job()).prices).toEqual({ rates: { 'work visit': 40_000 } });
    type(/^Your rate, each/, '');
    expect(screen.getByTestId('price-visit')).toHaveTextContent('$250.00');
    expect(headOf(job()).prices).toEqual({ rates: {} });
  });

  it('a rate by the foot is kept for a metre, and shown by the foot again', () => {
    const { job } = price(sample());
    fireEvent.click(screen.getByTestId('price-trench'));
    type(/^Your rate, a foot/, '9.50');
    expect(headOf(job()).prices!.rates!['work trench']! * 0.3048).toBeCloseTo(950, 6);
    expect(seen()).toContain('at $9.50 a foot, your own rate');
  });

  it('keeps what cannot be taken at its place with what would be right', () => {
    const { job } = price(sample());
    fireEvent.click(screen.getByTestId('price-visit'));
    expect(type(/^Your rate, each/, 'a good deal')).toHaveValue('a good deal');
    expect(seen()).toContain('A rate is an amount, such as 12.50.');
    expect(type('Currency', '12$')).toHaveValue('12$');
    expect(seen()).toContain('A currency is three letters');
    expect(type('Margin', '100%')).toHaveValue('100%');
    expect(headOf(job()).prices).toBeUndefined();
    type('Currency', 'jpy');
    expect(headOf(job()).prices).toEqual({ currency: 'JPY' });
    expect(seen()).toMatch(/¥\d/);
    // A rate of one's own stays the figure that was typed, whatever the money is called.
    type(/^Your rate, each/, '300');
    expect(headOf(job()).prices!.rates).toEqual({ 'work visit': 300 });
    type('Currency', 'eur');
    expect(headOf(job()).prices!.rates).toEqual({ 'work visit': 30_000 });
    expect(screen.getByTestId('price-visit')).toHaveTextContent('€300.00');
  });
});
