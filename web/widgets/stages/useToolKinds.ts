import { toolAddress } from '../../../contract/tools.ts';
import { useOfAddress } from '../../data/resources.ts';

/** Kinds of tools and instruments the workshop has. */
export function useToolKinds(): readonly string[] {
  const { data } = useOfAddress(toolAddress.list, {});
  return [...new Set((data ?? []).map(({ kind }) => kind))];
}
