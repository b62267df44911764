import { createServer } from 'vite';
import { openDatabase } from './openDatabase.ts';
import { say } from './say.ts';
import { serve } from './serve.ts';

const database = await openDatabase((own) => (own ? 'load' : 'none'));
const api = await serve(database.url, null, 0, { sample: database.privateCluster });
const vite = await createServer({
  server: { host: '127.0.0.1', port: Number(process.env.PORT ?? 8430), proxy: { '/api': api.url } },
});
await vite.listen();
say(
  `Dajo for changing it: ${vite.resolvedUrls?.local[0]} (the page reloads as you save; restart after changes of the server)`,
);
const end = async () => {
  await vite.close();
  await api.close();
  database.stop();
  process.exit(0);
};
process.on('SIGINT', end);
process.on('SIGTERM', end);
