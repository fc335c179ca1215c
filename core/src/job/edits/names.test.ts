/** Names that are given where nobody gives one. */
import { applyChange } from '../change';
import { headOf, type Job } from '../job';
import type { Discharge } from '../kinds';
import { samples } from '../../samples';
import { keepAside } from '../../variants/variants';
import { out } from '../../testing/parts';
import { freeOf } from './insert';
import { otherwise } from './wayOutName';

it.each([
  [[], 'Basin', 'Basin'],
  [['Basin'], 'Basin', 'Basin 2'],
  [['Option 2'], 'Option 2', 'Option 3'],
  [['Option 2', 'Option 3'], 'Option 2', 'Option 4'],
  [['Route 66 north'], 'Route 66 north', 'Route 66 north 2'],
])('beside %j, %s is called %s', (taken, name, free) => {
  expect(freeOf(new Set(taken), name)).toBe(free);
});

it('options kept one after another are Option 2, 3 and 4, by whatever name they were asked for', () => {
  let job: Job = samples()[0]!;
  const names: (string | undefined)[] = [];
  for (const asked of [undefined, 'Option 2', undefined]) {
    job = applyChange(job, keepAside(job, asked)).job;
    names.push(headOf(job).option);
  }
  expect(names).toEqual(['Option 2', 'Option 3', 'Option 4']);
});

it('a way out that lets out otherwise is called so, with its number; by a name of its own it keeps that', () => {
  const swale = (name: string): Discharge => out({ name, form: 'daylight', receiving: 'swale' });
  const called = (name: string): string => otherwise(swale(name), { form: 'main' }).name;
  const [plain, second] = [called('Swale'), called('Swale 2')];
  expect(plain).not.toContain('Swale');
  expect(second).toBe(`${plain} 2`);
  expect(called('Old Swale 2')).toBe('Old Swale 2');
});
