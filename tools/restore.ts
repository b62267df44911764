import { parseArgs } from 'node:util';
import { BackupFault, restore } from './backupFile.ts';
import { say, stop } from './say.ts';
import { startProblem } from './startProblem.ts';
import { whichDatabase } from './whichDatabase.ts';

// Use: npm run restore -- FILE [--into NAME]
const { values, positionals } = parseArgs({ options: { into: { type: 'string' } }, allowPositionals: true });
const [file] = positionals;
if (!file) stop('Say which file: npm run restore -- FILE');
if (values.into !== undefined && !/^[a-z0-9_-]{1,60}$/i.test(values.into))
  stop('A database has a name of letters, figures, dashes and underscores.');
const database = await whichDatabase(false);
try {
  const address = new URL(database.url);
  if (values.into) address.pathname = `/${values.into}`;
  const { people, jobs } = await restore(file, address.href);
  say(`${file} is restored into “${address.pathname.slice(1)}”: ${people} people, ${jobs} jobs.`);
  if (values.into) say('Start on it by naming it in DATABASE_URL.');
  database.stop();
} catch (error) {
  database.stop();
  const sentence = error instanceof BackupFault ? error.message : startProblem(error, process.env.DATABASE_URL);
  if (sentence) stop(sentence);
  throw error;
}
