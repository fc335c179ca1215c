/** What is kept in the database beside the jobs. */
import type { Withdrawals } from './admission/withdrawals';
import type { Db } from './database';
import { DeviceStore } from './devices/store';
import { PeopleStore } from './people/store';
import { Trail } from './people/audit';
import { HandedStore } from './people/handed';
import { ShareStore } from './shares/store';
import { AcceptedStore } from './accepted/store';
import { ToldStore } from './together/told';
import { CrewStore } from './together/crew';

export const storesIn = (db: Db, withdrawals: Withdrawals | undefined) => ({
  devices: new DeviceStore(db, withdrawals),
  people: new PeopleStore(db, withdrawals),
  trail: new Trail(db),
  handed: new HandedStore(db),
  shares: new ShareStore(db, withdrawals),
  accepted: new AcceptedStore(db),
  told: new ToldStore(db),
  crew: new CrewStore(db),
});
