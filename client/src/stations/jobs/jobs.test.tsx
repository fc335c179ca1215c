import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import type { JobList, JobRow } from '@katabasis/core';
import { quillfeather } from '@katabasis/core/samples';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { api } from '../../sync/api';
import { NotAdmitted, Refused, Unreachable } from '../../sync/ask';
import { listApi } from '../../sync/listApi';
import { deviceStore } from '../../sync/device/deviceStore';
import { press, seen } from '../../testing/openJob';
import { ThemeProvider } from '../../theme/theme';
import { JobsScreen } from './JobsScreen';
import { NewJobScreen } from './NewJobScreen';

const mockRouter = { navigate: jest.fn(), replace: jest.fn() };
jest.mock('expo-router', () => ({ useRouter: () => mockRouter }));

const mocked = (name: keyof typeof api, answer: () => Promise<unknown>): jest.SpyInstance =>
  jest.spyOn(api, name).mockImplementation(answer as never);
const row = (more: Partial<JobRow> = {}): JobRow => ({
  id: 'clinic',
  name: 'Clinic',
  units: 'us',
  seq: 3,
  updatedAt: '2026-11-25T09:00:00Z',
  verdict: { state: 'fix', sentence: 'A pipe is too small.', at: null, stops: 0, fixes: 1, minds: 0 },
  ...more,
});
const harrowmere = {
  id: 'harrowmere',
  place: 'Harrowmere',
  climate: 'Farm country',
  durations: [300, 600],
  returnPeriods: [10, 100],
  intensities: [
    [4.233e-5, 3e-5],
    [6.6e-5, 4.6e-5],
  ],
};

const listedBy = (answer: () => Promise<JobList>): jest.SpyInstance =>
  jest.spyOn(listApi, 'jobs').mockImplementation(answer);
const listed = (jobs: JobRow[]): jest.SpyInstance => listedBy(async () => ({ jobs, total: jobs.length, next: null }));

function draw(children: ReactNode): void {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  render(
    <QueryClientProvider client={client}>
      <ThemeProvider>{children}</ThemeProvider>
    </QueryClientProvider>,
  );
}

beforeEach(() => {
  localStorage.clear();
  jest.restoreAllMocks();
  mockRouter.navigate.mockReset();
  mockRouter.replace.mockReset();
  mocked('stations', async () => [harrowmere]);
  mocked('create', () => Promise.reject(new Unreachable('nobody')));
});

describe('the list of jobs', () => {
  it('says of each job what it costs, how long it takes and what is still to be asked', async () => {
    const glance = { price: '$4,100', days: 3, asks: 2 };
    listed([row({ glance }), row({ id: 'b', name: 'B', glance: { price: '£90', days: 1, asks: 0 } })]);
    draw(<JobsScreen />);
    expect(await screen.findByText('$4,100 · 3 days · 2 to ask')).toBeInTheDocument();
    expect(screen.getByText('£90 · 1 day')).toBeInTheDocument();
  });

  it('shows each with its verdict in words, and opens it', async () => {
    listed([
      row(),
      row({
        id: 'other',
        name: 'Terrace',
        verdict: { state: 'stop', sentence: 'No way out.', at: null, stops: 1, fixes: 0, minds: 0 },
      }),
    ]);
    draw(<JobsScreen />);
    fireEvent.click(await screen.findByRole('link', { name: 'Terrace. Stop. No way out.' }));
    expect(mockRouter.navigate).toHaveBeenCalledWith('/job/other/plan');
    expect(screen.getByRole('link', { name: 'Clinic. Fix. A pipe is too small.' })).toBeInTheDocument();
  });

  it('says how to begin when there are none', async () => {
    listed([]);
    draw(<JobsScreen />);
    expect(await screen.findByText(/Start one with three answers/)).toBeInTheDocument();
  });

  it('says so when nobody answers, and asks again when told to', async () => {
    let tries = 0;
    listedBy(async () => {
      if (tries++ === 0) throw new Unreachable('nobody');
      return { jobs: [row()], total: 1, next: null };
    });
    draw(<JobsScreen />);
    fireEvent.click(await screen.findByRole('button', { name: 'Try again' }));
    expect(await screen.findByRole('link', { name: /^Clinic/ })).toBeInTheDocument();
  });

  it('takes a job out only with a way back', async () => {
    listed([row()]);
    const removed = mocked('remove', async () => undefined);
    const restored = mocked('restore', async () => undefined);
    draw(<JobsScreen />);
    fireEvent.click(await screen.findByRole('button', { name: 'Take out Clinic' }));
    await waitFor(() => expect(screen.getByRole('status')).toHaveTextContent('Clinic was taken out.'));
    fireEvent.click(screen.getByRole('button', { name: 'Bring it back' }));
    await waitFor(() => expect(screen.queryByRole('status')).toBeNull());
    expect([removed.mock.calls[0], restored.mock.calls[0]]).toEqual([['clinic'], ['clinic']]);
  });

  it('copies a job under a name of its own, kept on this device before anybody has answered', async () => {
    listed([row()]);
    mocked('job', async () => ({
      id: 'clinic',
      seq: 1,
      elements: quillfeather().elements.all.map((element) => ({ version: 1, element })),
    }));
    draw(<JobsScreen />);
    fireEvent.click(await screen.findByRole('button', { name: 'Copy Clinic' }));
    await waitFor(() => expect(mockRouter.navigate).toHaveBeenCalled());
    const { id, elements: copied } = (await deviceStore().unsent()).at(-1)!;
    expect(copied.find((element) => element.kind === 'job')).toMatchObject({
      name: 'Quillfeather Animal Clinic, copy',
    });
    expect(copied).toHaveLength(quillfeather().elements.size);
    expect(mockRouter.navigate).toHaveBeenCalledWith(`/job/${id}/plan`);
  });

  it('says in words why a job could not be taken out', async () => {
    listed([row()]);
    mocked('remove', () =>
      Promise.reject(new Refused({ type: 'about:blank', title: 'It is being changed.', status: 409 })),
    );
    draw(<JobsScreen />);
    fireEvent.click(await screen.findByRole('button', { name: 'Take out Clinic' }));
    expect(await screen.findByRole('alert')).toHaveTextContent('It was not taken out. It is being changed.');
  });
});

