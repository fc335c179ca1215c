/** A year as tables: for paper, and for a spreadsheet. */
import { money } from '../price/words';
import type { Table } from '../sheets/tables';
import { behind, COST_LABELS, factor, kindWords, STEP_LABELS } from './words';
import type { Year } from './year';

const table = (title: string, columns: Table['columns'], rows: Table['rows']): Table => ({ title, columns, rows });

/** What came in and went out, each beside what was planned. */
export function sumsTable({ currency, asked, costs, overhead, complaints, earned, hours }: Year): Table {
  const said = (amount: number): string => money(amount, currency);
  return table(
    'What came in and went out',
    [
      { title: '', wide: true },
      { title: 'Planned', right: true },
      { title: 'In the end', right: true },
    ],
    [
      ['Asked, before tax', '', said(asked)],
      ...costs.map(({ of, planned, came }) => [COST_LABELS[of], said(planned), said(came)]),
      ['The firm’s own costs', '', said(overhead)],
      ['Put right at our cost', '', said(complaints.cost)],
      ['Left', '', said(earned)],
      ['Hours of the crew', hours.planned.toFixed(1), hours.took.toFixed(1)],
    ],
  );
}

/** Every settled job, the best first. */
export function jobsTable({ jobs, currency }: Year): Table {
  return {
    ...table(
      'Jobs',
      [
        { title: 'Job', wide: true },
        { title: 'Settled' },
        { title: 'Asked', right: true },
        { title: 'Cost', right: true },
        { title: 'Left', right: true },
      ],
      jobs.map(({ name, on, asked, cost, earned }) => [
        name,
        on,
        money(asked, currency),
        money(cost, currency),
        money(earned, currency),
      ]),
    ),
    ids: jobs.map(({ id }) => id),
  };
}

export function pacesTable({ paces }: Year): Table {
  return table(
    'Hours for each usual hour',
    [
      { title: 'Step', wide: true },
      { title: 'Own', right: true },
      { title: 'How sure', wide: true },
    ],
    [
      ...(paces.all ? [['All steps', factor(paces.all.median), behind(paces.all, factor)]] : []),
      ...paces.kinds.map(({ kind, pace }) => [STEP_LABELS[kind], factor(pace.median), behind(pace, factor)]),
    ],
  );
}

export function kindsTable({ kinds }: Year): Table {
  return table(
    'Kinds of job, the worst first',
    [
      { title: 'Kind', wide: true },
      { title: 'How they came out', wide: true },
    ],
    kinds.map((each) => {
      const { title, about } = kindWords(each);
      return [title, about];
    }),
  );
}
