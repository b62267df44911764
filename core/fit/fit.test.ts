import { describe, expect, test } from 'vitest';
import type { Component, ComponentKind, SheetByKind } from '../component/sheets.ts';
import type { CoverChoice, KitRevision } from '../kit/kit.ts';
import { USUAL_HOLD } from '../pack/holding.ts';
import { REVERSIBLE_FIRM } from '../testing/briefLine.ts';
import { CHARGER, DRIVE, MODULE, slots, VARIANT, VEHICLE } from '../testing/wren.ts';
import type { VehicleState } from '../vehicle/state.ts';
import { coverOf } from './cover.ts';
import { cradleMatches, newHoleCount } from './cradle.ts';
import { lengthVerdict, type RuleId } from './finding.ts';
import { type FitInput, fitKit } from './fitKit.ts';
import { VEHICLE_FUNCTIONS } from './functions.ts';
import { overallVerdict } from './index.ts';

function make<K extends ComponentKind>(
  id: string,
  kind: K,
  sheet: SheetByKind[K],
  more: Partial<Component> = {},
): Component {
  return {
    id,
    kind,
    sheet,
    name: id,
    supplier: 'S',
    massKg: 5,
    lengthMm: 100,
    widthMm: 100,
    heightMm: 100,
    priceCents: 1000,
    leadDays: 1,
    covers: [],
    highVoltage: false,
    ...more,
  } as Component;
}
const cradle = (xMm: number, slotMm = 15) =>
  make('cradle', 'cradle', { picks: [{ point: 'lower', xMm, yMm: 200, zMm: 300, slotMm, thread: 'M12' }] });
/** Two holes for one bolt, 48 mm apart: no one slide suits both. */
const torn = make('cradle', 'cradle', {
  picks: [300, 348].map((xMm) => ({ point: 'lower', xMm, yMm: 200, zMm: 300, slotMm: 15, thread: 'M12' })),
});
const everything = make('everything', 'other', {}, { covers: [...VEHICLE_FUNCTIONS] });

interface Bench {
  readonly parts?: readonly Component[];
  readonly vehicle?: VehicleState;
  readonly modules?: number;
  readonly cover?: Record<string, CoverChoice>;
  readonly reversibleFirm?: boolean;
  readonly payloadKg?: number;
  readonly module?: typeof MODULE;
}

/** The report of a kit made of these parts beside module, drive and charger. */
function report({
  parts = [cradle(300), everything],
  vehicle = VEHICLE,
  modules = 12,
  cover = {},
  reversibleFirm = true,
  payloadKg = 200,
  module = MODULE,
}: Bench = {}) {
  const all = [module, DRIVE, CHARGER, ...parts];
  const revision: KitRevision = {
    id: 'k',
    kitId: 'k',
    kitName: 'Kit',
    modelName: 'Van',
    revision: 'A',
    state: 'released',
    options: [],
    torqueCapNm: null,
    gear: null,
    cover,
    exclusions: [],
    stages: [],
    layout: { boxes: [{ bay: 'rear', modules, hold: { ...USUAL_HOLD, bolts: 40 } }], strings: 1 },
    lines: all.map((part) => ({
      componentId: part.id,
      quantity: part.id === MODULE.id ? modules : 1,
      packedIn: '',
      appliesWhen: null,
    })),
  };
  const { labourHours: _, partsCents: __, ...work } = slots().work;
  const input: FitInput = {
    revision,
    options: [],
    library: new Map(all.map((part) => [part.id, part])),
    vehicle,
    use: { ...slots().use, payloadKg },
    work,
    cover: {},
    brief: reversibleFirm ? [REVERSIBLE_FIRM] : [],
  };
  return fitKit(input);
}
const found = (bench: Bench, rule: RuleId) => report(bench).findings.filter((finding) => finding.rule === rule);

