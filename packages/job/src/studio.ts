/** People of a studio, and what passes between its server and its pages. */

/** What people may do: an owner all, a maker all but with people and storage, a viewer look. */
export type Role = 'owner' | 'maker' | 'viewer';

export const ROLES: readonly Role[] = ['owner', 'maker', 'viewer'];

/** True where one role may all that another may. */
export const mayAll = (role: Role, needed: Role): boolean => ROLES.indexOf(role) <= ROLES.indexOf(needed);

/** What a link that works once is for. */
export type LinkKind = 'owner' | 'invitation' | 'passphrase';

/** Fewest and most characters of a passphrase: NIST SP 800-63B-4, section 3.1.1.2 (from memory), asks for 15 where nothing else is asked for. */
export const PASSPHRASE_LENGTH = { least: 15, most: 200 } as const;

/** Most characters of a person's name. */
export const LONGEST_PERSON_NAME = 60;

export interface PersonView {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  /** ISO 8601. */
  readonly created: string;
}

/** Who is asking, and how. */
export interface MeView {
  /** False where the server is one person's own: nobody signs in. */
  readonly shared: boolean;
  readonly person: PersonView | null;
  /** To be sent along with every change, as the header `X-Brachytone-Token`. */
  readonly token: string;
}

/** The header that changes are sent with. */
export const TOKEN_HEADER = 'X-Brachytone-Token';

export interface SessionView {
  readonly id: string;
  readonly person: string;
  /** The browser, as it calls itself. */
  readonly browser: string;
  readonly address: string;
  readonly begun: string;
  readonly ends: string;
  /** True for the one that asks. */
  readonly own: boolean;
}

export interface InvitationView {
  readonly id: string;
  readonly meant: string;
  readonly role: Role;
  readonly kind: LinkKind;
  readonly created: string;
  readonly expires: string;
}

/** An invitation just made; its address is told once. */
export interface NewLinkView extends InvitationView {
  readonly path: string;
}

/** What a link that works once offers whoever opens it. */
export interface LinkOffer {
  readonly kind: LinkKind;
  readonly role: Role;
  /** The name to begin with; fixed where the link is for somebody's passphrase. */
  readonly name: string;
}

export interface TokenView {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly created: string;
  readonly lastUsed: string | null;
}

/** A token just made; it is told once. */
export interface NewTokenView extends TokenView {
  readonly token: string;
}

export interface AuditEntry {
  readonly id: string;
  readonly at: string;
  readonly name: string;
  readonly did: string;
  readonly subject: string;
}

/** Somebody who has a job open. */
export interface Presence {
  readonly job: string;
  /** Id of the person. */
  readonly person: string;
  readonly name: string;
}

/** A job was changed. */
export interface JobNews {
  readonly id: string;
  readonly revision: number;
  readonly by: string | null;
}
