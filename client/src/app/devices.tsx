import { later } from '../stations/later';

export default later(() => import('../stations/jobs/DevicesScreen').then(({ DevicesScreen }) => DevicesScreen));
