import { randomBytes } from 'node:crypto';
import { parseArgs } from 'node:util';
import { PEOPLE } from '../demo/workshop.ts';
import { configFrom, DEMO_PASSWORD, wholeFrom } from '../server/config.ts';
import { buildPage } from './buildPage.ts';
import { freePort } from './freePort.ts';
import { type OpenDatabase, openDatabase } from './openDatabase.ts';
import { say, stop } from './say.ts';
import { type Running, serve } from './serve.ts';
import { startProblem } from './startProblem.ts';
import { type RunningDesk, startSupplierDesk } from './supplierDesk.ts';

const { values: asked } = readArguments();
let database: OpenDatabase | null = null;
let desk: RunningDesk | null = null;

function readArguments() {
  try {
    return parseArgs({
      options: { sample: { type: 'boolean', default: false }, own: { type: 'boolean', default: false } },
    });
  } catch {
    return stop('npm start takes --sample or --own and nothing else: npm start -- --own');
  }
}

const LOOPBACK = /^(127\.|::1$|localhost$)/;

interface Started {
  readonly running: Running;
  readonly showSample: boolean;
  readonly beginWord: string | null;
}

async function start(): Promise<Started> {
  if (asked.own && asked.sample) stop('Either --own or --sample: they are two workshops.');
  // Settings first: a wrong one is said before anything is begun.
  configFrom(process.env, { databaseUrl: '', pageFolder: null, sessionSecret: '', sample: false });
  const wanted = wholeFrom(process.env, 'PORT', 0, 1, 65_535);
  database = await openDatabase((own) => (own ? 'load' : asked.sample ? 'load' : 'none'));
  const onlyHere = LOOPBACK.test(process.env.HOST ?? '127.0.0.1');
  // Everybody may know the sample's sign-ins, so they are shown only where that is meant: in our own cluster on this
  // machine, or by the explicit word.
  const showSample = !asked.own && database.sample && (asked.sample || (database.privateCluster && onlyHere));
  const page = await buildPage();
  const port = wanted || (await freePort(8420));
  // Both workshops of our own cluster on one address, on this machine; else the one that is meant.
  const both = showSample && database.privateCluster && onlyHere ? database.own : null;
  const url = asked.own && database.own ? database.own : database.url;
  // Whoever reaches an open address first must not begin the workshop of others.
  const beginWord = onlyHere || showSample ? null : randomBytes(5).toString('hex');
  // The supplier desk that ships with Dajo stands in for the sample's suppliers.
  if (showSample) desk = await startSupplierDesk();
  const deskUrl = desk?.url ?? null;
  const running = await serve(url, page, port, { sample: showSample, own: both, beginWord, deskUrl }).catch(
    (error: NodeJS.ErrnoException) => {
      if (error.code === 'EADDRINUSE') {
        desk?.stop();
        database?.stop();
        stop(`Port ${port} is taken: set PORT to another one.`);
      }
      throw error;
    },
  );
  return { running, showSample, beginWord };
}

try {
  const { running, showSample, beginWord } = await start();
  // Before anything is said: whoever reads that Ctrl-C stops it may press it at once.
  let ending = false;
  const end = async () => {
    if (ending) return;
    ending = true;
    await running.close();
    desk?.stop();
    database?.stop();
    process.exit(0);
  };
  process.on('SIGINT', end);
  process.on('SIGTERM', end);
  say(`\nDajo is at ${running.url}`);
  if (showSample) {
    say(`Sign in as ${PEOPLE.map((person) => person.signIn).join(', ')} with the password ${DEMO_PASSWORD}`);
    say('(ilse is the manager; the sign-in page says who does what). Ctrl-C stops everything.');
  } else {
    if (beginWord) say(`Whoever begins a workshop here is asked for this word: ${beginWord}`);
    say('Ctrl-C stops everything.');
  }
} catch (error) {
  (desk as RunningDesk | null)?.stop();
  (database as OpenDatabase | null)?.stop();
  const sentence = startProblem(error, process.env.DATABASE_URL);
  if (sentence) stop(sentence);
  throw error;
}
