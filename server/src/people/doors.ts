/** Every door of people: coming in, who one is, who is here, what waits for who may, and what was done. */
import type Router from '@koa/router';
import type { DeviceStore } from '../devices/store';
import type { Db } from '../database';
import type { Newsroom } from '../events/newsroom';
import type { JobStore } from '../jobs/store';
import type { Trail } from './audit';
import type { HandedStore } from './handed';
import { OwnData } from './ownData';
import { Passkeys, passkeyRoutes } from './passkeys';
import { RecoveryCodes } from './recoveryCodes';
import { auditRoutes, handedRoutes, keptRoutes, meRoutes, peopleRoutes } from './routes';
import { signInRoutes } from './signIn';
import type { PeopleStore } from './store';

interface Parts {
  db: Db;
  people: PeopleStore;
  devices: DeviceStore;
  trail: Trail;
  handed: HandedStore;
  store: JobStore;
  news: Newsroom;
  addresses: () => string[];
}

export function peopleDoors({ db, people, devices, trail, handed, store, news, addresses }: Parts): Router[] {
  const parts = {
    people,
    devices,
    trail,
    passkeys: new Passkeys(db),
    ownData: new OwnData(db),
    codes: new RecoveryCodes(db),
    addresses,
    onWithdrawn: (device: string) => news.shutOut(device),
  };
  return [
    signInRoutes(parts),
    passkeyRoutes(parts),
    meRoutes(parts),
    peopleRoutes(parts),
    keptRoutes(parts),
    auditRoutes(parts),
    handedRoutes({ handed, store, news, trail }),
  ];
}
