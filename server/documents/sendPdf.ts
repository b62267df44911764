import type { Response } from 'express';

/** A paper, shown in the browser. */
export function sendPdf(res: Response, name: string, body: Buffer): undefined {
  res.type('application/pdf').setHeader('Content-Disposition', `inline; filename="${name}"`).send(body);
}
