/** A server with people of every role, each with a device of their own, for tests. */
import { ROLES, type Role } from '@katabasis/core';
import { quillfeather } from '@katabasis/core/samples';
import type { Db } from '../database';
import { openDatabase } from '../database';
import { DeviceStore } from '../devices/store';
import { JobStore } from '../jobs/store';
import { PeopleStore, type Person } from '../people/store';
import { serve, type Served } from './serve';

export const JOB = 'quillfeather';

export interface Staffed extends Served {
  db: Db;
  people: PeopleStore;
  /** Lets in somebody new; gives them, and the header of their device. */
  admit: (name: string, role: Role, everywhere?: boolean) => { person: Person; as: { Cookie: string } };
  as: Record<Role, { Cookie: string }>;
  /** The server's own machine. */
  here: { 'x-here': string };
}

export function staffed(): Staffed {
  const db = openDatabase(':memory:');
  const served = serve({ db, isLocal: (ctx) => ctx.get('x-here') === 'yes' });
  new JobStore(db).create(quillfeather());
  const people = new PeopleStore(db);
  const devices = new DeviceStore(db);
  const admit: Staffed['admit'] = (name, role, everywhere = true) => {
    const person = people.join(people.invite({ name, role, everywhere, days: 1 }, 'a test'), 'no password of anybody');
    const { token } = devices.admit(`Phone of ${name}`, { person: person.id, address: '192.0.2.1' });
    return { person, as: { Cookie: `katabasis=${token}` } };
  };
  const as = Object.fromEntries(ROLES.map((role) => [role, admit(`The ${role}`, role).as])) as Staffed['as'];
  return { ...served, db, people, admit, as, here: { 'x-here': 'yes' } };
}
