import { createChannel, createSession } from 'better-sse';
import type { Request, Response } from 'express';
import pg from 'pg';

/** What a page is told: something of this kind, perhaps of this job, has changed. */
export interface LiveNote {
  readonly id: number;
  readonly resource: string;
  readonly job: string | null;
  readonly what: string;
}

export interface Live {
  readonly serve: (req: Request, res: Response) => Promise<void>;
  readonly close: () => Promise<void>;
}

const RETRY_MS = 1000;

/**
 * PostgreSQL NOTIFY → server-sent events. One listening connection a server; when it drops it is opened again, and pages
 * are told to look at everything, since notes may have been missed meanwhile.
 */
export async function startLive(databaseUrl: string): Promise<Live> {
  const channel = createChannel();
  let client: pg.Client | null = null;
  let closing = false;

  async function listen(again: boolean): Promise<void> {
    client = new pg.Client({ connectionString: databaseUrl });
    client.on('notification', ({ payload }) => {
      if (payload) channel.broadcast(JSON.parse(payload) as LiveNote, 'note');
    });
    client.on('error', () => {});
    client.on('end', () => {
      if (!closing) setTimeout(() => void listen(true).catch(() => {}), RETRY_MS).unref();
    });
    await client.connect();
    await client.query('listen dajo_event');
    if (again) channel.broadcast({ id: 0, resource: 'all', job: null, what: 'reconnected' } satisfies LiveNote, 'note');
  }
  await listen(false);

  return {
    serve: async (req, res) => {
      channel.register(await createSession(req, res));
    },
    close: async () => {
      closing = true;
      await client?.end();
    },
  };
}
