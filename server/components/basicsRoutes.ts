import { basicsAddress } from '../../contract/basics.ts';
import { serve } from '../endpoint.ts';
import { lendBasics } from '../read/basics.ts';
import { lockCatalogue } from '../read/catalogue.ts';

export const basicsEndpoints = [
  serve(basicsAddress.lend, ({ change, body }) =>
    change(async ({ tx, log }) => {
      await lockCatalogue(tx);
      const added = await lendBasics(tx, body.what);
      if (added > 0)
        await log({
          what: `was lent the basics: ${body.what.join(', ')}`,
          resource: 'component',
          id: 'basics',
          after: { ...body, added },
        });
      return { added };
    }),
  ),
];
