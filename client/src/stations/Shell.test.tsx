import { act, fireEvent, screen } from '@testing-library/react';
import { put, type Element, type Job } from '@katabasis/core';
import { openJob, press, pressOnceThere, sampleWith, seen, type } from '../testing/openJob';
import { Shell } from './Shell';
import { WalkScreen } from './yard/list/WalkScreen';

const mockRouter = { navigate: jest.fn(), replace: jest.fn(), push: jest.fn(), back: jest.fn() };
let mockAt: string | undefined;
jest.mock('expo-router', () => ({
  useRouter: () => mockRouter,
  usePathname: () => '/job/test/walk',
  useLocalSearchParams: () => ({ at: mockAt }),
  useGlobalSearchParams: () => ({ at: mockAt }),
}));

beforeEach(() => {
  mockAt = undefined;
  mockRouter.navigate.mockReset();
  mockRouter.replace.mockReset();
  mockRouter.push.mockReset();
});

const rename = (name: string) => put('Name the basin', { ...sampleWith().elements.get('basin')!, name } as Element);

describe('the head of a job', () => {
  it('says the verdict with its counts, and a tap goes to where it stands', () => {
    openJob(
      sampleWith(),
      <Shell>
        <></>
      </Shell>,
    );
    expect(screen.getByTestId('verdict').textContent!.replaceAll('\u00a0', ' ')).toContain(
      'Line A lacks 7/8 in of fall: it runs out 13′ 11″ before Roadside swale.1 Stop · 1 Fix',
    );
    fireEvent.click(screen.getByTestId('verdict'));
    expect(mockRouter.push).toHaveBeenCalledWith('/job/test/plan?at=swale');
  });

  it('undoes and redoes by button and by key, naming what', () => {
    const open = openJob(
      sampleWith(),
      <Shell>
        <></>
      </Shell>,
    );
    act(() => void open.session.edit(rename('Yard basin')));
    fireEvent.click(screen.getByRole('button', { name: 'Undo: Name the basin' }));
    expect(open.job().elements.get('basin')).toMatchObject({ name: 'Lawn basin' });
    fireEvent.keyDown(window, { key: 'y' });
    expect(open.job().elements.get('basin')).toMatchObject({ name: 'Yard basin' });
    fireEvent.keyDown(window, { key: 'z' });
    expect(open.job().elements.get('basin')).toMatchObject({ name: 'Lawn basin' });
  });

  it('goes between stations by key, but not while somebody types', () => {
    openJob(
      sampleWith(),
      <Shell>
        <input aria-label="typing" />
      </Shell>,
    );
    fireEvent.keyDown(window, { key: '2' });
    expect(mockRouter.replace).toHaveBeenLastCalledWith('/job/test/plan');
    mockRouter.replace.mockReset();
    fireEvent.keyDown(screen.getByLabelText('typing'), { key: '1', bubbles: true });
    expect(mockRouter.replace).not.toHaveBeenCalled();
  });

  it('the verdict follows what is shown under a finger before it is made', () => {
    const open = openJob(
      sampleWith(),
      <Shell>
        <></>
      </Shell>,
    );
    const swale = { ...sampleWith().elements.get('swale')!, controlLevel: -1.2, groundLevel: -1.1 } as Element;
    act(() => open.session.preview(put('Try', swale)));
    act(() => open.session.preview(null));
    expect(screen.getByTestId('verdict').textContent!).toContain('of fall: it runs out');
    expect(open.session.view.undoLabel).toBeNull();
  });
});

describe('Walk', () => {
  it('lists everything with its figure and its worst snag, and opens what is tapped', () => {
    openJob(sampleWith(), <WalkScreen />);
    for (const name of ['Design rain', 'Customer parking', 'Kennel door drain', 'Roadside swale'])
      expect(seen()).toContain(name);
    fireEvent.click(screen.getByTestId('item-parking'));
    expect(mockRouter.push).toHaveBeenCalledWith('/job/test/walk?at=parking');
  });

  it('a surface’s sheet changes what its inlet gets', () => {
    mockAt = 'parking';
    const open = openJob(sampleWith(), <WalkScreen />);
    const before = open.plan().inlets.kennelDrain!.offered;
    type('Area', '450');
    expect(open.plan().inlets.kennelDrain!.offered).toBeCloseTo(before / 2, 8);
    press(/^Gravel/);
    // Gravel sheds half where paving sheds nine tenths.
    expect(open.plan().inlets.kennelDrain!.offered).toBeCloseTo(((before / 2) * 0.5) / 0.9, 8);
    expect(seen()).toMatch(/Sheds14\.0gpm/);
  });

  it('puts in a channel drain, and goes to it', () => {
    mockAt = 'new';
    const open = openJob(sampleWith(), <WalkScreen />);
    press(/^Channel drain: /, 'button');
    const drains = () => open.job().elements.all.filter((element) => element.kind === 'channel');
    type('Length', '30');
    // Not in the job before it is said so, and not lost by going elsewhere.
    expect(drains()).toHaveLength(1);
    press('Something else', 'button');
    expect(seen()).toContain('Begun, and not put in yet');
    press(/^Channel drain: /, 'button');
    act(() => screen.getByTestId('put-in').click());
    expect(drains().at(-1)).toMatchObject({ length: 30 * 0.3048 });
    expect(localStorage.getItem('katabasis.begun.test')).toBeNull();
    const added = open
      .job()
      .elements.all.filter((element) => element.kind === 'channel' && element.id !== 'kennelDrain');
    expect(added).toHaveLength(1);
    expect(mockRouter.push).toHaveBeenCalledWith(`/job/test/walk?at=${added[0]!.id}`);
  });

  it('says what stands over a channel that gets more than it takes, and where it is mended', async () => {
    mockAt = 'kennelDrain';
    const narrow = { ...sampleWith().elements.get('kennelDrain')!, width: 0.04 } as Element;
    const open = openJob(sampleWith(narrow), <WalkScreen />);
    expect(seen()).toMatch(/Kennel door drain overtops: water would stand/);
    await pressOnceThere('fix-channelOvertops');
    expect(open.plan().snags.map((snag) => snag.code)).not.toContain('channelOvertops');
  });

  it('takes an inlet out with all that pointed at it, in one step', () => {
    mockAt = 'kennelDrain';
    const open = openJob(sampleWith(), <WalkScreen />);
    press('Take out Kennel door drain', 'button');
    expect(open.job().elements.get('kennelDrain')).toBeUndefined();
    expect(open.job().elements.get('parking')).toMatchObject({ feeds: [] });
    act(() => open.session.undo());
    const inOrder = (job: Job): Element[] => [...job.elements].sort((a, b) => (a.id < b.id ? -1 : 1));
    expect(inOrder(open.job())).toEqual(inOrder(sampleWith()));
  });
});
