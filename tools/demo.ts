import { createInterface } from 'node:readline/promises';
import { parseArgs } from 'node:util';
import { openDatabase, type SampleWish } from './openDatabase.ts';
import { say, stop } from './say.ts';
import { startProblem } from './startProblem.ts';

const { values } = parseArgs({ options: { erase: { type: 'string' } } });

/** Has whoever runs this said that everything in the database of this name may go? */
async function agreed(name: string): Promise<boolean> {
  if (values.erase !== undefined) return values.erase === name;
  if (!process.stdin.isTTY)
    stop(`This erases everything in the database “${name}”: say so with npm run demo -- --erase ${name}`);
  const lines = createInterface({ input: process.stdin, output: process.stdout });
  const typed = await lines.question(`This erases everything in the database “${name}”. Type its name to go on: `);
  lines.close();
  return typed.trim() === name;
}

try {
  const database = await openDatabase(async (_own, name): Promise<SampleWish> => {
    if (!(await agreed(name))) stop(`That is not its name. Nothing was changed in “${name}”.`);
    return 'reset';
  });
  say('The sample workshop is as new. Sign in again where a page was open.');
  database.stop();
} catch (error) {
  const sentence = startProblem(error, process.env.DATABASE_URL);
  if (sentence) stop(sentence);
  throw error;
}
