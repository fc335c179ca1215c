/** Opens a database, makes it what the newest version wants, and says which that is: for tests that start many at once. */
import { openDatabase } from '../database';

const db = openDatabase(process.argv[2]!);
console.log(db.pragma('user_version', { simple: true }));
db.close();
