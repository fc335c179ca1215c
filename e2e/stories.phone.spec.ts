/** Jobs from an empty page to parts, price and dig sheet, as a contractor on a phone would put them in. Figures at each head by hand. */
import { test } from './lib/test';
import { Story } from './lib/story';

test('a roof’s trunk runs through the channel of a courtyard, among roots', async ({ page }) => {
  // Roof 600 ft² × 0.95 × 6 in/h = 35.5 gpm; court 400 ft² × 0.9 × 6 in/h = 22.4 gpm; both leave by the channel’s pipe: 57.9 gpm.
  const story = new Story(page, 'Courtyard');
  await story.begin([{ area: '400', length: '50', is: 'Channel drain' }], { level: '-3' });
  await story.list();
  await story.open('Channel drain 1');
  await story.say({ fill: { 'Inside width': '8', 'Depth at the outlet': '12', Length: '20' } });
  await story.close();
  await story.add('Way out', { choose: ['Into a channel drain'], fill: { Name: 'Head of the channel' } });
  await story.close();
  await story.add('Downspout', { fill: { 'Ground at its foot': '1' } });
  await story.lead('Head of the channel', '18');
  await story.say({ fill: { 'Or type it': '2%' } });
  await story.close();
  await story.add('Roof face', {
    fill: { 'Width along the eave': '40', 'Run, eave to ridge': '15' },
    check: ['Downspout 1'],
  });
  await story.close();
  await story.add('Tree', { fill: { 'Across its crown': '20' }, choose: ['Downspout 1 to Head'] });
  await story.close();
  await story.holds(/x/);
  await story.end([]);
});

test('which pipe for a short line under a drive', async ({ page }) => {
  const story = new Story(page, 'Under the drive');
  await story.begin([{ area: '1200', length: '24' }], { level: '-2', over: 'Drive' });
  await story.holds(/x/);
  await story.end([]);
});

test('a long roof trunk to a ditch', async ({ page }) => {
  const story = new Story(page, 'Long trunk');
  await story.begin(
    [
      { area: '900', length: '40' },
      { area: '600', length: '35' },
      { area: '750', length: '120' },
    ],
    { level: '-5', into: 'Ditch' },
  );
  await story.fix('noCleanout');
  await story.holds(/x/);
  await story.end([]);
});

test('a line ends in a pop-up that stands full', async ({ page }) => {
  const story = new Story(page, 'Pop-up');
  await story.begin([{ area: '700', length: '60' }], { level: '-1', how: 'Pop-up' });
  await story.holds(/x/);
  await story.end([]);
});

test('a yard drain with a basin after each downspout', async ({ page }) => {
  const story = new Story(page, 'Basin after each');
  await story.begin(
    [
      { area: '800', length: '6' },
      { area: '1500', length: '40', is: 'Catch basin' },
      { area: '700', length: '6' },
      { area: '2500', length: '60', is: 'Catch basin' },
    ],
    { level: '-4' },
  );
  await story.holds(/x/);
  await story.end([]);
});

test('a line is spliced into a main', async ({ page }) => {
  const story = new Story(page, 'Splice');
  await story.begin([{ area: '900', length: '30' }], { level: '-3', how: 'Into a main', into: 'Rain' });
  await story.list();
  await story.open('Main');
  await story.holds(/x/);
  await story.say({ fill: { 'Inside diameter of the main': '8' } });
  await story.close();
  await story.holds(/x/);
  await story.end([]);
});

test('several roof lines down a hillside to one drain', async ({ page }) => {
  const story = new Story(page, 'Hillside');
  await story.begin(
    [
      { area: '800', ground: '0', length: '35' },
      { area: '800', ground: '-3', length: '35' },
      { area: '800', ground: '-6', length: '35' },
      { area: '800', ground: '-9', length: '50' },
    ],
    { level: '-13', into: 'Slope' },
  );
  await story.holds(/x/);
  await story.end([]);
});

test('a soggy acre with a spring', async ({ page }) => {
  const story = new Story(page, 'Soggy acre');
  await story.begin([{ area: '800', length: '40' }], { level: '-5' });
  await story.list();
  await story.add('Subsurface drain', {
    fill: { Length: '120', 'Depth where its pipe leaves': "2'", 'Between pipes': '40', 'Its pitch': '1%' },
    choose: ['Loam'],
  });
  await story.lead('Swale', '30');
  await story.close();
  await story.add('Steady water', { fill: { 'Runs at': '4' }, choose: ['Spring'] });
  await story.close();
  await story.holds(/x/);
  await story.end([]);
});

test('a swale where no pipe can go, with the neighbour’s consent', async ({ page }) => {
  const story = new Story(page, 'Green way');
  await story.begin([{ area: '800', length: '40' }], { level: '-3' });
  await story.list();
  await story.add('Swale', {
    fill: {
      Deep: '9',
      Floor: '2',
      'Sides, so much across to 1 up': '4',
      Length: '120',
      'Floor at its head': '-1',
      'Floor at its foot': '-4',
    },
    choose: ['A neighbour’s, given'],
  });
  await story.close();
  await story.add('Ground', { fill: { Area: '12000' }, check: ['Swale 1'], choose: ['Lawn on clay, 2–7%'] });
  await story.close();
  await story.holds(/x/);
  await story.end([]);
});