describe('mounting points', () => {
  test('within the slot it fits with what is left of the travel', () => {
    expect(found({ parts: [cradle(310)] }, 'mountingPoints')[0]).toMatchObject({
      verdict: 'fits',
      margin: { value: 5, kind: 'length' },
      right: { value: 300, source: 'drawing' },
    });
  });
  test('less spare than a drawing can be trusted is measured first', () => {
    expect(found({ parts: [cradle(313)] }, 'mountingPoints')[0]?.verdict).toBe('measureFirst');
  });
  test('48 mm away with 15 mm of slot is 33 mm short: another variant', () => {
    expect(found({ parts: [torn] }, 'mountingPoints').at(0)).toMatchObject({
      verdict: 'doesNotFit',
      margin: { value: -33 },
    });
    expect(found({ parts: [torn] }, 'commonSlide')).toMatchObject([
      { verdict: 'doesNotFit', margin: { value: -18, kind: 'length' }, work: null },
    ]);
  });
  test('one slide of the whole cradle cures it where all its bolts agree', () => {
    expect(found({ parts: [cradle(348)] }, 'mountingPoints')[0]).toMatchObject({
      verdict: 'fits',
      left: { value: 348 - 38 - 15, to: 348 - 38 + 15 },
      margin: { value: 5 },
    });
    expect(found({ parts: [cradle(348)] }, 'commonSlide')).toMatchObject([
      { verdict: 'afterWork', left: { value: -38 }, work: { hours: 0.5, slideMm: -38 } },
    ]);
  });
  test('a point this variant does not have needs a new hole', () => {
    const stranger = make('cradle', 'cradle', {
      picks: [{ point: 'upper', xMm: 0, yMm: 0, zMm: 0, slotMm: 20, thread: 'M10' }],
    });
    expect(found({ parts: [stranger] }, 'mountingPoints')[0]).toMatchObject({
      verdict: 'doesNotFit',
      margin: null,
      right: { value: null },
    });
    expect(newHoleCount(VARIANT, [{ component: stranger, quantity: 1, packedIn: '' }])).toBe(1);
    expect(newHoleCount(VARIANT, [])).toBeNull();
  });
  test('sideways there is only the play of a bolt in its hole', () => {
    const aside = make('cradle', 'cradle', {
      picks: [{ point: 'lower', xMm: 300, yMm: 210, zMm: 300, slotMm: 20, thread: 'M12' }],
    });
    expect(cradleMatches(VARIANT, [{ component: aside, quantity: 1, packedIn: '' }], [])[0]?.spareMm).toBe(-6);
  });
  test.each([
    [3, 'drawing', 'fits'],
    [2.9, 'drawing', 'measureFirst'],
    [-3.1, 'drawing', 'doesNotFit'],
    [0, 'measured', 'fits'],
    [-0.1, 'measured', 'doesNotFit'],
    [19, 'assumed', 'measureFirst'],
  ] as const)('%d mm spare from a %s figure: %s', (margin, source, verdict) =>
    expect(lengthVerdict(margin, source)).toBe(verdict));
});

describe('new holes', () => {
  test('none is fine; one breaks a firm reversible line and is work otherwise', () => {
    expect(found({}, 'newHoles')[0]?.verdict).toBe('fits');
    expect(found({ parts: [torn] }, 'newHoles')[0]).toMatchObject({ verdict: 'doesNotFit', left: { value: 1 } });
    expect(found({ parts: [torn], reversibleFirm: false }, 'newHoles')[0]).toMatchObject({
      verdict: 'afterWork',
      work: { hours: 0.75 },
    });
    expect(found({ parts: [] }, 'newHoles')).toEqual([]);
  });
});

