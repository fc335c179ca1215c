/** Who did what, from where: written down as it happens, and never altered; the database itself refuses to. */
import type { Audit } from '@katabasis/core';
import type { Context } from 'koa';
import { askerOf } from '../admission/asker';
import type { Db } from '../database';
import { fromOf } from '../http/cameFrom';

const PAGE = 100;

export interface Done {
  who: string;
  address: string;
  what: string;
}

export class Trail {
  constructor(private readonly db: Db) {}

  add({ who, address, what }: Done): void {
    this.db
      .prepare('insert into audit (at, who, address, what) values (?, ?, ?, ?)')
      .run(new Date().toISOString(), who.slice(0, 60), address.slice(0, 60), what.slice(0, 300));
  }

  /** Writes down what who asks did, from where they ask. */
  by(ctx: Context, what: string): void {
    this.add({ who: askerOf(ctx).name, address: fromOf(ctx).address, what });
  }

  /** The latest first, from before a number. */
  before(number: number): Audit {
    const entries = this.db
      .prepare<[number, number], Audit['entries'][number]>(
        'select number, at, who, address, what from audit where number < ? order by number desc limit ?',
      )
      .all(number, PAGE);
    return { entries, next: entries.length === PAGE ? entries.at(-1)!.number : null };
  }
}
