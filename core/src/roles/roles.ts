/** Who may do what: five roles, and what each of them may. */
export const ROLES = ['owner', 'planner', 'bookkeeper', 'crew', 'viewer'] as const;
export type Role = (typeof ROLES)[number];

/**
 * What somebody may: `look` at jobs; see `prices`; change the `plan`, what the `field` writes down (as laid, visits, photos, steps done), or
 * `money`; make and take back links (`share`); say how the `company` works; let `people` in and out.
 */
export const RIGHTS = ['look', 'prices', 'plan', 'field', 'money', 'share', 'company', 'people'] as const;
export type Right = (typeof RIGHTS)[number];

const OF: Record<Role, readonly Right[]> = {
  owner: RIGHTS,
  planner: ['look', 'prices', 'plan', 'field', 'money', 'share', 'company'],
  bookkeeper: ['look', 'prices', 'money', 'share', 'company'],
  crew: ['look', 'field'],
  viewer: ['look'],
};

export const rightsOf = (role: Role): ReadonlySet<Right> => new Set(OF[role]);

/** A device that was let in by the code on the server's screen and is nobody's in particular: the office's, which lets no people in. */
export const OFFICE_RIGHTS: ReadonlySet<Right> = new Set(OF.planner);

export const ROLE_WORDS: Record<Role, string> = {
  owner: 'Owner',
  planner: 'Planner',
  bookkeeper: 'Bookkeeper',
  crew: 'Crew',
  viewer: 'Viewer',
};

/** What a role is for, in a sentence. */
export const ROLE_SAYS: Record<Role, string> = {
  owner: 'Everything, and lets people in and out.',
  planner: 'Plans, prices and offers; lets nobody in.',
  bookkeeper: 'Prices, offers, bills and how jobs came out; changes nothing of the plan.',
  crew: 'Digs by the plan: as laid, visits, photos, notes, steps done. Sees no prices.',
  viewer: 'Looks, and changes nothing. Sees no prices.',
};

/** The narrower of two roles: somebody has both rights or has neither. */
export const narrower = (rights: ReadonlySet<Right>, other: ReadonlySet<Right>): ReadonlySet<Right> =>
  new Set([...rights].filter((right) => other.has(right)));
