import { useOpenJob } from '../../openJob.ts';

/** A component that is to be fitted, by name and stock, or that nothing is big enough. */
export function ToFit({
  what,
  part,
  why,
}: {
  what: string;
  part: { readonly id: string; readonly name: string } | null | undefined;
  why?: string;
}) {
  const { inputs, shelves } = useOpenJob('inputs', 'shelves');
  const chosen =
    part &&
    (inputs.others.some((other) => other.componentId === part.id) ||
      [inputs.chargerId, inputs.inletId].includes(part.id));
  return (
    <div className="figure" data-to-fit={what}>
      <span style={why ? { flex: '1 1 0', minWidth: '45%' } : undefined}>
        {what}
        {why && <div className="soft small">{why}</div>}
      </span>
      {part ? (
        <span style={{ textAlign: 'right' }}>
          <span className="strong">{part.name}</span>
          <div className="soft small">
            {chosen ? 'among the parts' : `${shelves.free.get(part.id) ?? 0} free in stores`}
          </div>
        </span>
      ) : (
        <span className="stop small">
          nothing {Object.keys(shelves.data.beyond).length > 0 ? 'at hand' : 'in the catalogue'} is enough
        </span>
      )}
    </div>
  );
}
