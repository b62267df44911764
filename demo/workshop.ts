import type { Place } from '../contract/floor.ts';
import type { Role } from '../contract/rights.ts';
import { type SettingName, USUAL_SETTINGS } from '../contract/workshop.ts';
import type { Practice } from '../core/practice/practice.ts';

export interface DemoPerson {
  readonly signIn: string;
  readonly name: string;
  readonly initials: string;
  readonly role: Role;
  readonly skills: readonly string[];
  /** Days from today until the high-voltage authorisation ends; null without one. */
  readonly hvDays: number | null;
  readonly note: string;
}

/** Eight made-up people. One of the two authorisations is about to run out. */
export const PEOPLE: readonly DemoPerson[] = [
  {
    signIn: 'ilse',
    name: 'Ilse Marrow',
    initials: 'IM',
    role: 'manager',
    skills: ['mechanical'],
    hvDays: null,
    note: 'manager: sees and decides everything',
  },
  {
    signIn: 'soren',
    name: 'Soren Adaro',
    initials: 'SA',
    role: 'technician',
    skills: ['electrical', 'software'],
    hvDays: 210,
    note: 'technician, HV authorised',
  },
  {
    signIn: 'tove',
    name: 'Tove Kerrin',
    initials: 'TK',
    role: 'technician',
    skills: ['electrical', 'mechanical'],
    hvDays: 12,
    note: 'technician, HV authorisation about to run out',
  },
  {
    signIn: 'jory',
    name: 'Jory Opie',
    initials: 'JO',
    role: 'technician',
    skills: ['mechanical'],
    hvDays: null,
    note: 'technician',
  },
  {
    signIn: 'mabel',
    name: 'Mabel Brandt',
    initials: 'MB',
    role: 'technician',
    skills: ['mechanical', 'trim'],
    hvDays: null,
    note: 'technician',
  },
  {
    signIn: 'ravi',
    name: 'Ravi Dunmore',
    initials: 'RD',
    role: 'technician',
    skills: ['fabrication'],
    hvDays: null,
    note: 'technician, fabrication',
  },
  {
    signIn: 'petra',
    name: 'Petra Lowen',
    initials: 'PL',
    role: 'technician',
    skills: ['trim', 'electrical'],
    hvDays: null,
    note: 'technician, trim and looms',
  },
  {
    signIn: 'odo',
    name: 'Odo Finch',
    initials: 'OF',
    role: 'viewer',
    skills: [],
    hvDays: null,
    note: 'bookkeeper: looks, changes nothing',
  },
];

/** The sample workshop's own record. */
export const WORKSHOP = {
  ...USUAL_SETTINGS,
  name: 'Tarrow Quay Works',
  timeZone: 'Europe/Lisbon',
  taxShare: 0.23,
  practice: {
    ratesBySkill: { electrical: 6400, trim: 5200, paint: 4900 },
    evidence: {
      eu: [
        { key: 'conversion-report', what: 'Report on the conversion', giver: 'island licensing engineer' },
        { key: 'weight-slip', what: 'Weighbridge slip, each axle', giver: 'harbour weighbridge' },
        { key: 'insurer', what: 'Insurer has been told', giver: 'the client' },
      ],
    },
  } satisfies Partial<Practice>,
  own: ['name', 'region', 'timeZone', 'currency', 'taxShare', 'rateCents', 'practice'] satisfies SettingName[],
  buildingWidthM: 23,
  buildingLengthM: 12.8,
};

/** The building on the quay, metres from its top left corner. */
export const PLACES: readonly Place[] = [
  { id: 'bay-1', name: 'Bay 1', kind: 'bay', lift: true, alignment: false, xM: 0, yM: 0, widthM: 5.2, lengthM: 9.4 },
  { id: 'bay-2', name: 'Bay 2', kind: 'bay', lift: true, alignment: false, xM: 5.2, yM: 0, widthM: 5.2, lengthM: 9.4 },
  {
    id: 'bay-3',
    name: 'Bay 3',
    kind: 'bay',
    lift: false,
    alignment: false,
    xM: 10.4,
    yM: 0,
    widthM: 5.6,
    lengthM: 9.4,
  },
  {
    id: 'bay-4',
    name: 'Bay 4',
    kind: 'bay',
    lift: false,
    alignment: true,
    xM: 16,
    yM: 0,
    widthM: 7,
    lengthM: 9.4,
  },
  {
    id: 'parked',
    name: 'Parked, not started',
    kind: 'parked',
    lift: false,
    alignment: false,
    xM: 0,
    yM: 9.4,
    widthM: 18.2,
    lengthM: 3.4,
  },
  {
    id: 'hv-room',
    name: 'High-voltage room',
    kind: 'hvRoom',
    lift: false,
    alignment: false,
    xM: 18.2,
    yM: 9.4,
    widthM: 4.8,
    lengthM: 3.4,
  },
  {
    id: 'outside',
    name: 'Out of the building',
    kind: 'outside',
    lift: false,
    alignment: false,
    xM: 0,
    yM: 12.8,
    widthM: 23,
    lengthM: 3,
  },
  {
    id: 'dunlin-trim',
    name: 'Dunlin Trim',
    kind: 'outside',
    lift: false,
    alignment: false,
    ...{ xM: 0, yM: 12.8, widthM: 1, lengthM: 1 },
    ...{ slots: 1, slotDays: [2, 4] },
  },
];

export const MAKERS = ['Ostrel', 'Corvane', 'Pellow', 'Hollin'] as const;
export const SUPPLIERS = [
  'Skerry Cells',
  'Holm Drives',
  'Brae Switchgear',
  'Fetlar Charging',
  'Noost Cooling',
  'Ayre Metalwork',
  'Geo Fittings',
] as const;
