import { cableChoice } from '../../../../../core/figures/electric/cable.ts';
import { fuses } from '../../../../../core/figures/electric/fuses.ts';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import { awgAtLeast } from '../../../../../core/wiring/awg.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { Fold } from '../../../../widgets/Fold.tsx';
import { QuantityInput } from '../../../../widgets/QuantityInput.tsx';
import { useOpenJob } from '../../openJob.ts';
import { useDesign } from '../design/useDesign.ts';
import { FigureGroupSheet } from '../FigureGroupSheet.tsx';
import { ToFit } from './ToFit.tsx';

/** The smallest cable that carries current, peak and drop. */
export function CablePanel({ faults }: { faults: Readonly<Record<string, string>> }) {
  const { sheet } = useOpenJob('sheet');
  const { electric, setElectric } = useDesign();
  const cable = sheet.get(cableChoice).value;
  return (
    <FigureGroupSheet
      group="cable"
      aside={cable ? `in AWG at least ${awgAtLeast(cable.part.sheet.sectionMm2)}` : undefined}
    >
      <ToFit what="Cable to fit" part={cable?.part} />
      <div className="fields" style={{ paddingTop: 8 }}>
        <QuantityInput
          label="Cable, one way"
          kind="length"
          value={electric.cableLengthM * 1000}
          onChange={(mm) => mm !== null && mm > 0 && setElectric({ cableLengthM: mm / 1000 })}
          fault={faults['inputs.electric.cableLengthM']}
        />
        <QuantityInput
          label="Drop allowed"
          kind="share"
          value={electric.cableDrop}
          onChange={(cableDrop) => cableDrop !== null && cableDrop > 0 && setElectric({ cableDrop })}
          fault={faults['inputs.electric.cableDrop']}
        />
        <QuantityInput
          label="Conductor at"
          kind="temperature"
          value={electric.cableC}
          onChange={(cableC) => cableC !== null && setElectric({ cableC })}
          fault={faults['inputs.electric.cableC']}
        />
        <QuantityInput
          label="Bend, outside diameters"
          kind="coefficient"
          value={electric.bendFactor}
          onChange={(bendFactor) => bendFactor !== null && bendFactor > 0 && setElectric({ bendFactor })}
          fault={faults['inputs.electric.bendFactor']}
        />
      </div>
      <Ampacity />
      <p className="soft small">
        What a cable carries depends on the cable and where it lies; the sheets here are typical.
      </p>
    </FigureGroupSheet>
  );
}

/** What each cable carries steadily where it will lie: by its sheet until somebody knows better. */
function Ampacity() {
  const { sheet } = useOpenJob('sheet');
  const { electric, setElectric } = useDesign();
  const cables = [...sheet.slots.shelf.cables].sort((a, b) => a.sheet.sectionMm2 - b.sheet.sectionMm2);
  const put = (id: string, amps: number | null) => {
    const { [id]: _, ...rest } = electric.ampacity;
    setElectric({ ampacity: amps === null ? rest : { ...rest, [id]: amps } });
  };
  return (
    <Fold title={<>What each cable carries here</>}>
      <div className="fields" style={{ padding: '6px 0' }}>
        {cables.map((cable) => (
          <QuantityInput
            key={cable.id}
            label={`${cable.sheet.sectionMm2} mm², sheet ${cable.sheet.continuousA} A`}
            kind="current"
            value={electric.ampacity[cable.id] ?? null}
            mayBeEmpty
            onChange={(amps) => (amps === null || amps > 0) && put(cable.id, amps)}
          />
        ))}
      </div>
    </Fold>
  );
}

/** A fuse for the pack and one for each branch the design has. */
export function FusePanel() {
  const { sheet } = useOpenJob('sheet');
  const set = useUnitSet();
  return (
    <FigureGroupSheet group="fuses" aside="1.25 × steady, full throttle by its curve, within the cable">
      {(sheet.get(fuses).value ?? []).map((fuse) => (
        <ToFit
          key={fuse.name}
          what={`Fuse to fit, ${fuse.name}`}
          part={fuse.part}
          why={`${formatQuantity(fuse.continuousA, 'current', set)} steady${fuse.peakA > fuse.continuousA ? `, ${formatQuantity(fuse.peakA, 'current', set)} at full throttle for ${formatQuantity(fuse.need.peakS, 'duration', set)}` : ''}`}
        />
      ))}
    </FigureGroupSheet>
  );
}
