import type { Response } from 'express';

/** Sends a table as a file; answers undefined, as an endpoint that has sent its answer itself does. */
export function sendCsv(res: Response, name: string, text: string): undefined {
  res.type('text/csv; charset=utf-8').setHeader('Content-Disposition', `attachment; filename="${name}"`).send(text);
}
