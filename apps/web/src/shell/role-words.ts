import type { Role } from '@brachytone/job';

/** What a role is called, and what it lets one do. */
export const ROLE_WORDS: Record<Role, { readonly name: string; readonly says: string }> = {
  owner: { name: 'Owner', says: 'everything, people and storage too' },
  maker: { name: 'Maker', says: 'jobs, shelves, presses and films' },
  viewer: { name: 'Viewer', says: 'looks at all of it, changes nothing' },
};
