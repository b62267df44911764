import type { StoredDesign } from '../../contract/design.ts';
import type { JobSheet } from '../../contract/job.ts';
import type { OrderSheet } from '../../contract/orders.ts';
import type { PurchaseSheet } from '../../contract/purchases.ts';
import type { RegisterRow } from '../../contract/register.ts';
import type { ResolveInput } from '../../core/design/resolve.ts';
import type { CoverLine } from '../../core/fit/cover.ts';
import type { OfferPaper } from './offerPdf.ts';
import type { Print } from './paper.ts';
import type { StockLabel } from './stockLabelsPdf.ts';
import type { WayBackVehicle } from './wayBackPdf.ts';

/** What the press can make. Plain data only: it crosses to another thread. */
export type PressOrder =
  | {
      readonly paper: 'wayBack';
      readonly vehicle: WayBackVehicle;
      readonly entries: readonly RegisterRow[];
      readonly print: Print;
    }
  | { readonly paper: 'packing' | 'labels' | 'fitting'; readonly order: OrderSheet; readonly print: Print }
  | { readonly paper: 'purchase'; readonly order: PurchaseSheet; readonly print: Print }
  | {
      readonly paper: 'stockLabels';
      readonly title: string;
      readonly labels: readonly StockLabel[];
      readonly print: Print;
    }
  | { readonly paper: 'offer'; readonly offer: OfferPaper; readonly print: Print }
  | { readonly paper: 'signOff'; readonly job: JobSheet; readonly print: Print }
  | {
      readonly paper: 'design';
      readonly job: Pick<JobSheet, 'number' | 'title' | 'client' | 'brief'>;
      readonly design: Pick<StoredDesign, 'name' | 'version' | 'frozenAt'>;
      readonly input: ResolveInput;
      readonly cover: readonly CoverLine[] | null;
      readonly print: Print;
    };
