/** Words that open a page without signing in: a link's, an invitation's, a calendar's. They are long and of no alphabet of ours. */
const WORKING_WORD = /^[A-Za-z0-9_-]{16,}(?=$|\.)/;
/** Ids are no secret: nothing opens by them. */
const UUID = /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;

/** A path as it may stand in the log: whoever reads the log must not be able to open what it names. */
export const loggedPath = (path: string): string =>
  path
    .split('/')
    .map((part) => (UUID.test(part) ? part : part.replace(WORKING_WORD, '…')))
    .join('/');

interface LoggedError {
  readonly type: string;
  readonly message: string;
  readonly stack: string;
  readonly code?: string;
  readonly table?: string;
  readonly constraint?: string;
  readonly cause?: LoggedError;
}

const textOf = (value: unknown): string | undefined => (typeof value === 'string' ? value : undefined);

/**
 * An error as it may stand in the log: its kind, its words and where it arose. A statement's parameters, and what the
 * database says of the row, are people's data: they are left out, wherever in a chain of causes they stand.
 */
export function loggedError(error: unknown, depth = 0): LoggedError {
  if (!(error instanceof Error)) return { type: typeof error, message: String(error).slice(0, 200), stack: '' };
  const told = error as Error & Record<string, unknown>;
  const ofStatement = 'query' in told || 'params' in told;
  const [code, table, constraint] = [textOf(told.code), textOf(told.table), textOf(told.constraint)];
  return {
    type: error.name,
    message: ofStatement ? 'a statement failed' : error.message,
    stack: (error.stack ?? '')
      .split('\n')
      .filter((line) => /^\s+at /.test(line))
      .join('\n'),
    ...(code !== undefined && { code }),
    ...(table !== undefined && { table }),
    ...(constraint !== undefined && { constraint }),
    ...(error.cause !== undefined && depth < 4 && { cause: loggedError(error.cause, depth + 1) }),
  };
}