describe('a job that cannot be had', () => {
  it('is listed with why, and given out as it lies, the others as ever', async () => {
    listed([
      row(),
      row({
        id: 'torn',
        name: 'Torn',
        verdict: null,
        trouble: 'This job is kept, but cannot be read here: it is torn.',
      }),
      row({ id: 'new', name: 'New', verdict: null }),
    ]);
    const raw = mocked('raw', async () => '{"rows":[]}');
    Object.assign(URL, { createObjectURL: () => 'blob:x', revokeObjectURL: () => undefined });
    draw(<JobsScreen />);
    expect(
      await screen.findByRole('link', { name: /^Torn\. This job is kept, but cannot be read here/ }),
    ).toBeInTheDocument();
    expect(screen.getByRole('link', { name: 'New. Its verdict is being worked out.' })).toBeInTheDocument();
    expect(screen.queryByRole('button', { name: 'Copy Torn' })).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Save Torn as it lies' }));
    await waitFor(() => expect(raw).toHaveBeenCalledWith('torn'));
  });

  it('asks for the code where this device has not been let in', async () => {
    listedBy(() => Promise.reject(new NotAdmitted('Not let in', 'Not let in')));
    draw(<JobsScreen />);
    fireEvent.click(await screen.findByRole('button', { name: 'Type the code' }));
    expect(mockRouter.navigate).toHaveBeenCalledWith('/pair');
  });

  it('says what the server said of itself, not that it is out of reach', async () => {
    listedBy(() =>
      Promise.reject(new Unreachable('x', 'The server’s disk is full; what you typed is kept on this device.')),
    );
    draw(<JobsScreen />);
    expect(await screen.findByText(/disk is full/)).toBeInTheDocument();
    expect(screen.queryByText(/out of reach/)).toBeNull();
  });
});

