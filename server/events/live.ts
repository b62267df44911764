import { setTimeout as wait } from 'node:timers/promises';
import { createChannel, createSession, type Session } from 'better-sse';
import type { Request, Response } from 'express';
import pg from 'pg';
import { Busy } from '../problems.ts';

/** What a page is told: something of this kind, perhaps of this job, has changed. */
export interface LiveNote {
  readonly id: number;
  readonly resource: string;
  readonly job: string | null;
  readonly what: string;
}

/** Whose stream it is: it ends when the session or the person does. */
export interface Follower {
  readonly sessionId: string;
  readonly personId: string;
}

export interface Live {
  readonly serve: (req: Request, res: Response, who: Follower) => Promise<void>;
  /** Streams open at this moment. */
  readonly followers: () => number;
  readonly close: () => Promise<void>;
}

const RETRY_MS = 500;
const RETRY_MOST_MS = 5000;
const BEAT_MS = 20_000;
/** A page opens one stream; more than this of one session are forgotten ones, of which the oldest ends. */
const MOST_OF_ONE = 20;
const MOST = 3000;
/** Bytes told and not read. */
const MOST_UNREAD = 64_000;

/**
 * PostgreSQL NOTIFY → server-sent events. One listening connection a server; when it drops it is opened again, and pages
 * are told to look at everything, since notes may have been missed meanwhile. Rejects when the first connection fails.
 */
export async function startLive(databaseUrl: string): Promise<Live> {
  const channel = createChannel();
  const streams = new Map<Session, Follower & { readonly res: Response }>();
  const ending = new AbortController();
  let client: pg.Client | null = null;

  const end = (is: (who: Follower) => boolean) => {
    for (const [stream, who] of streams) if (is(who)) endStream(stream);
  };
  const endStream = (stream: Session) => {
    streams.get(stream)?.res.end();
    streams.delete(stream);
  };
  const dropStream = (stream: Session) => {
    streams.get(stream)?.res.destroy();
    streams.delete(stream);
  };
  const take = ({ channel: from, payload }: pg.Notification) => {
    if (!payload) return;
    if (from === 'dajo_event') {
      // A page that does not read what it is told is let go: it opens another stream and then looks at everything.
      for (const [stream, { res }] of streams) if (res.writableLength > MOST_UNREAD) dropStream(stream);
      channel.broadcast(JSON.parse(payload) as LiveNote, 'note');
    } else {
      const gone = JSON.parse(payload) as { session?: string; person?: string };
      end((who) => who.sessionId === gone.session || who.personId === gone.person);
    }
  };

  /** Opens a listening connection; resolves with a promise that settles when it is lost. */
  async function listen(): Promise<{ lost: Promise<void> }> {
    const opened = new pg.Client({ connectionString: databaseUrl, connectionTimeoutMillis: 5000, keepAlive: true });
    const lost = new Promise<void>((done) => {
      opened.once('error', () => done());
      opened.once('end', () => done());
    });
    opened.on('error', () => {});
    opened.on('notification', take);
    await opened.connect();
    await opened.query('listen dajo_event; listen dajo_session');
    client = opened;
    return { lost };
  }

  /** A connection that is dead without saying so is found by asking it something now and then. */
  async function lostOrSilent(lost: Promise<void>): Promise<void> {
    const over = new AbortController();
    const beat = async () => {
      for (;;) {
        await wait(BEAT_MS, null, { signal: AbortSignal.any([over.signal, ending.signal]), ref: false });
        await Promise.race([
          client?.query('select 1'),
          wait(BEAT_MS, null, { ref: false }).then(() => Promise.reject()),
        ]);
      }
    };
    await Promise.race([lost, beat().catch(() => {})]);
    over.abort();
  }

  async function keepListening(first: Promise<void>): Promise<void> {
    let lost = first;
    while (!ending.signal.aborted) {
      await lostOrSilent(lost);
      await client?.end().catch(() => {});
      let pause = RETRY_MS;
      while (!ending.signal.aborted) {
        try {
          ({ lost } = await listen());
          channel.broadcast({ id: 0, resource: 'all', job: null, what: 'reconnected' } satisfies LiveNote, 'note');
          break;
        } catch {
          await wait(pause, null, { signal: ending.signal, ref: false }).catch(() => {});
          pause = Math.min(pause * 2, RETRY_MOST_MS);
        }
      }
    }
  }

  const { lost } = await listen();
  const kept = keepListening(lost);

  return {
    serve: async (req, res, who) => {
      if (streams.size >= MOST)
        throw new Busy('Too many pages follow what happens at this moment. This one will try again.', undefined, 10);
      const own = [...streams].filter(([, one]) => one.sessionId === who.sessionId);
      if (own.length >= MOST_OF_ONE) endStream(own[0]![0]);
      const stream = await createSession(req, res);
      streams.set(stream, { ...who, res });
      channel.register(stream);
      stream.once('disconnected', () => streams.delete(stream));
    },
    followers: () => streams.size,
    close: async () => {
      ending.abort();
      end(() => true);
      await client?.end().catch(() => {});
      await kept;
    },
  };
}
