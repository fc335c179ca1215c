/** Jobs from an empty page to parts, price and dig sheet, as a contractor on a phone would put them in. Figures at each head by hand. */
import { test } from './lib/test';
import { Story } from './lib/story';

test('a roof’s trunk runs through the channel of a courtyard, among roots', async ({ page }) => {
  // Roof 600 ft² × 0.95 × 6 in/h ÷ 96.3 = 35.5 gpm, court 400 ft² × 0.9 × 6 ÷ 96.3 = 22.4 gpm: 57.9 gpm through the channel’s own pipe.
  // 20 ft of channel is 7 lengths of 3′ 3″; 50 + 18 ft of pipe, with waste 71.4 ft, 8 sticks.
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
  await story.holds(/Carries the 10-year rain to the swale/);
  await story.end([
    '8 in channel drain with its grate, lengths of 3′ 3″ 7',
    '4 in PVC pipe 8 sticks of 10′',
    '4 in inlet with its seal, PVC 1',
  ]);
});

test('which pipe for a short line under a drive', async ({ page }) => {
  // 1,200 ft² × 0.95 × 6 ÷ 96.3 = 71 gpm: 4 in at 8 in in 24 ft, 2.8 %, holds some 185. Sawn on both sides, 48 ft; a foot wide, 24 ft².
  // Wheels pass: it lies on bedding.
  const story = new Story(page, 'Under the drive');
  await story.begin([{ area: '1200', length: '24' }], { level: '-2', over: 'Drive' });
  await story.holds(/Carries the 10-year rain to the swale/);
  await story.end(['4 in PVC pipe 3 sticks of 10′', 'Saw cut 48′', 'Slab to restore 24 ft²']);
});

test('a long roof trunk to a ditch', async ({ page }) => {
  // 2,250 ft² × 0.95 × 6 ÷ 96.3 = 133 gpm in the last pipe. 195 ft and what rises at the cleanout, with waste some 210 ft: 22 sticks.
  // A wye at each of two downspouts and one for the cleanout that a line of 120 ft wants.
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
  await story.holds(/Carries the 10-year rain to the ditch/);
  await story.end(['4 in PVC pipe 22 sticks of 10′', '4 in × 4 in wye, PVC 3', '4 in cleanout cap, PVC 1']);
});

test('a line ends in a pop-up that stands full', async ({ page }) => {
  // The lid is 12 in down, the pipe leaves the downspout’s foot some 16 in down: it stands full over all 60 ft, and a tee empties it.
  const story = new Story(page, 'Pop-up');
  await story.begin([{ area: '700', length: '60' }], { level: '-1', how: 'Pop-up' });
  await story.list();
  await story.open('Pop-up');
  await story.say({ choose: ['Leaching tee', 'Sandy loam'] });
  await story.close();
  await story.holds(/Carries the 10-year rain to Pop-up; its line stands full/);
  await story.end(['4 in pop-up emitter 1', '4 in leaching tee under an emitter 1', 'Stone, ¾ in clear 0.11 yd³']);
});

test('a yard drain with a basin after each downspout', async ({ page }) => {
  // A pipe in and one out of either basin: four outlets. 6 + 40 + 6 + 60 = 112 ft, with waste 118 ft: 12 sticks, and 13 with what comes down.
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
  await story.fix('stoneMissing');
  await story.holds(/Carries the 10-year rain to the swale/);
  await story.end(['12 × 12 in flat grate 2', '4 in basin outlet, PVC 4', '4 in PVC pipe 13 sticks of 10′']);
});

test('a line is spliced into a main', async ({ page }) => {
  // An 8 in main is cut: a wye of its own size, a boot on either side, a piece of 8 in between, a 45 into the branch.
  const story = new Story(page, 'Splice');
  await story.begin([{ area: '900', length: '30' }], { level: '-3', how: 'Into a main', into: 'Rain' });
  await story.list();
  await story.open('Main');
  await story.say({ fill: { 'Inside diameter of the main': '8' } });
  await story.close();
  await story.holds(/Carries the 10-year rain to the main/);
  await story.end([
    '8 in × 4 in wye, PVC 1',
    '8 in flexible boot with clamps, old clay to PVC 2',
    '8 in PVC pipe 1 stick',
  ]);
});

test('several roof lines down a hillside to one drain', async ({ page }) => {
  // 3,200 ft² × 0.95 × 6 ÷ 96.3 = 189 gpm at its foot; 3 ft in 35 is 8.6 %, where 4 in holds some 325. So steep it scours: an apron of stone.
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
  await story.fix('stoneMissing');
  await story.holds(/Carries the 10-year rain to the slope/);
  await story.end(['4 in × 4 in wye, PVC 3', '4 in PVC pipe 17 sticks of 10′', 'Stone for aprons']);
});

