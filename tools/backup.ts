import { parseArgs } from 'node:util';
import { BackupFault, backUp } from './backupFile.ts';
import { say, stop } from './say.ts';
import { startProblem } from './startProblem.ts';
import { whichDatabase } from './whichDatabase.ts';

// Use: npm run backup [-- FILE] [-- --sample]
const { values, positionals } = parseArgs({
  options: { sample: { type: 'boolean', default: false } },
  allowPositionals: true,
});
const stamp = new Date().toISOString().slice(0, 16).replace('T', '-').replace(':', '');
const file = positionals[0] ?? `backups/dajo-${stamp}.backup`;
const database = await whichDatabase(values.sample);
try {
  const bytes = await backUp(database.url, file);
  say(`${file}, ${(bytes / 1e6).toFixed(1)} MB. Keep a copy on another machine.`);
  database.stop();
} catch (error) {
  database.stop();
  const sentence = error instanceof BackupFault ? error.message : startProblem(error, process.env.DATABASE_URL);
  if (sentence) stop(sentence);
  throw error;
}
