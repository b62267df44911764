import { describe, expect, test } from 'vitest';
import type { Component } from '../../component/sheets.ts';
import { createSheet } from '../../figures/evaluate.ts';
import { FIGURES } from '../../figures/index.ts';
import type { Slots } from '../../figures/slots.ts';
import type { KitPart } from '../../kit/kit.ts';
import { found, ON, part } from '../../testing/judgedBy.ts';
import { DRIVE, MODULE, slots, VARIANT, VEHICLE } from '../../testing/wren.ts';
import type { Variant } from '../../vehicle/variant.ts';
import type { Finding, FitContext } from '../finding.ts';
import { boxRetention } from './boxRetention.ts';
import { boxSafety } from './boxSafety.ts';
import { buses } from './buses.ts';
import { commonSlide } from './commonSlide.ts';
import { companions } from './companions.ts';
import { deadInstruments } from './deadInstruments.ts';
import { displaced } from './displaced.ts';
import { groundClearance } from './groundClearance.ts';
import { handedness } from './handedness.ts';
import { heatAway } from './heatAway.ts';
import { helpLost } from './helpLost.ts';
import { inletPlace } from './inletPlace.ts';
import { keptThere } from './keptThere.ts';
import { liftTipping } from './liftTipping.ts';
import { luggageKept } from './luggageKept.ts';
import { mountingPoints } from './mountingPoints.ts';
import { movingParts } from './movingParts.ts';
import { ownPrecharge } from './ownPrecharge.ts';
import { satellites } from './satellites.ts';
import { systemVoltage } from './systemVoltage.ts';

const BOX = ON.pack.boxes[0]!;
const withBoxes = (boxes: Slots['pack']['boxes']): Slots => ({ ...ON, pack: { ...ON.pack, boxes } });
const told = (findings: readonly Finding[]) => findings.map(({ subject, verdict }) => `${subject}: ${verdict}`);

describe('a cradle and what it carries', () => {
  const pick = (xMm: number) => ({ point: 'lower', xMm, yMm: 200, zMm: 300, slotMm: 15, thread: 'M12' });
  const cradle = (picks: object[], more: object = {}) => part('cradle', { picks, ...more });
  test('is not told while nothing has to move', () => {
    expect(found(commonSlide, { parts: [cradle([pick(310)])] })).toEqual([]);
  });
  test('is slid for all its bolts, with a step and half an hour', () => {
    expect(found(commonSlide, { parts: [cradle([pick(270)])] })).toMatchObject([
      { verdict: 'afterWork', left: { value: 20 }, right: { value: 15, to: 45 }, work: { hours: 0.5, slideMm: 20 } },
    ]);
    expect(found(mountingPoints, { parts: [cradle([pick(270)])] })[0]).toMatchObject({ margin: { value: 5 } });
  });
  test('cannot be slid sideways where the slots run fore and aft', () => {
    const aside = cradle([{ ...pick(300), yMm: 205 }]);
    expect(found(mountingPoints, { parts: [aside] })[0]).toMatchObject({
      verdict: 'measureFirst',
      margin: { value: -1 },
    });
    expect(found(commonSlide, { parts: [aside] })).toEqual([]);
  });
  // The box is 600 long about 2000: its front face stands at 1700 and what the bolts ask pushes it aft.
  const damper = (xMm: number, droopMm = 0) => ({
    moving: [
      {
        ...{ name: 'damper', xMm, yMm: BOX.yMm, zMm: BOX.zMm + 600, lengthMm: 40, widthMm: 40, heightMm: 300 },
        ...{ droopMm, bumpMm: 0 },
      },
    ],
  });
  const half = BOX.outer!.lengthMm / 2;
  test('a damper that only touches on full droop still counts', () => {
    const near = BOX.xMm + half + 20 + 10;
    // At rest it is far above, and not told.
    expect(found(movingParts, { variant: damper(near) })).toEqual([]);
    const [clash] = found(movingParts, { variant: damper(near, 600) });
    expect(clash).toMatchObject({ verdict: 'doesNotFit', margin: { kind: 'length' } });
    expect(clash!.subject).toMatch(/at full droop/);
    expect(clash!.margin!.value).toBeCloseTo(-15, 6);
  });
  test.each([
    [25, 'fits', 0],
    [24.9, 'doesNotFit', -0.1],
  ])('%f mm to what moves', (gap, verdict, margin) => {
    const [one] = found(movingParts, { variant: damper(BOX.xMm + half + 20 + gap, 600) });
    expect(one).toMatchObject({ verdict });
    expect(one!.margin!.value).toBeCloseTo(margin, 6);
  });
  test('bolts that ask for a slide and a damper in its way exclude each other, by so many millimetres', () => {
    const carrier = cradle([pick(260)], { carries: BOX.bay.key });
    const free = found(commonSlide, { parts: [carrier] });
    expect(free).toMatchObject([{ verdict: 'afterWork', left: { value: 30 } }]);
    // 40 mm behind the box at rest: it may come 15 nearer, the bolts ask for 25.
    const [clash] = found(commonSlide, { parts: [carrier], variant: damper(BOX.xMm + half + 20 + 40, 600) });
    expect(clash).toMatchObject({
      verdict: 'doesNotFit',
      left: { value: 'lower' },
      right: { value: `${BOX.bay.name} box to damper at full droop` },
      margin: { value: -10 },
    });
  });
  test('the half shafts aim at the axle: 430 mm at 12° reach 91 mm', () => {
    const aim = { xMm: 0, zMm: 287, alongMm: 430, limitDeg: 12 };
    const slide = (xMm: number) => found(commonSlide, { parts: [cradle([], { aim: { ...aim, xMm } })] });
    expect(slide(90)).toEqual([]);
    expect(slide(100)).toMatchObject([{ verdict: 'afterWork' }]);
    expect(slide(100)[0]!.left.value).toBeCloseTo(-(100 - 430 * Math.tan((12 * Math.PI) / 180)) - 5, 0);
  });
});

