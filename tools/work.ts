import { configFrom, settingsOf } from '../server/config.ts';
import { migrateUp } from '../server/db/migrate.ts';
import { backupsOf } from './backups.ts';
import { keepWorking } from './keepWorking.ts';
import { say, stop } from './say.ts';
import { startProblem } from './startProblem.ts';
import { whichDatabase } from './whichDatabase.ts';

// Use: npm run work. Does what is to be done by itself, beside servers started with WORK=off.
try {
  configFrom(process.env, { databaseUrl: '', pageFolder: null, sessionSecret: '', sample: false });
  const database = await whichDatabase(false);
  await migrateUp(database.url);
  const { backupFolder } = settingsOf(process.env);
  const backups = backupsOf(database.url, backupFolder, true);
  const working = keepWorking(database.url, backups);
  say(`Working: daily backups into ${backupFolder}, their trial each week, tidying. Ctrl-C stops it.`);
  const done = await working.look();
  if (done.length > 0) say(`Done: ${done.join(', ')}.`);
  // The timer of the work does not keep the process: this does.
  const hold = setInterval(() => {}, 1 << 30);
  const end = async () => {
    clearInterval(hold);
    await backups.stop();
    await working.stop();
    database.stop();
    process.exit(0);
  };
  process.on('SIGINT', end);
  process.on('SIGTERM', end);
} catch (error) {
  const sentence = startProblem(error, process.env.DATABASE_URL);
  if (sentence) stop(sentence);
  throw error;
}
