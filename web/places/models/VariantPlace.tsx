import { useParams, useSearchParams } from 'react-router';
import { newestOf } from '../../../core/vehicle/revisions.ts';
import { startVariant } from '../../../core/vehicle/startVariant.ts';
import type { BodyShape } from '../../../core/vehicle/variant.ts';
import { BODY_NAME } from '../../../wording/variants.ts';
import { useFamily } from '../../data/resources.ts';
import { VariantEditor } from './VariantEditor.tsx';

/** A variant of the library, or a new one: from another, or from a usual body. */
export default function VariantPlace() {
  const { id = 'new' } = useParams();
  const [search] = useSearchParams();
  const of = id === 'new' ? search.get('from') : id;
  const { data: family, error } = useFamily(of);
  if (error) return <p className="page stop">{error.message}</p>;
  if (of && !family) return <p className="page soft">One moment …</p>;
  if (id !== 'new') {
    const stored = family?.find((one) => one.id === id);
    if (!stored)
      return (
        <div className="page">
          <h1>The library has no model at this address</h1>
        </div>
      );
    const { id: _, version = 1, ...variant } = stored;
    const newest = newestOf(family ?? [], id);
    return (
      <VariantEditor
        key={`${id} ${version}`}
        start={variant}
        stored={{ id, version }}
        newer={newest && newest.id !== id ? newest.id : null}
      />
    );
  }
  const from = family?.find((one) => one.id === of);
  const asked = search.get('body') ?? '';
  const body = (asked in BODY_NAME ? asked : 'van') as BodyShape['style'];
  if (!from) return <VariantEditor key={body} start={startVariant(body)} stored={null} newer={null} />;
  const { id: _, version: __, ...variant } = from;
  return (
    <VariantEditor key={from.id} start={{ ...variant, name: `${variant.name}, copy` }} stored={null} newer={null} />
  );
}