describe('electrics', () => {
  const full = createSheet(ON).get(FIGURES.packVoltageFull).value!;
  const drive = (prechargeMaxV?: number) => part('drive', { ...DRIVE.sheet, ...(prechargeMaxV && { prechargeMaxV }) });
  test.each([
    ['as high as the full pack', full, [], ['drive: fits']],
    ['a volt lower', full - 1, [], ['drive: afterWork']],
    ['a volt lower, with a resistor in the kit', full - 1, [part('resistor', {})], ['drive: fits']],
    ['not stated', undefined, [], []],
  ])('precharge of its own, %s', (_, stands, more, said) => {
    expect(told(found(ownPrecharge, { parts: [drive(stands), ...more] }))).toEqual(said);
  });
  // Common practice: boxes of 48, 96 and 48 cells, two cells a channel, at 18 channels a satellite, need 2 + 3 + 2.
  test('satellites are counted box by box', () => {
    const cells = (channels: number) => ({
      ...BOX,
      modules: 1,
      module: { ...MODULE, sheet: { ...MODULE.sheet, channels } },
    });
    const on = {
      ...withBoxes([cells(24), cells(48), cells(24)]),
      pack: { ...ON.pack, satelliteChannels: 18, boxes: [cells(24), cells(48), cells(24)] },
    };
    const satellite = (quantity: number) => ({ ...part('bmsSatellite', { channels: 18 }), quantity });
    expect(found(satellites, { on, parts: [satellite(7)] })[0]).toMatchObject({
      verdict: 'fits',
      margin: { value: 0 },
    });
    expect(found(satellites, { on, parts: [satellite(6)] })[0]).toMatchObject({
      verdict: 'afterWork',
      work: { parts: [{ componentId: 'bmsSatellite', quantity: 1 }] },
    });
    expect(told(found(satellites, { on, parts: [part('bmsMain', { maxSatellites: 6 })] }))).toEqual([
      'bmsMain without satellites: afterWork',
    ]);
    expect(told(found(satellites, { on, parts: [satellite(7), part('bmsMain', { maxSatellites: 6 })] }))).toEqual([
      'bmsSatellite: fits',
      'bmsMain: doesNotFit',
    ]);
  });
  test('one part commands on a bus, all at one rate; two who command are refused, and nobody who does', () => {
    const on = (id: string, bus: string, kbps: number, role: string) =>
      part('other', { buses: [{ bus, kbps, role }] }, { name: id });
    const said = (...parts: KitPart[]) =>
      found(buses, { parts })
        .slice(0, 1)
        .map(({ verdict, left }) => `${verdict} ${left.value}`);
    expect(said(on('vcu', 'drive', 500, 'commands'), on('motor', 'drive', 500, 'obeys'))).toEqual(['fits vcu']);
    expect(said(on('a', 'charge', 250, 'commands'), on('b', 'charge', 250, 'commands'))).toEqual([
      'doesNotFit a and b',
    ]);
    expect(said(on('charger', 'charge', 250, 'obeys'))).toEqual(['doesNotFit nobody']);
    expect(said(on('a', 'charge', 250, 'commands'), on('b', 'charge', 500, 'obeys'))).toEqual([
      'doesNotFit 250 and 500 kbit/s',
    ]);
  });
  test('low voltage is the vehicle’s own', () => {
    const parts = [part('dcdc', { lowVoltageV: 12 }), part('lvBattery', { lowVoltageV: 24 }), part('heater', {})];
    expect(told(found(systemVoltage, { parts, variant: { systemVoltage: 24 } }))).toEqual([
      'dcdc: doesNotFit',
      'lvBattery: fits',
    ]);
  });
});

