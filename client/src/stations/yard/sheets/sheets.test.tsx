import { jobFrom, levelsOf, type Element, type Place } from '@katabasis/core';
import { brackenfold, quillfeather } from '@katabasis/core/samples';
import { act, cleanup, fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import { ElementSheet } from '../../../elements/ElementSheet';
import { openJob, press, seen, type } from '../../../testing/openJob';
import { LevelsSheet } from './LevelsSheet';
import { usePaced } from '../doing';
import { PaceSheet } from './PaceSheet';
import { RoofSheet } from './RoofSheet';
import { SaysSheet } from './SaysSheet';
import { TapeSheet } from './TapeSheet';
import { WaysOutSheet } from './WaysOutSheet';
import { toolOf } from '../tools/tool';
import type { Snapped } from '../../../drawing/yard/snap';

const at = (east: number, north: number): Place => ({ east, north });
const head = (units: 'us' | 'metric' = 'us'): Element => ({
  id: 'job',
  kind: 'job',
  name: 'Yard',
  units,
  pitchStyle: 'ground',
});
const house = (outline: Place[]): Element => ({ id: 'house', kind: 'building', name: 'House', outline });
const nothing = (): void => undefined;
/** Does what is pressed, and lets what it starts come to its end. */
const settle = (): Promise<void> => act(async () => void (await new Promise((done) => setTimeout(done, 20))));

beforeEach(() => localStorage.clear());

describe('pacing', () => {
  function Pacing({ onGo }: { onGo: (id: string) => void }) {
    const [draft, setDraft] = usePaced('test');
    return <PaceSheet draft={draft} onDraft={setDraft} onClose={nothing} onGo={onGo} />;
  }
  const wall = (typed: string): void => {
    const box = screen.getByTestId('pace-length');
    fireEvent.change(box, { target: { value: typed } });
    press('Walk it', 'button');
  };

  it('wall by wall to a house that stands in the job, its outline closed', () => {
    const went: string[] = [];
    const { job } = openJob(jobFrom('test', [head()]), <Pacing onGo={(id) => went.push(id)} />);
    press('Start in the middle', 'button');
    for (const length of ["40'", '28', '40']) wall(length);
    press(/^Back to the start/, 'button');
    expect(seen()).toContain('Closes within 0 in');
    press('That is the house', 'button');
    const [made] = job().elements.ofKind('building');
    expect(made).toMatchObject({ name: 'Building 1', storeys: 1 });
    expect(made!.outline).toHaveLength(4);
    expect(went).toEqual([made!.id]);
  });

  it('says what a length is, keeps what was typed, and tells which wall is out when it does not close', () => {
    openJob(jobFrom('test', [head()]), <Pacing onGo={nothing} />);
    press('Start in the middle', 'button');
    wall('long');
    expect(screen.getByTestId('pace-length')).toHaveValue('long');
    expect(seen()).toMatch(/Write a length|such as/);
    for (const length of ['40', '28', '46', '28']) wall(length);
    expect(seen()).toMatch(/Ends 6′ .*from where it began|Ends 6′ from where it began/);
    expect(seen()).toMatch(/wall 1 is most likely 6′ longer|wall 3 is most likely 6′ shorter/);
    expect(screen.queryByRole('button', { name: 'That is the house' })).toBeNull();
    press('One wall back', 'button');
    expect(seen()).toContain('3 walls walked');
  });
});

describe('what is begun and not made', () => {
  it('is there again after the page went: the walls that were walked, and the one that was being typed', () => {
    function Pacing() {
      const [draft, setDraft] = usePaced('test');
      return <PaceSheet draft={draft} onDraft={setDraft} onClose={nothing} onGo={nothing} />;
    }
    openJob(jobFrom('test', [head()]), <Pacing />);
    press('Start in the middle', 'button');
    fireEvent.change(screen.getByTestId('pace-length'), { target: { value: '40' } });
    press('Walk it', 'button');
    fireEvent.change(screen.getByTestId('pace-length'), { target: { value: "27'6" } });
    cleanup();
    openJob(jobFrom('test', [head()]), <Pacing />);
    expect(seen()).toContain('1 wall walked');
    expect(screen.getByTestId('pace-length')).toHaveValue("27'6");
    press('Begin anew', 'button');
    cleanup();
    openJob(jobFrom('test', [head()]), <Pacing />);
    expect(seen()).toContain('Tap the corner that you start from');
  });

  it('a rod that was keyed in, and two tapes that were read', () => {
    const spot = { place: at(1, 2), to: null, id: null };
    openJob(jobFrom('test', [head()]), <LevelsSheet pending={spot} onPending={nothing} onClose={nothing} />);
    for (const key of ['4', '′']) press(key, 'button');
    cleanup();
    openJob(jobFrom('test', [head()]), <LevelsSheet pending={spot} onPending={nothing} onClose={nothing} />);
    expect(screen.getByTestId('rod')).toHaveTextContent("4'");
    cleanup();
    const tapes = (
      <TapeSheet
        name="basin"
        tapes={{ a: at(0, 0), b: at(10, 0) }}
        onShow={nothing}
        onPut={nothing}
        onAnew={nothing}
        onClose={nothing}
      />
    );
    openJob(jobFrom('test', [head('metric')]), tapes);
    type('From the first corner', '6');
    cleanup();
    openJob(jobFrom('test', [head('metric')]), tapes);
    type('From the second corner', '8');
    expect(seen()).toContain('The tapes cut at 90°');
  });
});

describe('a roof', () => {
  it('goes on a house with its gutters’ downspouts, each face led, in one step', () => {
    const square = [at(0, 0), at(12, 0), at(12, 8), at(0, 8)];
    const { job, session } = openJob(
      jobFrom('test', [head('metric'), house(square)]),
      <RoofSheet building="house" onClose={nothing} onGo={nothing} />,
    );
    press(/^Hip/);
    expect(seen()).toContain('4 faces: 32.0 m², 16.0 m², 32.0 m², 16.0 m²');
    press(/^Gable/);
    press(/at each end/);
    press('Put it on', 'button');
    const faces = job().elements.ofKind('roofFace');
    expect(faces.map(({ name }) => name)).toEqual(['South face of House', 'North face of House']);
    expect(faces.every(({ feeds, eave }) => feeds.length === 2 && eave?.length === 2)).toBe(true);
    expect(job().elements.ofKind('downspout')).toHaveLength(4);
    act(() => session.undo());
    expect(job().elements.ofKind('downspout')).toHaveLength(0);
  });

  it('over what is no square house says so and puts nothing on', () => {
    openJob(
      jobFrom('test', [head(), house([at(0, 0), at(9, 0), at(4, 7)])]),
      <RoofSheet building="house" onClose={nothing} onGo={nothing} />,
    );
    expect(seen()).toContain('This lies over four square walls, or six in the shape of an L.');
    expect(screen.queryByTestId('roof-done')).toBeNull();
  });
});

describe('levels', () => {
  function Levels({ start }: { start: Snapped | null }) {
    const [pending, setPending] = useState(start);
    return <LevelsSheet pending={pending} onPending={setPending} onClose={nothing} />;
  }

  it('a first reading keyed in makes the job’s zero; the rod is never read for more than it is long', async () => {
    const { job } = openJob(jobFrom('test', [head()]), <Levels start={{ place: at(1, 2), to: null, id: null }} />);
    expect(seen()).toContain('The first point: the job’s zero from now on.');
    for (const key of ['3', '9', '′']) press(key, 'button');
    press('Book it', 'button');
    expect(seen()).toContain('A rod is at most 9 m (29 ft) long.');
    for (let k = 0; k < 4; k++) press('Take back one key', 'button');
    for (const key of ['4', '8', '3', '/8']) press(key, 'button');
    expect(screen.getByTestId('rod')).toHaveTextContent('48 3/8');
    press('″', 'button');
    press('Book it', 'button');
    await settle();
    const [spot] = job().elements.ofKind('spotLevel');
    expect(spot).toMatchObject({ name: 'Benchmark 1', level: 0, benchmark: true, place: at(1, 2) });
    expect(job().elements.ofKind('levelBook')[0]!.readings[0]!.rod).toBeCloseTo(48.375 * 0.0254, 6);
    expect(seen()).toContain('Tap where the rod stands.');
  });

  it('the book closes in a sentence, and a reading put right is kept beside what it was', () => {
    const book: Element = {
      id: 'book',
      kind: 'levelBook',
      name: 'Monday',
      readings: [
        { point: 'bm', sight: 'back', rod: 1.5 },
        { point: 'a', sight: 'between', rod: 1.2 },
        { point: 'bm', sight: 'fore', rod: 1.54 },
      ],
    };
    const spots: Element[] = [
      { id: 'bm', kind: 'spotLevel', name: 'Sill', level: 10, benchmark: true },
      { id: 'a', kind: 'spotLevel', name: 'Lawn' },
    ];
    const { job } = openJob(
      jobFrom('test', [head('metric'), book, ...spots]),
      <ElementSheet id="book" onClose={nothing} onGo={nothing} />,
    );
    expect(seen()).toContain('Out by 40 mm, and 13 mm is permitted: the levels stand as read. Read it again.');
    type('Fore sight, Sill', '1.504');
    expect(seen()).toContain('Closes within 4 mm, and 13 mm is permitted: shared out by set-ups.');
    expect(seen()).toContain('Booked before as');
    expect(job().elements.ofKind('levelBook')[0]!.readings[2]).toMatchObject({ rod: 1.504, was: [1.54] });
    expect(levelsOf(job()).byId.get('a')).toBeCloseTo(10.3 + 0.004, 6);
    press('Done');
    type('B from beside A', '1.512');
    expect(job().elements.ofKind('levelBook')[0]!.twoPeg).toMatchObject({ distance: 30, endB: 1.512 });
  });
});

describe('what the ground says', () => {
  it('at the clinic: where the next level is wanted, the pond that was seen, and walls that the ground falls to', () => {
    const shown: Place[] = [];
    openJob(quillfeather(), <SaysSheet onClose={nothing} onGo={nothing} onShow={(place) => shown.push(place)} />);
    expect(seen()).toContain('The next level to take');
    expect(seen()).toMatch(/Wet lawn: the levels hold \d/);
    expect(seen()).toContain('Falls away from walls');
    act(() => screen.getAllByRole('button', { name: 'Show where' })[0]!.click());
    expect(shown).toHaveLength(1);
  });

  it('with two levels asks for more, and says where', () => {
    const two: Element[] = [0, 1].map((k) => ({
      id: `l${k}`,
      kind: 'spotLevel',
      name: `L${k}`,
      place: at(k, 0),
      level: k,
    }));
    openJob(jobFrom('test', [head(), ...two]), <SaysSheet onClose={nothing} onGo={nothing} onShow={nothing} />);
    expect(seen()).toContain('Three levels make ground; there are 2.');
  });

  it('why the lawn is wet, and a tap puts the basin in where it was not yet', () => {
    const went: string[] = [];
    const bare = quillfeather();
    const elements = bare.elements.all.filter(
      ({ id }) =>
        id !== 'basin' &&
        !('from' in bare.elements.get(id)! && ['runBasin', 'runKennel'].includes(id)) &&
        id !== 'lawn',
    );
    const { job } = openJob(
      jobFrom('test', elements),
      <ElementSheet id="wetLawn" onClose={nothing} onGo={(id) => went.push(id)} />,
    );
    expect(seen()).toContain('Water from the surface and water in the ground');
    expect(seen()).toContain('Clay takes water slowly.');
    press('Put a catch basin at its lowest', 'button');
    const basin = job().elements.ofKind('basin')[0]!;
    expect(basin).toMatchObject({ levelFrom: 'ground' });
    expect(went).toEqual([basin.id]);
    // With a way out on the plan it is led there at once, round the house.
    const [run] = job()
      .elements.ofKind('run')
      .filter(({ from }) => from === basin.id);
    expect(run).toMatchObject({ to: 'swale', lengthFrom: 'plan' });
    expect(run!.bends!.length).toBeGreaterThan(0);
  });
});

describe('ways out', () => {
  it('at the terrace: none by gravity from the lowest garden, by how much, and what it asks', () => {
    const routes: (readonly Place[] | null)[] = [];
    openJob(brackenfold(), <WaysOutSheet onClose={nothing} onGo={nothing} onRoute={(way) => routes.push(way)} />);
    expect(seen()).toMatch(/None reaches by gravity: \d+ mm short at best\. Regrade, swale or pump\./);
    expect(seen()).toContain('wants consent or a permit');
    expect(routes.at(-1)!.length).toBeGreaterThan(1);
    expect(screen.queryByRole('button', { name: 'Lead a line there' })).toBeNull();
  });

  it('with nothing on the plan says what to put down first', () => {
    openJob(jobFrom('test', [head()]), <WaysOutSheet onClose={nothing} onGo={nothing} onRoute={nothing} />);
    expect(seen()).toContain('Put down where the water is first');
  });
});

describe('tapes', () => {
  it('give a place where they meet, say how sharp they cut, and by how much they do not', () => {
    const put: Place[] = [];
    const tapes = { a: at(0, 0), b: at(10, 0) };
    openJob(
      jobFrom('test', [head('metric')]),
      <TapeSheet
        name="Tree"
        tapes={tapes}
        onShow={nothing}
        onPut={(place) => put.push(place)}
        onAnew={nothing}
        onClose={nothing}
      />,
    );
    type('From the first corner', '6');
    type('From the second corner', '3');
    expect(seen()).toContain('The tapes do not meet: they are 1,000 mm too short.');
    type('From the second corner', '5');
    expect(seen()).toMatch(/The tapes cut at \d+°/);
    type('From the second corner', '8');
    press('Right');
    press('Put it there', 'button');
    expect(put[0]!.east).toBeCloseTo(3.6, 6);
    expect(put[0]!.north).toBeCloseTo(-4.8, 6);
    press('Along a wall, and off it');
    type('Along, from the first corner', '6');
    type('Off, right is more than 0', '2');
    press('Put it there', 'button');
    expect(put[1]).toMatchObject({ east: 6 });
    expect(put[1]!.north).toBeCloseTo(-2, 6);
  });
});

describe('sheets of what is on a site', () => {
  it.each([
    'clinic',
    'kennelDoor',
    'pear',
    'gas',
    'roadLine',
    'lawnFence',
    'bankTop',
    'wetLawn',
    'lawnSoil',
    'levelLawn3',
  ])('%s has its fields and its figures, and a wrong entry is told at its place and kept', (id) => {
    openJob(quillfeather(), <ElementSheet id={id} onClose={nothing} onGo={nothing} />);
    const name = screen.getByLabelText('Name', { selector: 'input' });
    expect(name).not.toHaveValue('');
    type('Name', '');
    expect(seen()).toContain('Give it a name.');
    if (toolOf(quillfeather(), id).type === 'look' && id !== 'kennelDoor') {
      press('Its figures', 'button');
      const [north] = screen.getAllByLabelText(/^North/);
      fireEvent.focus(north!);
      fireEvent.change(north!, { target: { value: 'up' } });
      fireEvent.blur(north!);
      expect(north).toHaveValue('up');
      expect(screen.getAllByRole('alert').length).toBeGreaterThan(0);
    }
  });

  it('a run says what it meets, and takes its length from the plan when told to', () => {
    const { job, plan } = openJob(quillfeather(), <ElementSheet id="runBasin" onClose={nothing} onGo={nothing} />);
    expect(seen()).toContain('What it meets');
    expect(seen()).toMatch(/Gas main to the east wall, \d/);
    press(/^By the plan/);
    expect(job().elements.get('runBasin')).toMatchObject({ lengthFrom: 'plan' });
    expect(plan().runs.runBasin!.length).toBeCloseTo(Math.hypot(16, 35) * 0.3048, 2);
    press('Add a bend', 'button');
    expect(job().elements.get('runBasin')).toMatchObject({ bends: [expect.anything()] });
    press('Straighten it', 'button');
    expect(job().elements.get('runBasin')).not.toHaveProperty('bends');
  });

  it('a landing takes its level off the ground, and a typed one stays as typed', () => {
    const { job, plan } = openJob(quillfeather(), <ElementSheet id="cleanout1" onClose={nothing} onGo={nothing} />);
    press('Off the ground there');
    expect(job().elements.get('cleanout1')).toMatchObject({ levelFrom: 'ground' });
    expect(plan().landings.cleanout1!.groundLevel).toBeCloseTo(-0.95 * 0.3048, 1);
    expect(seen()).toContain('Off the ground there; typed, it stays as typed');
    type('Ground here', '-1.2 ft');
    expect(job().elements.get('cleanout1')).not.toHaveProperty('levelFrom');
    expect(plan().landings.cleanout1!.groundLevel).toBeCloseTo(-1.2 * 0.3048, 6);
  });
});
