/**
 * A stand-in for the office that has buried public lines marked: it takes a request, and answers for each line on and after the day that the
 * marks are due. About one line in eight is late, the same ones whenever it is asked.
 */
import { plusDays } from '@katabasis/core';
import { createHash } from 'node:crypto';
import type { LocateAnswer, LocateTicket } from '@katabasis/core';
import type { Db } from '../database';

const LATE_IN = 8;
const LATE_DAYS = 2;

interface Row {
  asked_on: string;
  ready_on: string;
  services: string;
}

export class LocateOffice {
  constructor(private readonly db: Db) {}

  /** Takes a request; the same one sent twice is one. */
  ask({ ticket, askedOn, readyOn, services }: LocateTicket): void {
    this.db
      .prepare(
        'insert into locate_tickets (ticket, asked_on, ready_on, services) values (?, ?, ?, ?) on conflict do nothing',
      )
      .run(ticket, askedOn, readyOn, JSON.stringify(services));
  }

  /** What is known of a ticket on a day; undefined of one that was never asked for. */
  answers(ticket: string, on: string): LocateAnswer[] | undefined {
    const row = this.db
      .prepare<[string], Row>('select asked_on, ready_on, services from locate_tickets where ticket = ?')
      .get(ticket);
    if (!row) return undefined;
    return (JSON.parse(row.services) as LocateTicket['services']).map(({ id, form }) => {
      const late = createHash('sha256').update(`${ticket} ${id}`).digest()[0]! % LATE_IN === 0;
      const due = late ? plusDays(row.ready_on, LATE_DAYS) : row.ready_on;
      return { id, form, answer: on < due ? 'waiting' : 'marked', due };
    });
  }
}