describe('body and cabin', () => {
  const inlet = part('inlet', { standard: 'type 2', maxAmps: 32, phases: 1, dc: false, openingMm: 72 });
  const opening = (diameterMm: number) => ({
    openings: [{ name: 'flap', diameterMm, xMm: 0, yMm: 0, zMm: 0, usedFor: '' }],
  });
  test('the inlet against the openings of the body and the region', () => {
    expect(told(found(inletPlace, { parts: [inlet] }))).toEqual(['inlet: measureFirst']);
    expect(found(inletPlace, { parts: [inlet], variant: opening(72) })[0]!.verdict).toBe('fits');
    expect(found(inletPlace, { parts: [inlet], variant: opening(71) })[0]).toMatchObject({
      verdict: 'afterWork',
      work: { hours: 3 },
    });
    expect(told(found(inletPlace, { parts: [inlet], region: 'us', variant: opening(80) }))).toEqual([
      'inlet: fits',
      'inlet, kind of plug: doesNotFit',
    ]);
    expect(found(inletPlace, { parts: [inlet], region: 'other', variant: opening(80) })).toHaveLength(1);
  });
  test('a water loop on a vehicle without radiator', () => {
    const pump = part('coolantPump', {});
    expect(found(heatAway, { parts: [pump] })).toEqual([]);
    expect(found(heatAway, { parts: [pump], variant: { cooling: 'air' } })[0]!.verdict).toBe('doesNotFit');
    const both = [pump, part('radiator', { heatW: 8000 })];
    expect(found(heatAway, { parts: both, variant: { cooling: 'air' } })[0]!.verdict).toBe('afterWork');
  });
  test('a box vents; in the cabin it is sealed too; its fuse is reached', () => {
    const box = (sheet: object) => part('box', { holds: 4, bay: BOX.bay.key, ...sheet });
    const inside = { bays: [{ ...BOX.bay, inside: true }] };
    const verdicts = (sheet: object, variant: Partial<Variant> = {}) =>
      found(boxSafety, { parts: [box(sheet)], variant }).map(({ verdict }) => verdict);
    expect(verdicts({ vented: true, reach: true })).toEqual(['fits', 'fits']);
    expect(verdicts({ vented: true, reach: true, sealed: false }, inside)).toEqual(['doesNotFit', 'fits', 'fits']);
    expect(verdicts({ reach: false })).toEqual(['measureFirst', 'afterWork']);
  });
  test('what is made for one side of the steering', () => {
    const cradle = part('cradle', { picks: [], handed: 'left' });
    expect(found(handedness, { parts: [cradle] })[0]!.verdict).toBe('measureFirst');
    expect(found(handedness, { parts: [cradle], variant: { steeringSide: 'left' } })[0]!.verdict).toBe('fits');
    expect(found(handedness, { parts: [cradle], variant: { steeringSide: 'right' } })[0]!.verdict).toBe('doesNotFit');
    expect(found(handedness, { parts: [part('cradle', { picks: [], handed: 'either' })] })).toEqual([]);
  });
  test('the lowest box against what was lowest', () => {
    const bottom = BOX.zMm - BOX.outer!.heightMm / 2;
    const at = (value: number, source: 'measured' | 'library') =>
      groundClearance.judge({
        vehicle: { ...VEHICLE, figures: { ...VEHICLE.figures, groundClearance: { value, source } } },
        sheet: createSheet(ON),
      } as unknown as FitContext)[0]!;
    expect(at(bottom, 'measured')).toMatchObject({ verdict: 'fits', margin: { value: 0 } });
    expect(at(bottom + 1, 'measured').verdict).toBe('doesNotFit');
    expect(at(bottom + 1, 'library')).toMatchObject({ verdict: 'measureFirst', unmeasured: ['groundClearance'] });
  });
});

