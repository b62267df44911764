import { clientAddress, vehiclesAddress } from '../../../contract/clients.ts';
import { useOfAddress } from '../../data/resources.ts';

/** Clients and vehicles, which every page here shows in part. */
export function useClientsAndVehicles() {
  const clients = useOfAddress(clientAddress.list, {});
  const vehicles = useOfAddress(vehiclesAddress.list, {});
  return {
    clients: clients.data ?? null,
    vehicles: vehicles.data ?? null,
    error: clients.error ?? vehicles.error ?? null,
  };
}