describe('voltage window', () => {
  test('full and loaded-empty pack against each component', () => {
    const [first] = found(
      { parts: [make('heater', 'heater', { minV: 100, maxV: 320, powerW: 3000 })] },
      'voltageWindow',
    ).filter((f) => f.subject === 'heater');
    expect(first).toMatchObject({ verdict: 'fits', margin: { kind: 'voltage' } });
    expect(first?.margin?.value).toBeCloseTo(320 - 302.4, 6);
  });
  test('too high at full, too low at empty', () => {
    const high = found(
      { parts: [make('heater', 'heater', { minV: 100, maxV: 300, powerW: 3000 })] },
      'voltageWindow',
    ).find((f) => f.subject === 'heater');
    expect(high).toMatchObject({ verdict: 'doesNotFit' });
    expect(high?.margin?.value).toBeCloseTo(-2.4, 6);
    const low = found(
      { parts: [make('heater', 'heater', { minV: 210, maxV: 400, powerW: 3000 })] },
      'voltageWindow',
    ).find((f) => f.subject === 'heater');
    expect(low?.verdict).toBe('doesNotFit');
  });
  test('a series count outside any window fails the drive itself', () => {
    expect(found({ modules: 4 }, 'voltageWindow').find((f) => f.subject === 'Drive T')?.verdict).toBe('doesNotFit');
  });
});

describe('boxes', () => {
  const box = (heightMm: number, bay = 'rear') =>
    make('box', 'box', { holds: 12, bay }, { lengthMm: 600, widthMm: 700, heightMm });
  test('the tightest way counts, 10 mm stay clear on each side', () => {
    expect(found({ parts: [box(340)] }, 'boxInBay')[0]).toMatchObject({
      verdict: 'fits',
      left: { value: 340 },
      right: { value: 400 },
      margin: { value: 20 },
    });
    expect(found({ parts: [box(378)] }, 'boxInBay')[0]?.verdict).toBe('measureFirst');
    expect(found({ parts: [box(395)] }, 'boxInBay')[0]).toMatchObject({
      verdict: 'doesNotFit',
      margin: { value: -7.5 },
    });
  });
  test('a bay this variant lacks', () => {
    expect(found({ parts: [box(300, 'tunnel')] }, 'boxInBay')[0]).toMatchObject({
      verdict: 'doesNotFit',
      left: { value: 'tunnel' },
      margin: null,
    });
  });
  test('mass in the bay', () => {
    expect(found({}, 'bayMass')[0]?.verdict).toBe('fits');
    expect(found({ modules: 15 }, 'bayMass')[0]?.verdict).toBe('doesNotFit');
  });
});

describe('masses against the plate', () => {
  const weighed: VehicleState = {
    ...VEHICLE,
    figures: {
      ...VEHICLE.figures,
      frontAxleMass: { value: 600, source: 'measured' },
      rearAxleMass: { value: 400, source: 'measured' },
    },
    weighing: {
      frontLeftKg: 300,
      frontRightKg: 300,
      rearLeftKg: 200,
      rearRightKg: 200,
      state: 'asReceived',
      by: '',
      at: '',
    },
  };
  test('close to the plate is measured first on library masses and decided once weighed', () => {
    expect(found({ payloadKg: 520 }, 'grossMass')[0]?.verdict).toBe('measureFirst');
    expect(found({ payloadKg: 480, vehicle: weighed }, 'grossMass')[0]?.verdict).toBe('fits');
    expect(found({ payloadKg: 620, vehicle: weighed }, 'grossMass')[0]?.verdict).toBe('doesNotFit');
  });
  test('each axle against its rating', () => {
    const axles = found({ payloadKg: 480, vehicle: weighed }, 'axleMass');
    expect(axles.find((f) => f.subject === 'front axle')?.right.value).toBe(800);
    expect(axles.find((f) => f.subject === 'rear axle')?.right.value).toBe(900);
  });
});

describe('coupling', () => {
  test('the same spline fits; another does not', () => {
    expect(found({}, 'coupling')[0]).toMatchObject({ verdict: 'fits', left: { value: 'H1' }, right: { value: 'H1' } });
    const other = { ...VEHICLE, variant: { ...VARIANT, gearbox: { ...VARIANT.gearbox, shaftSpline: 'H2' } } };
    expect(found({ vehicle: other }, 'coupling')[0]?.verdict).toBe('doesNotFit');
    const adapter = make('adapter', 'adapter', {
      fromSpline: 'H1',
      fromBoltPattern: '',
      toSpline: 'H2',
      toBoltPattern: '',
    });
    expect(found({ vehicle: other, parts: [adapter] }, 'coupling')[0]).toMatchObject({
      verdict: 'afterWork',
      work: { hours: 1 },
      subject: 'Drive T by adapter',
    });
  });
});

