/** What makes backups and tries them; it knows PostgreSQL's own programs, which the server does not. */
export interface Backups {
  readonly folder: string;
  /** Are they made daily by themselves? */
  readonly daily: boolean;
  /** Writes everything into a file; told now and then how much is written. Answers its size, bytes. */
  readonly write: (file: string, told: (bytes: number) => void) => Promise<number>;
  /** Restores a file into a database made for it, looks it over, throws it away; refused with a sentence. */
  readonly tryOut: (file: string) => Promise<void>;
  /** Stops what is being written or tried; resolves when it has ended. */
  readonly stop: () => Promise<void>;
  readonly remove: (file: string) => void;
  /** The way to a file of the folder; null where it is not there. */
  readonly find: (file: string) => string | null;
}