test('a soggy acre with a spring', async ({ page }) => {
  // A trench a foot wide and 2 ft deep over 120 ft is 8.7 yd³; less its pipe and a few inches without stone at the top, some 7.3.
  const story = new Story(page, 'Soggy acre');
  await story.begin([{ area: '800', length: '40' }], { level: '-5' });
  await story.list();
  await story.add('Subsurface drain', {
    fill: { Length: '120', 'Depth where its pipe leaves': "2'", 'Between pipes': '40', 'Its pitch': '1%' },
    choose: ['Loam'],
  });
  await story.lead('Swale', '30');
  await story.close();
  await story.add('Steady water', { fill: { 'Runs at': '4' }, choose: ['Spring'], check: ['Subsurface drain 1'] });
  await story.close();
  await story.fix('stoneMissing');
  await story.holds(/Carries the 10-year rain to the swale/);
  await story.end(['perforated 2 rolls of 100′', 'Stone, ¾ in clear 7.3 yd³']);
});

test('a swale where no pipe can go, with the neighbour’s consent', async ({ page }) => {
  // 12,000 ft² of lawn on clay at 0.22 × 6 ÷ 96.3 = 165 gpm. 9 in deep, 2 ft of floor, 4:1: 3.75 ft² over 120 ft is 16.7 yd³, all of it left over;
  // the pipe’s own trench is 2.7 more.
  const story = new Story(page, 'Green way');
  await story.begin([{ area: '800', length: '40' }], { level: '-3' });
  await story.list();
  await story.add('Swale', {
    fill: {
      Deep: '9',
      Floor: "2'",
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
  await story.holds(/Carries the 10-year rain to 2 ways out/);
  await story.end(['Dug out 19.4 yd³', 'Left over of what is dug 16.8 yd³']);
});

test('four means one behind another at a wet house with a sump', async ({ page }) => {
  // A berm 12 in high, 2 ft on top, 3:1: 5 ft² over 60 ft is 11.1 yd³.
  const story = new Story(page, 'Four means');
  await story.begin([{ area: '6000', length: '60', is: 'Catch basin' }], { level: '-4' });
  await story.list();
  await story.add('House sump line', { fill: { 'Runs at': '15' }, check: ['Basin 1'] });
  await story.close();
  await story.add('Swale', {
    fill: {
      Deep: '8',
      Floor: "2'",
      'Sides, so much across to 1 up': '4',
      Length: '80',
      'Floor at its head': '-0.5',
      'Floor at its foot': '-2.5',
    },
  });
  await story.close();
  await story.add('Ground', { fill: { Area: '9000' }, check: ['Swale 1'], choose: ['Lawn on loam, 2–7%'] });
  await story.close();
  await story.add('Subsurface drain', {
    fill: { Length: '60', 'Depth where its pipe leaves': "2'", 'Between pipes': '20', 'Its pitch': '1%' },
    choose: ['Loam'],
  });
  await story.lead('Basin 1', '10');
  await story.close();
  await story.add('Berm', {
    choose: ['Subsurface drain 1'],
    fill: {
      'Ground at its lowest': '-0.5',
      'Crest over that': '12',
      'Crest wide': "2'",
      'Sides, so much across to 1 up': '3',
      Length: '60',
    },
  });
  await story.close();
  await story.holds(/Carries the 10-year rain to 2 ways out/);
  await story.end(['Frost overflow at the wall 1', 'Fill placed 11.1 yd³', 'perforated 1 roll of 100′']);
});

test('a culvert askew under a drive', async ({ page }) => {
  // 15,000 ft² × 0.22 × 6 ÷ 96.3 = 206 gpm; 12 in at 6 in in 30 ft, 1.7 %, holds some 2,000: the inlet rules, less than half full.
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
      Floor: "2'",
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
  await story.holds(/Carries the 10-year rain to 2 ways out/);
  await story.end([
    '12 in double-wall pipe 2 sticks of 20′',
    '12 in culvert end section 2',
    'Plate for wheels over the open trench 1',
  ]);
});

test('a barrel overflows into an old line', async ({ page }) => {
  // 25 × 16 ft = 400 ft² × 0.95 × 6 ÷ 96.3 = 23.7 gpm: 60 gal is full within three minutes, and all after that runs down the old line.
  const story = new Story(page, 'Old line');
  await story.begin([{ area: '600', length: '50' }], { level: '-3' });
  await story.run('Downspout 1 to Swale');
  await story.say({ choose: ['Old, kept'], fill: { 'Falls at least': '1%' } });
  await story.close();
  await story.list();
  await story.add('Barrel', { fill: { Holds: '60', 'Stands on': '16', 'Overflow over that': '30' } });
  await story.lead('Downspout 1', '6');
  await story.close();
  await story.add('Downspout');
  await story.lead('Barrel 1', '4');
  await story.close();
  await story.add('Roof face', {
    fill: { 'Width along the eave': '25', 'Run, eave to ridge': '16' },
    check: ['Downspout 2'],
  });
  await story.close();
  await story.holds(/Downspout 1 to Swale|Carries the 10-year rain to the swale/);
  await story.end(['Barrel of 60.0 gal 1', 'Valve at the foot of a barrel 1', 'Stand for a barrel 1']);
});

test('a basin assembled with weep holes and gravel', async ({ page }) => {
  // A hole 20 in square with 5 in of gravel under the box: 1.16 ft³, and 5 % more to buy, 0.05 yd³.
  const story = new Story(page, 'Weeps');
  await story.begin([{ area: '3000', length: '45', is: 'Catch basin' }], { level: '-3' });
  await story.way('Floor of a catch basin', 'Weep holes on stone');
  await story.holds(/Carries the 10-year rain to the swale/);
  await story.end(['Weep holes drilled in basin floors 5', 'Stone, ¾ in clear 0.05 yd³']);
});

test('five builds of a drain compared: sock, stone, holes, joint, and a basin at its end', async ({ page }) => {
  // A sock for 60 ft of pipe and 5 % of it; fabric only round the open joint: 1.2 m × π × 4 in is 0.46 yd². The basin joins it a foot on.
  const story = new Story(page, 'Five drains');
  await story.begin([{ area: '800', length: '40' }], { level: '-4' });
  await story.list();
  await story.add('Subsurface drain', {
    fill: { Length: '60', 'Depth where its pipe leaves': "2'", 'Between pipes': '20', 'Its pitch': '1%' },
    choose: ['Loam', '1½ in round', 'Sock', 'Slots all round'],
  });
  await story.lead('Swale', '20');
  await story.close();
  await story.fix('stoneMissing');
  await story.holds(/Carries the 10-year rain to the swale/);
  await story.way('Fabric', 'A sock on the pipe');
  await story.way('Which stone', '¾ in clear');
  await story.way('Holes or slots?', 'Two rows');
  await story.way('Where a pipe leaves the stone?', 'End to end');
  await story.way('A wet lawn', 'A basin and a drain');
  await story.end([
    'Stone, ¾ in clear',
    'filter sock on the pipe 63′',
    '12 × 12 in flat grate 1',
    'perforated: two rows',
  ]);
});

test('stone drains and basins at a commercial door', async ({ page }) => {
  // 30 ft × 1 ft × 18 in less 4 in of pipe, 42.4 ft³, is 1.57 yd³ of stone.
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
  await story.holds(/Carries the 10-year rain to the swale/);
  await story.end(['Stone, 1½ in round 1.6 yd³', '12 × 12 in flat grate 1']);
});

test('an open base under paving at a pool', async ({ page }) => {
  // 600 ft² × 12 in is 22.2 yd³, less the pipe in it, and 5 % more to buy: 23.3.
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
  await story.holds(/Carries the 10-year rain to the swale/);
  await story.end(['Open-graded base stone 23.3 yd³']);
});

test('a pool deck’s channel with two holes in its wall, a pipe through each', async ({ page }) => {
  // 30 ft of channel is two of 15, 5 lengths each; two holes in its side and 30 ft of pipe from each, 63 ft with 5 % over; nothing joins before the slope.
  const story = new Story(page, 'Pool deck');
  await story.begin([{ area: '900', length: '30', is: 'Channel drain' }], { level: '-3', into: 'Slope' });
  await story.list();
  await story.open('Channel drain 1');
  await story.say({
    choose: ['Several', 'In its end or side'],
    fill: { Length: '30', 'Inside width': '6', 'Depth at the outlet': '8' },
  });
  await story.press('outlets-apart');
  await story.close();
  await story.holds(/Carries the 10-year rain to the slope/);
  await story.end([
    '6 in channel outlet to 4 in pipe, PVC 2',
    '4 in PVC pipe 7 sticks of 10′',
    '6 in channel end 4',
    'lengths of 3′ 3″ 10',
  ]);
});
