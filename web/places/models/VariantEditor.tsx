import { App, Button, Segmented, Tabs } from 'antd';
import { useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { hasRole } from '../../../contract/rights.ts';
import { variantAddress } from '../../../contract/variants.ts';
import { rootOf } from '../../../core/vehicle/revisions.ts';
import type { Variant } from '../../../core/vehicle/variant.ts';
import type { VariantBody } from '../../../core/vehicle/variantProblems.ts';
import { usePerson } from '../../data/session.tsx';
import type { DrawnShift } from '../../drawing/useBoxDrag.ts';
import { Conflict } from '../../widgets/Conflict.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
import { DrivelineFields } from './DrivelineFields.tsx';
import { type EditorPart, faultsBelow } from './editorPart.ts';
import { FigureFields } from './FigureFields.tsx';
import { PlaceFields } from './PlaceFields.tsx';
import { keepPicture, layOf, TraceFields, type Underlay } from './TraceFields.tsx';
import { type Chosen, VariantDrawing } from './VariantDrawing.tsx';
import { WhatItIs } from './WhatItIs.tsx';

interface Props {
  readonly start: VariantBody;
  /** The row that is changed; null makes a new variant. */
  readonly stored: { readonly id: string; readonly version: number } | null;
  /** A newer revision than the one that is looked at. */
  readonly newer: string | null;
}

/** A vehicle model made and changed by drawing: bays and points are moved on it, everything else is beside it. */
export function VariantEditor({ start, stored, newer }: Props) {
  const { role } = usePerson();
  const navigate = useNavigate();
  const { message } = App.useApp();
  const may = hasRole(role, variantAddress.change.may) && newer === null;
  const [variant, setVariant] = useState(start);
  const [view, setView] = useState<'side' | 'above'>('side');
  const [tab, setTab] = useState('what');
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [underlay, setUnderlay] = useState<Underlay | null>(null);
  const base = useRef(variant);
  const adding = useChecked(variantAddress.add, {}, variant);
  const changing = useChecked(
    variantAddress.change,
    { variant: stored?.id ?? '' },
    { variant, version: stored?.version ?? 1 },
  );
  const form = stored ? changing : adding;
  const faults = stored ? faultsBelow(changing.faults, 'variant') : adding.faults;
  const set = (change: Partial<VariantBody>) => setVariant((now) => ({ ...now, ...change }));
  const choose = (next: Chosen) => {
    base.current = variant;
    setChosen(next);
    setTab(next.list);
  };
  const move = ({ list, at }: Chosen, { right, down }: DrawnShift, seen: 'side' | 'above', fromStart: boolean) => {
    const from = fromStart ? base.current : variant;
    const moved = <P extends { readonly xMm: number; readonly yMm: number; readonly zMm: number }>(part: P): P => ({
      ...part,
      xMm: part.xMm + right,
      ...(seen === 'side' ? { zMm: part.zMm - down } : { yMm: part.yMm + down }),
    });
    if (list === 'bays') set({ bays: variant.bays.map((bay, i) => (i === at ? moved(from.bays[i] ?? bay) : bay)) });
    else
      set({
        mountingPoints: variant.mountingPoints.map((point, i) =>
          i === at ? moved(from.mountingPoints[i] ?? point) : point,
        ),
      });
  };
  const save = async () => {
    const answer = await form.save();
    // A picture that was laid before there was a model is kept with it now.
    if (answer && underlay?.picture)
      await keepPicture(rootOf(answer.id), underlay.picture, layOf(underlay)).catch(
        (error: Error) => void message.error(`The model is stored; its picture is not: ${error.message}`, 8),
      );
    if (answer) navigate(`/models/${answer.id}`, { replace: true });
  };
  const part: EditorPart = { variant, set, faults };
  const heading = [variant.makerName, variant.modelName, variant.name].filter(Boolean).join(' ') || 'A new model';
  return (
    <div className="page stack" data-variant-editor>
      <div className="row" style={{ justifyContent: 'space-between' }}>
        <h1>{heading}</h1>
        <Link to="/models">All models</Link>
      </div>
      {newer && (
        <div className="note">
          This revision stays as it is for the vehicles that have it.{' '}
          <Link to={`/models/${newer}`}>The newest one</Link> is changed.
        </div>
      )}
      <EntryForm disabled={!may} refusal={form.refusal} onSave={() => void save()}>
        <Panel
          title={view === 'side' ? 'From the side' : 'From above'}
          aside={
            <span className="row">
              <Segmented
                size="small"
                aria-label="View"
                value={view}
                options={[
                  { value: 'side', label: 'Side' },
                  { value: 'above', label: 'Above' },
                ]}
                onChange={(next) => setView(next as 'side' | 'above')}
                disabled={false}
              />
              {may && (
                <Button size="small" type="primary" htmlType="submit" loading={form.busy}>
                  {stored ? 'Save the model' : 'Take it into the library'}
                </Button>
              )}
            </span>
          }
        >
          <div className="in stack">
            <VariantDrawing
              variant={variant}
              view={view}
              chosen={chosen}
              underlay={underlay}
              onChoose={choose}
              onMove={move}
            />
            <div className="row" style={{ alignItems: 'start' }}>
              {view === 'side' && (
                <TraceFields
                  of={stored && rootOf(stored.id)}
                  value={underlay}
                  onChange={setUnderlay}
                  lengthMm={variant.figures.length.value}
                  heightMm={variant.figures.height.value}
                  frontMm={variant.shape.frontOverhangMm}
                />
              )}
              <span className="soft small">
                Drag bays and points, or focus one and use the arrows (10 mm, ⇧ 50 mm).
              </span>
            </div>
          </div>
        </Panel>
        <section className="sheet">
          <div className="in">
            {Object.keys(faults).length > 0 && (
              <ul className="stop small" aria-label="What is wrong">
                {Object.entries(faults).map(([path, text]) => (
                  <li key={path}>{text}</li>
                ))}
              </ul>
            )}
            <Tabs
              activeKey={tab}
              onChange={setTab}
              items={[
                { key: 'what', label: 'What it is', children: <WhatItIs {...part} /> },
                { key: 'figures', label: 'Measures and masses', children: <FigureFields {...part} /> },
                {
                  key: 'bays',
                  label: `Bays (${variant.bays.length})`,
                  children: <PlaceFields {...part} list="bays" chosen={chosen} />,
                },
                {
                  key: 'mountingPoints',
                  label: `Points (${variant.mountingPoints.length})`,
                  children: <PlaceFields {...part} list="mountingPoints" chosen={chosen} />,
                },
                {
                  key: 'driveline',
                  label: 'Gears and driveline',
                  children: <DrivelineFields {...part} part="driveline" />,
                },
                {
                  key: 'out',
                  label: 'What comes out, passes, dials',
                  children: <DrivelineFields {...part} part="out" />,
                },
              ]}
            />
          </div>
        </section>
      </EntryForm>
      {stored && (
        <Conflict
          of={variantAddress.change}
          params={{ variant: stored.id }}
          sending={changing.sending}
          theirs={({ id: _, version = 1, ...theirs }: Variant) => ({ variant: theirs, version })}
          done={() => navigate('/models')}
        />
      )}
    </div>
  );
}
