/** A year of the company on paper and as a table. */
import { inOneCurrency, jobsTable, kindsTable, pacesTable, sumsTable, yearOf, type Year } from '@katabasis/core/ledger';
import { letterhead, type Company } from '@katabasis/core';
import Router from '@koa/router';
import { ProblemError } from '../http/problem';
import type { Summaries } from '../jobs/summaries';
import { csvOf } from '../sheets/files';
import { Paper, PAPERS, type PaperSize } from '../sheets/paper';
import { putTable } from '../sheets/tableOnPaper';

function pdfOfYear(year: Year, others: readonly string[], company: Company, size: PaperSize): Promise<Buffer> {
  const title = `The year ${year.year}`;
  const paper = new Paper(size, company.name ?? 'Own figures', new Date().toISOString().slice(0, 10), title);
  paper.page(title);
  for (const line of letterhead(company)) paper.paragraph(line);
  if (year.open > 0)
    paper.paragraph(
      `${year.open === 1 ? 'One job is' : `${year.open} jobs are`} not settled yet: ${year.open === 1 ? 'its' : 'their'} money is in none of these sums.`,
    );
  if (others.length > 0) paper.paragraph(`Jobs in ${others.join(' and ')} are not in these sums.`);
  for (const table of [sumsTable(year), jobsTable(year), kindsTable(year), pacesTable(year)]) {
    if (table.rows.length === 0) continue;
    paper.heading(table.title);
    putTable(paper, table);
  }
  return paper.end();
}

/** `company`: as it stands when it is asked. */
export function yearRoutes(summaries: Summaries, company: () => Company): Router {
  const router = new Router({ prefix: '/api/years' });
  router.get('/:file', async (ctx) => {
    const [, name, type] = /^(\d{4})\.(pdf|csv)$/.exec(ctx.params.file!) ?? [];
    if (name === undefined) throw new ProblemError(404, 'There is no such paper of a year.');
    const { currency, others, jobs } = inOneCurrency(summaries.ledger().jobs);
    const year = yearOf(jobs, name, currency);
    if (type === 'csv') {
      ctx.type = 'text/csv';
      ctx.body = csvOf(jobsTable(year));
      return;
    }
    ctx.type = 'application/pdf';
    const size = PAPERS.find((each) => each === ctx.query.paper) ?? 'letter';
    ctx.body = await pdfOfYear(year, others, company(), size);
  });
  return router;
}
