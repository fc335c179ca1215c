import { applyChange, put } from '../job/change';
import { headOf, type Job } from '../job/job';
import type { Note } from '../job/kinds';
import { removal } from '../job/edits/remove';
import { priceOf } from '../price/price';
import { takeOff } from '../quantities/takeOff';
import { quillfeather } from '../samples';
import { quoteOf } from '../sheets/quote';
import { planJob } from '../verdict/planJob';
import { answersTo, crewNotes, notesOn, noteWords, openQuestions } from './notes';

const note = (id: string, sort: Note['sort'], more: Partial<Note> = {}): Note => ({
  id,
  kind: 'note',
  sort,
  text: `said ${id}`,
  on: '2026-11-30',
  ...more,
});
const written = (...notes: Note[]): Job => applyChange(quillfeather(), put('Write', ...notes)).job;
const quoted = (job: Job) => {
  const plan = planJob(job);
  return quoteOf(job, plan, takeOff(job, plan));
};

it('an extra is charged as it was agreed, at the cost, and what is free moves nothing', () => {
  const cost = (job: Job): number => priceOf(job, takeOff(job, planJob(job))).cost;
  const before = cost(quillfeather());
  expect(cost(written(note('a', 'extra', { amount: 12_345 }), note('b', 'extra'), note('c', 'seen')))).toBe(
    before + 12_345,
  );
});

it('a customer reads what was promised, agreed, warned of and left to others, and nothing else; a crew what it must know', () => {
  const job = written(
    note('p', 'promise'),
    note('e', 'extra', { amount: 100 }),
    note('w', 'warned'),
    note('o', 'byOthers'),
    note('s', 'seen', { of: 'basin' }),
    note('c', 'changed'),
    note('v', 'wish'),
  );
  const { scope, excluded, cautions, ...rest } = quoted(job);
  expect(scope).toEqual(expect.arrayContaining(['Promised: said p', 'Agreed on the way: said e']));
  expect(excluded).toContain('Done by others: said o');
  expect(cautions).toContain('You were told, 2026-11-30: said w');
  expect(JSON.stringify([scope, excluded, cautions, rest])).not.toMatch(/said [scv]\b/);
  expect(crewNotes(job)).toEqual(['Promised: said p', 'Done by others: said o', 'Seen here at Lawn basin: said s']);
});

it('stays when the thing that it is about is taken out, and is then about nothing', () => {
  const job = written(note('s', 'seen', { of: 'basin' }));
  expect(notesOn(job, 'basin').map(({ id }) => id)).toEqual(['s']);
  const without = applyChange(job, removal(job, 'basin')).job;
  expect(noteWords(without, notesOn(without, 'basin')[0]!)).toBe('Seen here: said s');
});

it('whom to reach stands on nothing that leaves the house', () => {
  const head = headOf(quillfeather());
  const contacts = [
    { name: 'Wren Tarnfield', role: 'neighbour' as const, phone: '555 0177', mail: 'wren@tarn.example' },
  ];
  const job = applyChange(quillfeather(), put('Say', { ...head, contacts })).job;
  expect(JSON.stringify([quoted(job), crewNotes(job)])).not.toMatch(/Wren|0177|tarn\.example/);
});

it('what was taken back stays written down, and is neither charged nor told to anybody as standing', () => {
  const back = { back: '2026-12-01' };
  const job = written(
    note('e', 'extra', { amount: 12_345, ...back }),
    note('p', 'promise', back),
    note('w', 'warned', back),
  );
  const cost = (each: Job): number => priceOf(each, takeOff(each, planJob(each))).cost;
  expect(cost(job)).toBe(cost(quillfeather()));
  expect(notesOn(job, null)).toHaveLength(3);
  expect(crewNotes(job)).toEqual([]);
  expect(JSON.stringify(quoted(job))).not.toMatch(/said [epw]\b/);
  expect(noteWords(job, notesOn(job, null)[1]!)).toBe('Promised: said p (taken back on 2026-12-01)');
});

it('a question is open until it is done with; a crew reads it with its answers, in order, and no more once it is', () => {
  const ask = note('q', 'asks', { of: 'basin', text: 'Is it live?' });
  const answers = [
    note('late', 'seen', { of: 'q', text: 'Since May.', on: '2026-12-02' }),
    note('early', 'seen', { of: 'q', text: 'Shut off.', on: '2026-12-01' }),
  ];
  const job = written(ask, ...answers);
  expect(openQuestions(job)).toEqual([ask]);
  expect(answersTo(job, ask).map(({ id }) => id)).toEqual(['early', 'late']);
  expect(crewNotes(job)).toEqual(
    expect.arrayContaining(['A question at Lawn basin: Is it live?', 'Answer to “Is it live?”: Shut off.']),
  );
  const done = applyChange(job, put('Done', { ...ask, done: '2026-12-03' })).job;
  expect(openQuestions(done)).toEqual([]);
  expect(crewNotes(done).join()).not.toContain('question');
});
