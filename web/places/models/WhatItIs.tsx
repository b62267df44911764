import type { Variant } from '../../../core/vehicle/variant.ts';
import {
  BODY_NAME,
  COOLING_NAME,
  DRIVEN_NAME,
  LAYOUT_NAME,
  SERVO_NAME,
  SIDE_NAME,
  STEERING_NAME,
} from '../../../wording/variants.ts';
import { Choice } from '../../widgets/Choice.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import type { EditorPart } from './editorPart.ts';

const options = <V extends string>(names: Readonly<Record<V, string>>) =>
  (Object.keys(names) as V[]).map((value) => ({ value, label: names[value] }));

const SHAPE = [
  ['frontOverhangMm', 'Front overhang'],
  ['bonnetMm', 'Bonnet'],
  ['bonnetHeightMm', 'Height of the bonnet'],
  ['screenRunMm', 'Run of the screen'],
  ['cabEndMm', 'Cab ends, from bumper'],
] as const;

/** Names, years, body, what turns, cools and brakes it. */
export function WhatItIs({ variant, set, faults }: EditorPart) {
  const year = (label: string, field: 'yearFrom' | 'yearTo') => (
    <QuantityInput
      label={label}
      kind="count"
      value={variant[field]}
      onChange={(value) => value !== null && set({ [field]: Math.round(value) })}
      fault={faults[field]}
    />
  );
  const pick = <F extends 'layout' | 'drivenAxle' | 'cooling' | 'brakeServo' | 'steering'>(
    label: string,
    field: F,
    names: Readonly<Record<Variant[F], string>>,
  ) => (
    <Choice
      label={label}
      value={variant[field] as Variant[F] & string}
      options={options(names)}
      onChange={(value) => value && set({ [field]: value })}
      fault={faults[field]}
    />
  );
  return (
    <div className="stack">
      <div className="fields">
        <TextField
          label="Maker"
          value={variant.makerName}
          onChange={(makerName) => set({ makerName })}
          fault={faults.makerName}
        />
        <TextField
          label="Model"
          value={variant.modelName}
          onChange={(modelName) => set({ modelName })}
          fault={faults.modelName}
        />
        <TextField label="Variant" value={variant.name} onChange={(name) => set({ name })} fault={faults.name} />
        {year('First year', 'yearFrom')}
        {year('Last year', 'yearTo')}
        {pick('Engine', 'layout', LAYOUT_NAME)}
        {pick('Driven', 'drivenAxle', DRIVEN_NAME)}
        {pick('Cooled by', 'cooling', COOLING_NAME)}
        {pick('Brake servo', 'brakeServo', SERVO_NAME)}
        {pick('Steering', 'steering', STEERING_NAME)}
        <Choice
          label="Driven from"
          mayBeEmpty
          value={variant.steeringSide ?? null}
          options={options(SIDE_NAME)}
          onChange={(steeringSide) => set({ steeringSide: steeringSide ?? undefined } as Partial<typeof variant>)}
          fault={faults.steeringSide}
        />
        <QuantityInput
          label="Front share of the brakes"
          kind="share"
          mayBeEmpty
          value={variant.frontBrakeShare ?? null}
          onChange={(share) => set({ frontBrakeShare: share ?? undefined } as Partial<typeof variant>)}
          fault={faults.frontBrakeShare}
        />
        <Choice
          label="Low voltage"
          value={String(variant.systemVoltage)}
          options={[
            { value: '12', label: '12 V' },
            { value: '24', label: '24 V' },
          ]}
          onChange={(value) => value && set({ systemVoltage: value === '24' ? 24 : 12 })}
        />
        <TextField label="Tyre" value={variant.tyre} onChange={(tyre) => set({ tyre })} fault={faults.tyre} />
      </div>
      <h3>Shape</h3>
      <div className="fields">
        <Choice
          label="Body"
          value={variant.shape.style}
          options={options(BODY_NAME)}
          onChange={(style) => style && set({ shape: { ...variant.shape, style } })}
        />
        {SHAPE.map(([field, label]) => (
          <QuantityInput
            key={field}
            label={label}
            kind="length"
            value={variant.shape[field]}
            onChange={(value) => value !== null && set({ shape: { ...variant.shape, [field]: value } })}
            fault={faults[`shape.${field}`]}
          />
        ))}
      </div>
      <h3>On the lift, and towing</h3>
      <div className="fields">
        <QuantityInput
          label="Front pads, from axle"
          kind="length"
          mayBeEmpty
          value={variant.liftPads?.frontMm ?? null}
          onChange={(frontMm) => setPads({ frontMm })}
          fault={faults['liftPads.frontMm']}
        />
        <QuantityInput
          label="Rear pads, from axle"
          kind="length"
          mayBeEmpty
          value={variant.liftPads?.rearMm ?? null}
          onChange={(rearMm) => setPads({ rearMm })}
          fault={faults['liftPads.rearMm']}
        />
        <QuantityInput
          label="Wheel down to full droop"
          kind="length"
          mayBeEmpty
          value={variant.travel?.droopMm ?? null}
          onChange={(droopMm) => setTravel({ droopMm })}
          fault={faults['travel.droopMm']}
        />
        <QuantityInput
          label="Wheel up to full bump"
          kind="length"
          mayBeEmpty
          value={variant.travel?.bumpMm ?? null}
          onChange={(bumpMm) => setTravel({ bumpMm })}
          fault={faults['travel.bumpMm']}
        />
        <QuantityInput
          label="May tow"
          kind="mass"
          mayBeEmpty
          value={variant.towing?.massKg ?? null}
          onChange={(massKg) => setTowing({ massKg })}
          fault={faults['towing.massKg']}
        />
        <QuantityInput
          label="On the ball"
          kind="mass"
          mayBeEmpty
          value={variant.towing?.ballKg ?? null}
          onChange={(ballKg) => setTowing({ ballKg })}
          fault={faults['towing.ballKg']}
        />
      </div>
      <p className="soft small">
        Pads are behind the front axle. Left empty: pads as usual, and what it may tow is not known.
      </p>
    </div>
  );

  /** Both or neither: the other one begins where pads usually are. */
  function setPads({ frontMm, rearMm }: { frontMm?: number | null; rearMm?: number | null }) {
    if (frontMm === null || rearMm === null) {
      set({ liftPads: undefined } as unknown as Partial<typeof variant>);
      return;
    }
    const wheelbase = variant.figures.wheelbase.value;
    const now = variant.liftPads ?? { frontMm: Math.round(wheelbase * 0.2), rearMm: Math.round(wheelbase * 0.8) };
    set({ liftPads: { frontMm: frontMm ?? now.frontMm, rearMm: rearMm ?? now.rearMm } });
  }
  function setTravel({ droopMm, bumpMm }: { droopMm?: number | null; bumpMm?: number | null }) {
    if (droopMm === null || bumpMm === null) {
      set({ travel: undefined } as unknown as Partial<typeof variant>);
      return;
    }
    const now = variant.travel ?? { droopMm: 0, bumpMm: 0 };
    set({ travel: { droopMm: droopMm ?? now.droopMm, bumpMm: bumpMm ?? now.bumpMm } });
  }
  function setTowing({ massKg, ballKg }: { massKg?: number | null; ballKg?: number | null }) {
    if (massKg === null || ballKg === null) {
      set({ towing: undefined } as unknown as Partial<typeof variant>);
      return;
    }
    const now = variant.towing ?? { massKg: 0, ballKg: 0 };
    set({ towing: { massKg: massKg ?? now.massKg, ballKg: ballKg ?? now.ballKg } });
  }
}
