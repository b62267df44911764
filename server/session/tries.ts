import type pg from 'pg';
import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';
import { TooManyTries } from '../problems.ts';

const WINDOW_S = 5 * 60;

/** Tries at signing in, counted in the database, so that all servers count together. */
export interface Tries {
  /** Counts a try before the password is looked at; throws when there were too many. */
  readonly count: (account: string, address: string) => Promise<void>;
  /** The try was right: it does not count. */
  readonly forgive: (account: string, address: string) => Promise<void>;
}

/**
 * Counts by account and address together (few), by account from anywhere (so that many addresses do not help), and by
 * address over all accounts. Somebody guessing from elsewhere does not soon lock out the person whose account it is.
 */
export function signInTries(pool: pg.Pool, most: number): Tries {
  const limiter = (keyPrefix: string, points: number) =>
    new RateLimiterPostgres({
      storeClient: pool,
      tableName: 'sign_in_try',
      tableCreated: true,
      clearExpiredByTimeout: false,
      keyPrefix,
      points,
      duration: WINDOW_S,
    });
  const limits = [
    { limiter: limiter('both', most), keyOf: (account: string, address: string) => `${address} ${account}` },
    { limiter: limiter('account', most * 5), keyOf: (account: string) => account },
    { limiter: limiter('address', most * 10), keyOf: (_account: string, address: string) => address },
  ];
  return {
    count: async (account, address) => {
      for (const one of limits) {
        try {
          await one.limiter.consume(one.keyOf(account, address));
        } catch (error) {
          if (error instanceof RateLimiterRes) throw new TooManyTries(Math.ceil(error.msBeforeNext / 1000));
          throw error;
        }
      }
    },
    forgive: async (account, address) => {
      for (const one of limits) await one.limiter.reward(one.keyOf(account, address));
    },
  };
}
