import { createHash } from 'node:crypto';
import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import type { Response } from 'express';

const pack = promisify(gzip);

/** Answers up to this many bytes go as they are: a job's sheet is about that, and its pieces are far less. */
export const SMALL_ANSWER = 64_000;

/** JSON the database has written, sent as it is; its bytes, mark and packing are made once for all who share it. */
export class JsonText {
  readonly text: string;
  #bytes: Buffer | null = null;
  #mark = '';
  #packed: Promise<Buffer> | null = null;
  constructor(text: string) {
    this.text = text;
  }

  async sendTo(res: Response): Promise<undefined> {
    this.#bytes ??= Buffer.from(this.text);
    this.#mark ||= `W/"${createHash('sha1').update(this.#bytes).digest('base64url')}"`;
    res.type('application/json').vary('Accept-Encoding').setHeader('ETag', this.#mark);
    if (this.#bytes.length < SMALL_ANSWER || !res.req.acceptsEncodings('gzip')) res.send(this.#bytes);
    else {
      this.#packed ??= pack(this.#bytes, { level: 1 });
      res.setHeader('Content-Encoding', 'gzip').send(await this.#packed);
    }
  }
}
