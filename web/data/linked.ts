import { useEffect } from 'react';
import { useParams, useSearchParams } from 'react-router';
import type { Address, Params } from '../../contract/address.ts';
import type { House } from '../../contract/session.ts';
import { useOfAddress } from './resources.ts';
import { chooseHouse, useSession } from './session.tsx';

/**
 * What a link sent by mail leads to. It says which of two workshops it is for; whoever opens it may have been in the other
 * one, which is left first.
 */
export function useLinked<P extends `${string}/:token`, A>(look: Address<P, undefined, A>) {
  const { token = '' } = useParams();
  const { houses } = useSession();
  const [search] = useSearchParams();
  const meant = search.get('house');
  const elsewhere = houses !== null && (meant === 'own' || meant === 'sample') && meant !== houses.here;
  useEffect(() => {
    if (elsewhere) chooseHouse(meant as House, location.pathname + location.search);
  }, [elsewhere, meant]);
  return { token, ...useOfAddress(look, elsewhere ? null : ({ token } as Params<P>)) };
}
