import { dayOf, momentOf } from './moments';

it('says a day in the words of the device, and what is no day as it lies', () => {
  expect(dayOf('2026-11-25')).toMatch(/25.*2026|2026.*25/);
  expect(momentOf('2026-11-25T09:30:00')).toMatch(/30/);
  expect([dayOf('someday'), momentOf('')]).toEqual(['someday', '']);
});
