import type { Role } from '../contract/rights.ts';

export const ROLE_NAME: Readonly<Record<Role, string>> = {
  viewer: 'Viewer',
  technician: 'Technician',
  manager: 'Manager',
};

export const ROLE_SAY: Readonly<Record<Role, string>> = {
  viewer: 'looks, changes nothing',
  technician: 'measures, designs, builds, signs',
  manager: 'decides everything',
};