test('four means one behind another at a wet house with a sump', async ({ page }) => {
  const story = new Story(page, 'Four means');
  await story.begin([{ area: '6000', length: '60', is: 'Catch basin' }], { level: '-4' });
  await story.list();
  await story.add('House sump line', { fill: { 'Runs at': '15' }, check: ['Basin 1'] });
  await story.close();
  await story.add('Swale', {
    fill: {
      Deep: '8',
      Floor: '2',
      'Sides, so much across to 1 up': '4',
      Length: '80',
      'Floor at its head': '-0.5',
      'Floor at its foot': '-2.5',
    },
  });
  await story.close();
  await story.add('Ground', { fill: { Area: '9000' }, check: ['Swale 1'], choose: ['Lawn on loam, 2–7%'] });
  await story.close();
  await story.add('Berm', {
    fill: {
      'Ground at its lowest': '-0.5',
      'Crest over that': '12',
      'Crest wide': '2',
      'Sides, so much across to 1 up': '3',
      Length: '60',
    },
  });
  await story.close();
  await story.add('Subsurface drain', {
    fill: { Length: '60', 'Depth where its pipe leaves': "2'", 'Between pipes': '20', 'Its pitch': '1%' },
    choose: ['Loam'],
  });
  await story.lead('Basin 1', '10');
  await story.close();
  await story.holds(/x/);
  await story.end([]);
});

test('a culvert askew under a drive', async ({ page }) => {
  const story = new Story(page, 'Askew');
  await story.begin([{ area: '800', length: '40' }], { level: '-3' });
  await story.list();
  await story.add('Culvert', {
    fill: {
      Pipe: '12',
      Length: '30',
      'Invert at its inlet': '-2',
      'Invert at its outlet': '-2.5',
      'Lowest of the road’s edge': '0',
      'Straight across it would be': '20',
    },
  });
  await story.close();
  await story.add('Swale', {
    fill: {
      Deep: '12',
      Floor: '2',
      'Sides, so much across to 1 up': '4',
      Length: '100',
      'Floor at its head': '-1',
      'Floor at its foot': '-2',
    },
    choose: ['Culvert 1'],
  });
  await story.close();
  await story.add('Ground', { fill: { Area: '15000' }, check: ['Swale 1'], choose: ['Lawn on clay, 2–7%'] });
  await story.close();
  await story.holds(/x/);
  await story.end([]);
});

test('a barrel overflows into an old line', async ({ page }) => {
  const story = new Story(page, 'Old line');
  await story.begin([{ area: '600', length: '50' }], { level: '-3' });
  await story.list();
  await story.add('Barrel', { fill: { Holds: '60', 'Stands on': '16', 'Overflow over that': '30' } });
  await story.lead('Downspout 1', '6');
  await story.close();
  await story.holds(/x/);
  await story.end([]);
});

test('a basin assembled with weep holes and gravel', async ({ page }) => {
  const story = new Story(page, 'Weeps');
  await story.begin([{ area: '3000', length: '45', is: 'Catch basin' }], { level: '-3' });
  await story.way('Floor of a catch basin', 'Weep holes on stone');
  await story.holds(/x/);
  await story.end([]);
});

test('five drain builds compared', async ({ page }) => {
  const story = new Story(page, 'Five drains');
  await story.begin([{ area: '800', length: '40' }], { level: '-4' });
  await story.list();
  await story.add('Subsurface drain', {
    fill: { Length: '60', 'Depth where its pipe leaves': "2'", 'Between pipes': '20', 'Its pitch': '1%' },
    choose: ['Loam', '1½ in round', 'Sock', 'Slots all round'],
  });
  await story.lead('Swale', '20');
  await story.close();
  await story.holds(/x/);
  await story.way('Fabric', 'A sock on the pipe');
  await story.way('Which stone', '¾ in clear');
  await story.end([]);
});

test('stone drains and basins at a commercial door', async ({ page }) => {
  const story = new Story(page, 'Commercial door');
  await story.begin([{ area: '1500', length: '60', is: 'Catch basin' }], { level: '-3' });
  await story.list();
  await story.add('Stone drain', {
    fill: { Wide: '12', Deep: '18', Length: '30', 'Pipe in it': '4', 'Edge of the slab': '2"' },
  });
  await story.lead('Basin 1', '8');
  await story.close();
  await story.add('Ground', { fill: { Area: '900' }, check: ['Stone drain 1'], choose: ['Concrete'] });
  await story.close();
  await story.holds(/x/);
  await story.end([]);
});

test('an open base under paving at a pool', async ({ page }) => {
  const story = new Story(page, 'Pool base');
  await story.begin([{ area: '800', length: '40' }], { level: '-3' });
  await story.list();
  await story.add('Permeable base', {
    fill: {
      Area: '600',
      'Stone at its low edge': '12',
      'Floor falls away': '1%',
      'Length along its fall': '30',
      'Voids in the stone': '40%',
      'Opening at its outlet': '1',
    },
    choose: ['Loam'],
  });
  await story.lead('Swale', '30');
  await story.close();
  await story.holds(/x/);
  await story.end([]);
});

test('a pool deck’s channel through the cores of a wall', async ({ page }) => {
  const story = new Story(page, 'Pool deck');
  await story.begin([{ area: '900', length: '30', is: 'Channel drain' }], { level: '-3', into: 'Slope' });
  await story.list();
  await story.open('Channel drain 1');
  await story.say({
    choose: ['Several', 'In its end or side'],
    fill: { Length: '30', 'Inside width': '6', 'Depth at the outlet': '8' },
  });
  await story.holds(/x/);
  await story.close();
  await story.holds(/x/);
  await story.end([]);
});