describe('what goes with the engine', () => {
  test('vacuum and pump have to be given by something else', () => {
    const variant = { brakeServo: 'engineVacuum', steering: 'enginePump' } as const;
    expect(found(helpLost, { variant }).map(({ verdict }) => verdict)).toEqual(['doesNotFit', 'doesNotFit']);
    const pump = part('hvPump', {}, { covers: ['assistBrakes'] });
    const cover = { assistSteering: { way: 'kept', why: 'as it was' } } as const;
    // What is kept has nothing that moves it any more.
    expect(found(helpLost, { variant, parts: [pump], cover }).map(({ verdict }) => verdict)).toEqual([
      'fits',
      'doesNotFit',
    ]);
    expect(found(helpLost)).toEqual([]);
  });
  test('what is said to be kept must be on this vehicle, and work without the engine', () => {
    const kept = (name: string) => ({ [name]: { way: 'kept', why: 'as it was' } }) as const;
    const verdict = (name: string, variant: object = {}) =>
      found(keptThere, { variant, cover: kept(name) }).map((one) => one.verdict);
    expect(verdict('coolDrive', { cooling: 'radiator' })).toEqual(['fits']);
    expect(verdict('coolDrive', { cooling: 'air' })).toEqual(['doesNotFit']);
    expect(verdict('feedLv')).toEqual(['doesNotFit']);
    expect(verdict('heatCabin')).toEqual(['measureFirst']);
    expect(verdict('direction', { gearbox: { ...VARIANT.gearbox, ratios: [3.5, 2, 1] } })).toEqual(['fits']);
    expect(verdict('direction', { gearbox: { ...VARIANT.gearbox, ratios: [] } })).toEqual(['doesNotFit']);
    expect(verdict('show', { instruments: [] })).toEqual(['measureFirst']);
    // The sheet of a model says nothing of its hand brake; what is made here is nobody's to keep.
    expect(verdict('holdParked')).toEqual([]);
    expect(found(keptThere, { cover: { feedLv: { way: 'made', why: 'converter' } } })).toEqual([]);
  });
  test('what stands where a box goes gets another place; an inflator does for a spare wheel; unknown is looked at', () => {
    const boxes = slots().pack.boxes.filter(({ modules }) => modules > 0);
    const [{ bay }] = boxes as [(typeof boxes)[number]];
    const rehoused = found(displaced, {
      variant: {
        displaced: [
          { name: 'washer bottle', bay: bay.key },
          { name: 'spare wheel', bay: bay.key, spareWheel: true },
          { name: 'tool box', bay: 'a bay without a box' },
        ],
      },
    });
    expect(rehoused.map(({ subject, verdict, work }) => [subject, verdict, work?.hours])).toEqual([
      ['washer bottle', 'afterWork', 1],
      ['spare wheel', 'afterWork', 0.5],
    ]);
    expect(found(displaced, { variant: { displaced: [] } })).toEqual([]);
    const { displaced: _, ...unsaid } = VARIANT;
    const vehicle = { ...VEHICLE, variant: unsaid };
    expect(displaced.judge({ vehicle, sheet: createSheet(ON) } as unknown as FitContext)).toMatchObject([
      { verdict: 'measureFirst', right: { value: null } },
    ]);
  });
  test('luggage that a box takes is told by the litre', () => {
    const boxes = slots().pack.boxes.filter(({ outer, modules }) => outer && modules > 0);
    const [{ bay, outer }] = boxes as [(typeof boxes)[number]];
    const litres = (outer!.lengthMm * outer!.widthMm * outer!.heightMm) / 1e6;
    const of = (place: object) =>
      found(luggageKept, { variant: { luggage: [{ name: 'locker', litres: 900, ...place }] } })[0];
    expect(of({})).toMatchObject({ verdict: 'fits', margin: { value: 0 } });
    expect(of({ bay: bay.key })).toMatchObject({ verdict: 'afterWork', margin: { value: expect.closeTo(-litres, 6) } });
    const { luggage: _, ...unsaid } = VARIANT;
    const sheet = createSheet({ ...ON, vehicle: { ...VEHICLE, variant: unsaid } });
    expect(luggageKept.judge({ sheet } as unknown as FitContext)).toMatchObject([{ verdict: 'measureFirst' }]);
  });
  test('dials lose what moved them, a speedometer with its gearbox only', () => {
    const instruments = [
      { name: 'speedometer', drivenBy: 'cable', from: 'gearbox output' },
      { name: 'fuel gauge', drivenBy: 'resistance', from: 'tank sender' },
      { name: 'clock', drivenBy: 'none', from: '' },
    ] as const;
    expect(found(deadInstruments, { variant: { instruments } })[0]).toMatchObject({
      subject: 'speedometer, fuel gauge',
      work: { hours: 2 },
    });
    const kept = part('drive', { ...DRIVE.sheet, output: 'gearboxInput' });
    expect(found(deadInstruments, { variant: { instruments }, parts: [kept] })[0]!.subject).toBe('fuel gauge');
  });
  test('a part brings what it needs, itself or by an alternative, or it is a gap with that part', () => {
    const heater = part('heater', { companions: [{ what: 'its contactor', component: 'k30' }] });
    const library = new Map([['k30', { ...DRIVE, id: 'k30', alternatives: ['k31'] } as Component]]);
    const asked = (...more: KitPart[]) => found(companions, { parts: [heater, ...more], library });
    expect(asked()[0]).toMatchObject({
      verdict: 'afterWork',
      subject: 'heater needs its contactor',
      work: { parts: [{ componentId: 'k30', quantity: 1 }] },
    });
    expect(asked(part('other', {}, { id: 'k30' }))[0]!.verdict).toBe('fits');
    expect(asked(part('other', {}, { id: 'k31' }))[0]!.verdict).toBe('fits');
  });
});

