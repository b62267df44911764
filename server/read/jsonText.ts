import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import type { Response } from 'express';

const pack = promisify(gzip);

/** Answers up to this many bytes go as they are: a job's sheet is about that, and its pieces are far less. */
export const SMALL_ANSWER = 64_000;

/** JSON the database has written, sent as it is; packed once for all who share it. */
export class JsonText {
  readonly text: string;
  #packed: Promise<Buffer> | null = null;
  constructor(text: string) {
    this.text = text;
  }

  packed(): Promise<Buffer> {
    this.#packed ??= pack(this.text, { level: 1 });
    return this.#packed;
  }

  async sendTo(res: Response): Promise<undefined> {
    res.type('application/json').vary('Accept-Encoding');
    if (this.text.length < SMALL_ANSWER || !res.req.acceptsEncodings('gzip')) res.send(this.text);
    else res.setHeader('Content-Encoding', 'gzip').send(await this.packed());
  }
}
