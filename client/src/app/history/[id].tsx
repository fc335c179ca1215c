import { later } from '../../stations/later';

export default later(() => import('../../stations/jobs/HistoryScreen').then(({ HistoryScreen }) => HistoryScreen));
