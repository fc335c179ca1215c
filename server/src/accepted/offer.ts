/** What a job offers as it stands, with its hash: what a customer reads and accepts. */
import { createHash } from 'node:crypto';
import { offeredText, planJob, quoteOf, takeOff, type Company, type Job, type Quote } from '@katabasis/core';

export interface Offer {
  offered: string;
  sha256: string;
  /** As it is written, with tax where there is any. */
  price: string;
  options: Quote['options'];
  /** Whether it can be accepted: a plan with a Stop is nobody's to sign for. */
  holds: boolean;
}

export function offerOf(job: Job, company: Company): Offer {
  const plan = planJob(job);
  const quote = quoteOf(job, plan, takeOff(job, plan), company);
  const offered = offeredText(quote);
  return {
    offered,
    sha256: createHash('sha256').update(offered).digest('hex'),
    price: quote.price.at(-1)!.amount,
    options: quote.options,
    holds: plan.verdict.state !== 'stop' && plan.verdict.state !== 'empty',
  };
}
