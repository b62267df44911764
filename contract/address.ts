import type Joi from 'joi';
import type { JobAction } from '../core/job/states.ts';
import { type Bounds, USUAL_BOUNDS } from './bounds.ts';
import type { Role } from './rights.ts';
import { LEAST_ROLE } from './rights.ts';

/** Names of the parts of a path that vary: `/jobs/:number/brief` has `number`. */
export type ParamName<P extends string> = P extends `${string}:${infer N}/${infer Rest}`
  ? N | ParamName<`/${Rest}`>
  : P extends `${string}:${infer N}`
    ? N
    : never;
export type Params<P extends string> = Readonly<Record<ParamName<P>, string>>;

export interface BodySize {
  readonly bytes: number;
  readonly bounds: Bounds;
}
const USUAL_SIZE: BodySize = { bytes: 100_000, bounds: USUAL_BOUNDS };

/** Carries the type of an answer; holds nothing. */
export interface Answers<T> {
  readonly type?: T;
}
export const answers = <T>(): Answers<T> => ({});
/** An answer that is a file to be kept, not data for the page. */
export const A_FILE = answers<never>();

export type Method = 'get' | 'post' | 'put' | 'delete';

/** One address of the server, known to both sides: where, who may, what it does to a job, what is sent and what comes back. */
export interface Address<P extends string = string, B = unknown, A = unknown> {
  readonly method: Method;
  readonly path: P;
  /** Least role that may ask. */
  readonly may: Role;
  /** What it does to a job, held against the job's state; absent where no job is changed. */
  readonly act?: JobAction;
  readonly body?: Joi.Schema<B>;
  readonly size: BodySize;
  /** The body is a file, as it is: at most so many bytes. */
  readonly upload?: number;
  /** What is sent is a secret: the request is not remembered by its key, for the key keeps a hash of the body. */
  readonly secret?: true;
  readonly answer: Answers<A>;
}

type Rights = { readonly may: Role; readonly act?: undefined } | { readonly act: JobAction; readonly may?: undefined };
type Definition<P extends string, B, A> = Rights & {
  readonly method: Method;
  readonly path: P;
  readonly body?: Joi.Schema<B>;
  /** How large a body may be. @default USUAL_SIZE */
  readonly size?: BodySize;
  readonly upload?: number;
  readonly secret?: true;
  readonly answer: Answers<A>;
};

/** States an address. What is done to a job has its least role from `LEAST_ROLE`. */
export function address<const P extends string, A, B = undefined>(definition: Definition<P, B, A>): Address<P, B, A> {
  const { act, may, size = USUAL_SIZE, ...rest } = definition;
  return act ? { ...rest, size, act, may: LEAST_ROLE[act] } : { ...rest, size, may };
}

/**
 * What a form may send where a schema answers `T`: the same, not to be changed on the way; a number field that is empty
 * is sent as null, and it is the schema that says at the field what is missing.
 */
export type Sent<T> = T extends readonly (infer E)[]
  ? readonly Sent<E>[]
  : T extends object
    ? { readonly [K in keyof T]: Sent<T[K]> }
    : T extends number
      ? T | null
      : T;

/** The path with its parts put in: `/jobs/26-101/brief`. */
export const pathOf = <P extends string>({ path }: { readonly path: P }, params: Params<P>): string =>
  path.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent((params as Record<string, string>)[name] ?? ''));
