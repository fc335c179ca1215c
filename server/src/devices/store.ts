/** Devices that were let in. Each has a token in a cookie; the database has its hash only. */
import { randomBytes, randomUUID } from 'node:crypto';
import { hashOf } from '../admission/hashOf';
import { Withdrawals } from '../admission/withdrawals';
import type { Db } from '../database';

export interface Device {
  id: string;
  name: string;
}

/** Of whom a device is, and where it came from. */
export interface DeviceOf {
  person: string | null;
  address: string;
}

interface DeviceRow extends Device {
  paired_at: string;
  seen_at: string;
  person_id: string | null;
}

/** How often it is written down that a device was here, ms. */
const SEEN_EVERY_MS = 3600 * 1000;

export class DeviceStore {
  private readonly sql;

  constructor(
    db: Db,
    private readonly withdrawals = new Withdrawals(null),
  ) {
    this.sql = {
      // Found by the hash of what was sent: how long that takes tells nothing about a token.
      byToken: db.prepare<[string], DeviceRow>(
        'select id, name, paired_at, seen_at, person_id from devices where token_hash = ? and withdrawn_at is null',
      ),
      all: db.prepare<[], DeviceRow>(
        'select id, name, paired_at, seen_at, person_id from devices where withdrawn_at is null order by paired_at',
      ),
      put: db.prepare(
        'insert into devices (id, name, token_hash, paired_at, seen_at, person_id, from_address) values (?, ?, ?, ?, ?, ?, ?)',
      ),
      cameFrom: db.prepare<[string, string], { n: number }>(
        'select count(*) as n from devices where person_id = ? and from_address = ?',
      ),
      ofPerson: db.prepare<[string], { id: string }>(
        'select id from devices where person_id = ? and withdrawn_at is null',
      ),
      see: db.prepare('update devices set seen_at = ? where id = ?'),
      hashOf: db.prepare<[string], { token_hash: string }>(
        'select token_hash from devices where id = ? and withdrawn_at is null',
      ),
      withdraw: db.prepare('update devices set withdrawn_at = ? where id = ? and withdrawn_at is null'),
    };
  }

  /** Lets a device in; gives the token that it shows from now on. */
  admit(
    name: string,
    { person, address }: DeviceOf = { person: null, address: '' },
  ): { device: Device; token: string } {
    const token = randomBytes(32).toString('base64url');
    const device = { id: randomUUID(), name };
    const at = new Date().toISOString();
    this.sql.put.run(device.id, name, hashOf(token), at, at, person, address);
    return { device, token };
  }

  /** The device that shows a token, and whether it was not seen for a while; null for a token of none, or of one withdrawn. */
  whose(token: string): (Device & { isDue: boolean; person: string | null }) | null {
    const row = this.sql.byToken.get(hashOf(token));
    if (!row) return null;
    const isDue = Date.now() - Date.parse(row.seen_at) > SEEN_EVERY_MS;
    if (isDue) this.sql.see.run(new Date().toISOString(), row.id);
    return { id: row.id, name: row.name, isDue, person: row.person_id };
  }

  list(): { id: string; name: string; pairedAt: string; seenAt: string; person: string | null }[] {
    return this.sql.all.all().map(({ id, name, paired_at: pairedAt, seen_at: seenAt, person_id: person }) => ({
      id,
      name,
      pairedAt,
      seenAt,
      person,
    }));
  }

  /** Whether somebody was let in from an address before. */
  cameFrom(person: string, address: string): boolean {
    return this.sql.cameFrom.get(person, address)!.n > 0;
  }

  /** Devices of somebody. */
  ofPerson(person: string): string[] {
    return this.sql.ofPerson.all(person).map(({ id }) => id);
  }

  /** Shuts a device out; false when there is none of that id. */
  withdraw(id: string): boolean {
    const row = this.sql.hashOf.get(id);
    if (!row) return false;
    this.withdrawals.add(row.token_hash);
    return this.sql.withdraw.run(new Date().toISOString(), id).changes > 0;
  }
}
