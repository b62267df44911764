import { loadSample, openDatabase } from './openDatabase.ts';
import { say } from './say.ts';

const database = await openDatabase();
try {
  await loadSample(database.url, true);
  say('The sample workshop is as new. Sign in again where a page was open.');
} finally {
  database.stop();
}
