import { backupEndpoints } from './backups/routes.ts';
import { calendarEndpoints } from './calendars/routes.ts';
import { clientEndpoints } from './clients/routes.ts';
import { vehiclesEndpoints } from './clients/vehicleRoutes.ts';
import { basicsEndpoints } from './components/basicsRoutes.ts';
import { componentEndpoints } from './components/routes.ts';
import { componentTableEndpoints } from './components/tableRoutes.ts';
import { conditionEndpoints } from './condition/routes.ts';
import { designFileEndpoints } from './designs/fileRoutes.ts';
import { designEndpoints } from './designs/routes.ts';
import type { Endpoint } from './endpoint.ts';
import { fabricationEndpoints } from './fabrication/routes.ts';
import { fileEndpoints } from './files/routes.ts';
import { planEndpoints } from './floor/planRoutes.ts';
import { floorEndpoints } from './floor/routes.ts';
import { hoursEndpoints } from './hours/routes.ts';
import { briefEndpoints } from './jobs/briefRoutes.ts';
import { evidenceEndpoints } from './jobs/evidenceRoutes.ts';
import { matchEndpoints } from './jobs/matchRoutes.ts';
import { recordedRouteEndpoints } from './jobs/recordedRoute.ts';
import { jobEndpoints } from './jobs/routes.ts';
import { kitFileEndpoints } from './kits/fileRoutes.ts';
import { kitEndpoints } from './kits/routes.ts';
import { estimateEndpoints } from './learning/estimateRoutes.ts';
import { lessonEndpoints } from './learning/lessonRoutes.ts';
import { registerEndpoints } from './learning/registerRoutes.ts';
import { modelFileEndpoints } from './library/modelFileRoutes.ts';
import { libraryEndpoints } from './library/routes.ts';
import { variantEndpoints } from './library/variantRoutes.ts';
import { clientAccessEndpoints } from './offers/accessRoutes.ts';
import { costEndpoints } from './offers/costRoutes.ts';
import { ownVehicleEndpoints } from './offers/ownRoutes.ts';
import { offerEndpoints } from './offers/routes.ts';
import { wishEndpoints } from './offers/wishRoutes.ts';
import { approvalEndpoints } from './orders/approvalRoutes.ts';
import { orderLinkEndpoints } from './orders/linkRoutes.ts';
import { packEndpoints } from './orders/packRoutes.ts';
import { orderEndpoints } from './orders/routes.ts';
import { partEndpoints } from './parts/routes.ts';
import { myEndpoints } from './people/myRoutes.ts';
import { peopleEndpoints } from './people/routes.ts';
import { proveEndpoints } from './prove/routes.ts';
import { invoiceEndpoints } from './purchases/invoiceRoutes.ts';
import { priceListEndpoints } from './purchases/priceListRoutes.ts';
import { purchaseEndpoints } from './purchases/routes.ts';
import { supplierEndpoints } from './purchases/supplierRoutes.ts';
import { saleEndpoints } from './sales/routes.ts';
import { preferenceEndpoints } from './session/routes.ts';
import { shopEndpoints } from './shop/routes.ts';
import { buildEndpoints } from './stages/routes.ts';
import { stageTemplateEndpoints } from './stageTemplates/routes.ts';
import { gradingEndpoints } from './stores/gradingRoutes.ts';
import { needEndpoints } from './stores/needRoutes.ts';
import { numberEndpoints } from './stores/numberRoutes.ts';
import { refurbishingEndpoints } from './stores/refurbishingRoutes.ts';
import { storesEndpoints } from './stores/routes.ts';
import { toolEndpoints } from './toolbox/routes.ts';
import { vehicleEndpoints } from './vehicles/routes.ts';
import { workPlanEndpoints } from './workPlan/routes.ts';
import { seriesEndpoints } from './workPlan/seriesRoutes.ts';
import { workshopEndpoints } from './workshop/routes.ts';

/** Every address of the server besides sign-in and the live stream. */
export const ENDPOINTS: readonly Endpoint[] = [
  ...preferenceEndpoints,
  ...workshopEndpoints,
  ...backupEndpoints,
  ...peopleEndpoints,
  ...myEndpoints,
  ...libraryEndpoints,
  ...variantEndpoints,
  ...modelFileEndpoints,
  ...componentEndpoints,
  ...componentTableEndpoints,
  ...basicsEndpoints,
  ...floorEndpoints,
  ...planEndpoints,
  ...clientEndpoints,
  ...vehiclesEndpoints,
  ...jobEndpoints,
  ...matchEndpoints,
  ...evidenceEndpoints,
  ...briefEndpoints,
  ...vehicleEndpoints,
  ...recordedRouteEndpoints,
  ...designEndpoints,
  ...designFileEndpoints,
  ...partEndpoints,
  ...fabricationEndpoints,
  ...offerEndpoints,
  ...wishEndpoints,
  ...costEndpoints,
  ...clientAccessEndpoints,
  ...ownVehicleEndpoints,
  ...storesEndpoints,
  ...numberEndpoints,
  ...needEndpoints,
  ...refurbishingEndpoints,
  ...gradingEndpoints,
  ...purchaseEndpoints,
  ...invoiceEndpoints,
  ...supplierEndpoints,
  ...priceListEndpoints,
  ...saleEndpoints,
  ...buildEndpoints,
  ...hoursEndpoints,
  ...toolEndpoints,
  ...conditionEndpoints,
  ...proveEndpoints,
  ...kitFileEndpoints,
  ...kitEndpoints,
  ...orderEndpoints,
  ...packEndpoints,
  ...orderLinkEndpoints,
  ...approvalEndpoints,
  ...stageTemplateEndpoints,
  ...lessonEndpoints,
  ...estimateEndpoints,
  ...registerEndpoints,
  ...fileEndpoints,
  ...calendarEndpoints,
  ...shopEndpoints,
  ...workPlanEndpoints,
  ...seriesEndpoints,
];
