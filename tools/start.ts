import { PEOPLE } from '../demo/workshop.ts';
import { DEMO_PASSWORD } from '../server/config.ts';
import { buildPage } from './buildPage.ts';
import { freePort } from './freePort.ts';
import { loadSample, openDatabase } from './openDatabase.ts';
import { say, stop } from './say.ts';
import { serve } from './serve.ts';

const demo = process.env.DAJO_DEMO !== '0';
const database = await openDatabase();
try {
  if (demo) await loadSample(database.url, false);
  const page = await buildPage();
  const port = process.env.PORT ? Number(process.env.PORT) : await freePort(8420);
  const running = await serve(database.url, page, port).catch((error: NodeJS.ErrnoException) => {
    database.stop();
    return stop(
      error.code === 'EADDRINUSE'
        ? `Port ${port} is taken: set PORT to another one.`
        : `The server did not start: ${error.message}`,
    );
  });
  say(`\nDajo is at ${running.url}`);
  if (demo) {
    say(`Sign in as ${PEOPLE.map((person) => person.signIn).join(', ')} with the password ${DEMO_PASSWORD}`);
    say('(ilse is the manager; the sign-in page says who does what). Ctrl-C stops everything.');
  }
  let ending = false;
  const end = async () => {
    if (ending) return;
    ending = true;
    await running.close();
    database.stop();
    process.exit(0);
  };
  process.on('SIGINT', end);
  process.on('SIGTERM', end);
} catch (error) {
  database.stop();
  throw error;
}
