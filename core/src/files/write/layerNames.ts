import type { Role } from '../../ground/scene/types.ts';

/** What a layer of a file is called; roles without a name here go by their own. */
const NAMES: Partial<Readonly<Record<Role, string>>> = {
  creaseAway: 'crease-away',
  creaseToward: 'crease-toward',
};

export const layerName = (role: Role): string => NAMES[role] ?? role;
