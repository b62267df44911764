import { sql } from 'drizzle-orm';
import type { Basic } from '../../contract/basics.ts';
import { bespokeStages } from '../../core/kit/bespokeStages.ts';
import { boltInStages } from '../../core/kit/usualStages.ts';
import type { Tx } from '../db/connect.ts';
import { component, stageTemplate, supplier } from '../db/schema/index.ts';

/** What stands for a supplier until the workshop names its own. */
const TYPICAL = { id: 'typical', name: 'Typical, by tables' };

/**
 * Single-core HV cable, screened, 10 m with lugs, at 40 °C: sections by IEC 60228 (from memory), what they carry by
 * usual cable sheets, common practice: [mm², outside mm, A, kg].
 */
const CABLES = [
  [16, 10.8, 110, 2.9],
  [25, 12.5, 145, 4],
  [35, 14.2, 180, 5.4],
  [50, 16.3, 230, 7.3],
  [70, 17.8, 285, 9.6],
  [95, 20.6, 345, 12.6],
] as const;
/** Ratings of the R10 series by IEC 60269 (from memory); 500 V DC and 20 kA, common practice. */
const FUSES = [10, 16, 20, 32, 40, 63, 80, 100, 125, 160, 200, 250, 315, 400];
/** E6 values by IEC 60063 (from memory), with pulse energy and peak power of wire-wound ones, common practice. */
const RESISTORS = [
  [22, 900, 12_000],
  [47, 700, 9000],
  [100, 500, 4000],
  [220, 360, 1500],
  [470, 260, 700],
  [680, 260, 520],
] as const;

const lent = { supplierId: TYPICAL.id, priceCents: 0, leadDays: 14, highVoltage: true, lent: true };

const COMPONENTS = {
  cables: CABLES.map(([sectionMm2, outsideMm, continuousA, massKg]) => ({
    ...lent,
    id: `cable-${sectionMm2}`,
    kind: 'cable',
    name: `HV cable ${sectionMm2} mm², 10 m with lugs`,
    massKg,
    lengthMm: 400,
    widthMm: 400,
    heightMm: 80,
    covers: ['hvCables'],
    sheet: { sectionMm2, outsideMm, continuousA },
  })),
  fuses: FUSES.map((ratedA) => ({
    ...lent,
    id: `fuse-${ratedA}`,
    kind: 'fuse',
    name: `HV fuse ${ratedA} A, 500 V`,
    massKg: ratedA < 63 ? 0.05 : 0.3,
    lengthMm: ratedA < 63 ? 38 : 90,
    widthMm: ratedA < 63 ? 10 : 40,
    heightMm: ratedA < 63 ? 10 : 40,
    sheet: { ratedA, maxV: 500, breakingA: 20_000 },
  })),
  resistors: RESISTORS.map(([ohm, pulseJ, peakW]) => ({
    ...lent,
    id: `resistor-${ohm}`,
    kind: 'resistor',
    name: `Precharge resistor ${ohm} Ω`,
    massKg: 0.2,
    lengthMm: 90,
    widthMm: 30,
    heightMm: 30,
    sheet: { ohm, pulseJ, peakW },
  })),
} as const;

/** Lists of stages of the trade; torques are nobody's yet, full voltage and size of a middling van. */
const STAGE_LISTS = () => [
  {
    name: 'Bolt-in kit, two technicians',
    stages: boltInStages({ cradleNm: null, boxNm: null, rearBox: true, liquid: true, size: 1, fullV: 400 }),
    lent: true,
  },
  { name: 'What a bespoke job adds', stages: bespokeStages(), lent: true },
];

/**
 * Takes starter catalogues into the library, not priced and marked as lent. What is there already, by id or by name, stays
 * as it is.
 *
 * @returns how many things were taken in
 */
export async function lendBasics(tx: Tx, what: readonly Basic[]): Promise<number> {
  const parts = what.flatMap((one): Lent[] => (one === 'stages' ? [] : [...COMPONENTS[one]]));
  return (await lendComponents(tx, parts)) + (what.includes('stages') ? await lendStages(tx) : 0);
}

type Lent = (typeof COMPONENTS)[keyof typeof COMPONENTS][number];

async function lendComponents(tx: Tx, parts: readonly Lent[]): Promise<number> {
  if (parts.length === 0) return 0;
  await tx.insert(supplier).values(TYPICAL).onConflictDoNothing();
  const known = await tx.select({ name: sql<string>`lower(${component.name})` }).from(component);
  const names = new Set(known.map(({ name }) => name));
  const fresh = parts
    .filter(({ name }) => !names.has(name.toLowerCase()))
    .map((part) => ('covers' in part ? { ...part, covers: [...part.covers] } : part));
  if (fresh.length === 0) return 0;
  const taken = await tx.insert(component).values(fresh).onConflictDoNothing().returning({ id: component.id });
  return taken.length;
}

async function lendStages(tx: Tx): Promise<number> {
  // By the names that are in use: the uniqueness of names leaves dropped ones aside.
  const taken = await tx.insert(stageTemplate).values(STAGE_LISTS()).onConflictDoNothing().returning();
  return taken.length;
}