describe('held and lifted', () => {
  test('what holds the boxes: not said, enough, not enough', () => {
    const held = (bolts: number | null) =>
      found(boxRetention, {
        on: withBoxes([
          {
            ...BOX,
            hold: bolts === null ? null : { bolts, size: 'M10', grade: '8.8', strapsN: null, bracketsN: null },
          },
        ]),
      }).map(({ verdict }) => verdict);
    // ISO 898-1, from memory: M10 of 8.8 holds 580 MPa × 58 mm² = 33.6 kN in proof, 16.8 halved; by hand below.
    const need = Math.ceil((BOX.massKg * 20 * 9.80665) / ((580 * 58) / 2));
    expect(held(null)).toEqual(['measureFirst']);
    expect(held(need)).toEqual(['fits']);
    expect(held(need - 1)).toEqual(['doesNotFit']);
  });
  test('the mass centre on the lift, stage by stage, within the pads', () => {
    const [found1] = found(liftTipping);
    expect(found1).toMatchObject({ rule: 'liftTipping', margin: { kind: 'length' } });
    const narrow = found(liftTipping, { variant: { liftPads: { frontMm: 1200, rearMm: 1300 } } })[0]!;
    expect(narrow).toMatchObject({ verdict: 'afterWork', work: { hours: 0.5 } });
  });
});
