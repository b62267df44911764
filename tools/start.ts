import { parseArgs } from 'node:util';
import { PEOPLE } from '../demo/workshop.ts';
import { configFrom, DEMO_PASSWORD, wholeFrom } from '../server/config.ts';
import { buildPage } from './buildPage.ts';
import { freePort } from './freePort.ts';
import { type OpenDatabase, openDatabase } from './openDatabase.ts';
import { say, stop } from './say.ts';
import { type Running, serve } from './serve.ts';
import { startProblem } from './startProblem.ts';

const { values: asked } = readArguments();
let database: OpenDatabase | null = null;

function readArguments() {
  try {
    return parseArgs({ options: { sample: { type: 'boolean', default: false } } });
  } catch {
    return stop('npm start takes --sample and nothing else: npm start -- --sample');
  }
}

const LOOPBACK = /^(127\.|::1$|localhost$)/;

async function start(): Promise<{ running: Running; showSample: boolean }> {
  // Settings first: a wrong one is said before anything is begun.
  configFrom(process.env, { databaseUrl: '', pageFolder: null, sessionSecret: '', sample: false });
  const wanted = wholeFrom(process.env, 'PORT', 0, 1, 65_535);
  database = await openDatabase((own) => (own || asked.sample ? 'load' : 'none'));
  if (!database.privateCluster && !database.sample && !asked.sample)
    stop(
      `The database “${database.name}” has no workshop yet: start with npm start -- --sample to load the sample workshop into it.`,
    );
  // Everybody may know the sample's sign-ins, so they are shown only where that is meant: in our own cluster on this
  // machine, or by the explicit word.
  const showSample =
    database.sample && (asked.sample || (database.privateCluster && LOOPBACK.test(process.env.HOST ?? '127.0.0.1')));
  const page = await buildPage();
  const port = wanted || (await freePort(8420));
  const running = await serve(database.url, page, port, { sample: showSample }).catch(
    (error: NodeJS.ErrnoException) => {
      if (error.code === 'EADDRINUSE') {
        database?.stop();
        stop(`Port ${port} is taken: set PORT to another one.`);
      }
      throw error;
    },
  );
  return { running, showSample };
}

try {
  const { running, showSample } = await start();
  say(`\nDajo is at ${running.url}`);
  if (showSample) {
    say(`Sign in as ${PEOPLE.map((person) => person.signIn).join(', ')} with the password ${DEMO_PASSWORD}`);
    say('(ilse is the manager; the sign-in page says who does what). Ctrl-C stops everything.');
  } else say('Ctrl-C stops everything.');
  let ending = false;
  const end = async () => {
    if (ending) return;
    ending = true;
    await running.close();
    database?.stop();
    process.exit(0);
  };
  process.on('SIGINT', end);
  process.on('SIGTERM', end);
} catch (error) {
  (database as OpenDatabase | null)?.stop();
  const sentence = startProblem(error, process.env.DATABASE_URL);
  if (sentence) stop(sentence);
  throw error;
}