describe('a new job', () => {
  const fill = (testID: string, text: string): void => {
    const box = screen.getByTestId(testID);
    fireEvent.change(box, { target: { value: text } });
    fireEvent.blur(box);
  };

  it('goes from nothing to a verdict, and keeps the job before anybody has answered', async () => {
    draw(<NewJobScreen />);
    expect(seen()).toContain('Choose a rain, or type your own.');
    fireEvent.click(await screen.findByRole('radio', { name: 'Harrowmere' }));
    expect(seen()).toContain('Downspout 1 still needs its roof and distance.');
    while (screen.queryByTestId('new-area-2')) fireEvent.click(screen.getByRole('button', { name: 'One less' }));
    fill('new-area-1', '30x40');
    fill('new-length-1', "60'");
    expect(seen()).toContain('Say how low the way out lies.');
    fill('new-out', "-2.2'");
    expect(seen()).toMatch(/Carries the 10-year rain to the swale/);
    act(() => screen.getByTestId('new-create').click());
    await waitFor(() => expect(mockRouter.replace).toHaveBeenCalled());
    const { id, elements } = (await deviceStore().unsent()).at(-1)!;
    expect(mockRouter.replace).toHaveBeenCalledWith(`/job/${id}/plan`);
    const rain = elements.find((element) => element.kind === 'rain')!;
    expect(rain).toMatchObject({
      intensity: 4.233e-5,
      openings: { returnPeriod: 100, intensity: 6.6e-5 },
      source: { type: 'office', place: 'Harrowmere', returnPeriod: 10 },
    });
  });

  it('converts what was typed to other units, and keeps what it cannot read', async () => {
    draw(<NewJobScreen />);
    fill('new-area-1', '800');
    fill('new-length-1', `12'6"`);
    fill('new-area-2', 'about 900');
    fill('new-rain', '4,5');
    press('Metric');
    const value = (id: string): string => (screen.getByTestId(id) as HTMLInputElement).value.replaceAll('\u00a0', ' ');
    // 800 ft² is 74.3 m², 12.5 ft is 3.81 m, 4.5 in/h is 114 mm/h.
    expect(['new-area-1', 'new-length-1', 'new-area-2', 'new-rain'].map(value)).toEqual([
      '74.3 m²',
      '3.81 m',
      'about 900',
      '114 mm/h',
    ]);
    // What is wrong is named before what is only not there yet.
    expect(seen()).toContain('Downspout 2, roof: Write an area such as 110');
    expect((screen.getByTestId('new-create') as HTMLButtonElement).getAttribute('aria-disabled')).toBe('true');
    press('Empty this page', 'button');
  });

  it('never takes another rain for one that it cannot read', async () => {
    draw(<NewJobScreen />);
    await screen.findByRole('radio', { name: 'Harrowmere' });
    while (screen.queryByTestId('new-area-2')) press('One less', 'button');
    press('Catch basin');
    fill('new-area-1', '3000');
    fill('new-length-1', '60');
    fill('new-out', '-3');
    expect(seen()).toMatch(/Carries|is too small|will not/);
    fill('new-rain', '4;5');
    expect(seen()).toContain('Own rain: Write a rain such as 6.5 or 6.5 in/h.');
    expect(screen.getByTestId('new-create').getAttribute('aria-disabled')).toBe('true');
    fill('new-rain', '4,5');
    act(() => screen.getByTestId('new-create').click());
    await waitFor(() => expect(mockRouter.replace).toHaveBeenCalled());
    const { elements } = (await deviceStore().unsent()).at(-1)!;
    expect(elements.find((element) => element.kind === 'rain')).toMatchObject({ intensity: (4.5 * 0.0254) / 3600 });
    expect(elements.map(({ kind }) => kind)).not.toContain('downspout');
  });

  it('takes back what was discarded: a downspout, the whole page', async () => {
    draw(<NewJobScreen />);
    fill('new-area-3', '777');
    fill('new-name', 'Long typed');
    fireEvent.click(screen.getByRole('button', { name: 'One less' }));
    expect(screen.queryByTestId('new-area-3')).toBeNull();
    fireEvent.click(screen.getByTestId('new-back'));
    expect((screen.getByTestId('new-area-3') as HTMLInputElement).value).toBe('777');
    fireEvent.click(screen.getByRole('button', { name: 'Empty this page' }));
    expect((screen.getByTestId('new-name') as HTMLInputElement).value).toBe('');
    fireEvent.click(screen.getByTestId('new-back'));
    expect((screen.getByTestId('new-name') as HTMLInputElement).value).toBe('Long typed');
    expect(screen.queryByTestId('new-back')).toBeNull();
  });

  it('says beside the box what cannot be read, and keeps it over a reload', async () => {
    draw(<NewJobScreen />);
    fill('new-area-1', 'big');
    expect((await screen.findAllByRole('alert'))[0]).toHaveTextContent(/\d/);
    expect((screen.getByTestId('new-area-1') as HTMLInputElement).value).toBe('big');
    document.body.replaceChildren();
    draw(<NewJobScreen />);
    expect((screen.getByTestId('new-area-1') as HTMLInputElement).value).toBe('big');
  });
});