describe('driveline torque', () => {
  test('half-shaft drives load only what is kept; over the limit a cap is named', () => {
    expect(found({}, 'drivelineTorque')[0]).toMatchObject({
      verdict: 'fits',
      subject: 'half shafts',
      left: { value: 1350 },
      right: { value: 1800 },
    });
    const weak = {
      ...VEHICLE,
      variant: { ...VARIANT, driveline: [{ part: 'half shafts', limitNm: 900, after: 'final' as const }] },
    };
    expect(found({ vehicle: weak }, 'drivelineTorque')[0]).toMatchObject({
      verdict: 'afterWork',
      work: { capNm: 100 },
      margin: { value: -450 },
    });
  });
});

describe('cover of functions', () => {
  test('kit first, then choices, else gaps, each named', () => {
    const cover = { assistSteering: { way: 'notNeeded' as const, why: 'manual' } };
    const lines = coverOf(
      [{ component: { ...everything, covers: ['store', 'drive'] }, quantity: 1, packedIn: '' }],
      cover,
      new Map(),
    );
    expect(lines).toHaveLength(VEHICLE_FUNCTIONS.length);
    expect(lines.find((l) => l.function === 'store')).toMatchObject({ by: 'kit', what: 'everything' });
    expect(lines.find((l) => l.function === 'assistSteering')).toMatchObject({ by: 'notNeeded', what: 'manual' });
    expect(lines.find((l) => l.function === 'heatCabin')?.by).toBe('gap');
  });
  test('a heater sold without its contactor shows as work before anything is ordered', () => {
    const finding = found(
      { parts: [cradle(300), { ...everything, covers: VEHICLE_FUNCTIONS.filter((name) => name !== 'heatCabin') }] },
      'functionCover',
    )[0];
    expect(finding).toMatchObject({
      verdict: 'afterWork',
      work: { functions: ['heatCabin'] },
      left: { value: VEHICLE_FUNCTIONS.length - 1 },
    });
  });
});

describe('the report as a whole', () => {
  test('a kit that suits the vehicle fits in everything, each finding with both sides', () => {
    const [rear] = VARIANT.bays;
    const box = make(
      'box',
      'box',
      { holds: 12, bay: 'rear', sealed: true, vented: true, reach: true },
      { ...{ lengthMm: rear!.lengthMm - 60, widthMm: rear!.widthMm - 60, heightMm: rear!.heightMm - 60 } },
    );
    const both = make('cradle', 'cradle', {
      picks: VARIANT.mountingPoints.map(({ key, xMm, yMm, zMm, thread }) => ({
        ...{ point: key, xMm, yMm, zMm, thread, slotMm: 15 },
      })),
    });
    const known = {
      ...VEHICLE,
      variant: {
        ...VARIANT,
        moving: [],
        frontBrakeShare: 0.95,
        instruments: [{ name: 'speedometer', drivenBy: 'cable' as const, from: 'front wheel' }],
      },
    };
    const strong = { ...MODULE, sheet: { ...MODULE.sheet, shortTime: [{ amps: 400, seconds: 60 }] } };
    const { verdict, findings } = report({
      parts: [both, everything, box],
      vehicle: known,
      payloadKg: 100,
      module: strong,
    });
    // Its box takes from the luggage: that is shown to the client, and nothing else is to do.
    expect(findings.filter((f) => f.verdict !== 'fits').map(({ rule }) => rule)).toEqual(['luggageKept']);
    expect(verdict).toBe('afterWork');
    for (const finding of findings) expect(finding.left.value, finding.rule).not.toBeNull();
  });
  test('the worst comes first and gives the verdict', () => {
    const { verdict, findings } = report({ parts: [torn] });
    expect(verdict).toBe('doesNotFit');
    expect(findings[0]?.verdict).toBe('doesNotFit');
    expect(overallVerdict([])).toBe('fits');
  });
});
