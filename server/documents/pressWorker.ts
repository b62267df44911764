import { resolveDesign } from '../../core/design/resolve.ts';
import { createSheet } from '../../core/figures/evaluate.ts';
import { designPdf } from './designPdf.ts';
import { fittingPdf } from './fittingPdf.ts';
import { labelsPdf } from './labelsPdf.ts';
import { offerPdf } from './offerPdf.ts';
import { packingPdf } from './packingPdf.ts';
import type { PressOrder } from './pressOrder.ts';
import { purchasePdf } from './purchasePdf.ts';
import { signOffPdf } from './signOffPdf.ts';
import { stockLabelsPdf } from './stockLabelsPdf.ts';
import { wayBackPdf } from './wayBackPdf.ts';

/** Runs on a thread of the press. */
export default function make(order: PressOrder): Promise<Uint8Array> {
  switch (order.paper) {
    case 'signOff':
      return signOffPdf(order.job, order.print);
    case 'wayBack':
      return wayBackPdf(order.vehicle, order.entries, order.print);
    case 'packing':
      return packingPdf(order.order, order.print);
    case 'labels':
      return labelsPdf(order.order, order.print);
    case 'purchase':
      return purchasePdf(order.order, order.print);
    case 'stockLabels':
      return stockLabelsPdf(order.title, order.labels, order.print);
    case 'offer':
      return offerPdf(order.offer, order.print);
    case 'fitting':
      return fittingPdf(order.order, order.print);
    case 'design':
      return designPdf(order.job, order.design, createSheet(resolveDesign(order.input)), order.cover, order.print);
  }
}
