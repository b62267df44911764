import { FITTER_CAUTION, LITHIUM_CAUTION } from '../../wording/orders.ts';

/** The cautions of the trade, where they matter. */
export function SafetyNote({ about }: { about: 'live' | 'lift' | 'approval' | 'lithium' | 'fitter' | 'modules' }) {
  if (about === 'live') {
    return (
      <div className="note hv">
        <strong className="live">High voltage kills.</strong> Isolate, lock, wait for the capacitors to discharge, prove
        dead with a tester you have just proved. Two people, gloves in date. Energy in modules cannot be switched off.
      </div>
    );
  }
  if (about === 'modules')
    return (
      <div className="note hv">
        Energy in modules cannot be switched off: insulated tools, terminals covered, one module open at a time, never
        alone.
      </div>
    );
  if (about === 'lithium') return <div className="note wait">{LITHIUM_CAUTION}</div>;
  if (about === 'fitter') return <div className="note hv">{FITTER_CAUTION}</div>;
  if (about === 'lift')
    return (
      <div className="note wait">Heavy parts leave one end: the vehicle tips. Support the far end before lifting.</div>
    );
  return (
    <p className="soft small">
      Local rules on vehicle approval, electrical work and refrigerants come first; this is a working aid, not an
      approval.
    </p>
  );
}
