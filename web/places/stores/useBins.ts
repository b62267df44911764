import { storesAddress } from '../../../contract/stores.ts';
import { useOfAddress } from '../../data/resources.ts';

/** Bins in use, to choose from. */
export function useBins() {
  const { data } = useOfAddress(storesAddress.bins, {});
  return (data ?? []).filter(({ closed }) => !closed).map(({ id, name }) => ({ value: id, label: name }));
}
