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

/** A place on the sheet, mm from its trimmed corner at the top left. */
export interface SheetPlace {
  readonly x: number;
  readonly y: number;
}

/** Something said of a proof, pinned to a place or to none. */
export interface ProofComment {
  readonly id: string;
  readonly name: string;
  readonly text: string;
  readonly place: SheetPlace | null;
  /** True for what the studio said. */
  readonly fromStudio: boolean;
  readonly done: boolean;
  readonly at: string;
}

/** What a client answered. */
export interface ProofAnswer {
  readonly says: 'approved' | 'changes';
  readonly name: string;
  readonly words: string;
  readonly at: string;
  /** SHA-256 of the recipe it is about. */
  readonly recipe: string;
}

/** A link to a proof as the studio sees it. */
export interface ProofLinkView {
  readonly id: string;
  /** Whom it is meant for. */
  readonly meant: string;
  /** The pull that it shows. */
  readonly pull: string;
  readonly created: string;
  readonly expires: string;
  readonly opened: string | null;
  readonly answer: ProofAnswer | null;
  readonly comments: readonly ProofComment[];
  /** True where the job is what it shows still. */
  readonly isCurrent: boolean;
}

/** A link just made; its address is told once. */
export interface NewProofLinkView extends ProofLinkView {
  readonly path: string;
}

/** A proof as the client sees it. */
export interface ClientProof {
  readonly job: string;
  readonly meant: string;
  /** mm, trimmed. */
  readonly sheet: { readonly width: number; readonly height: number };
  /** Film pixels across and down the trimmed sheet. */
  readonly film: { readonly width: number; readonly height: number };
  readonly resolution: number;
  readonly stock: { readonly name: string; readonly colour: string; readonly isCloth: boolean };
  readonly inks: readonly { readonly name: string; readonly colour: string }[];
  /** SHA-256 of the recipe that is shown; an answer says which one it is about. */
  readonly recipe: string;
  /** When what is shown was made. */
  readonly shown: string;
  readonly expires: string;
  readonly answer: ProofAnswer | null;
  readonly comments: readonly ProofComment[];
}

/** The header that a proof is asked with. */
export const PROOF_HEADER = 'X-Brachytone-Proof';

/** Pixels of a tile of a proof, each way; at its level 0 a pixel is a film pixel, at each further one twice as many. */
export const PROOF_TILE = 512;

export const PROOF_LIMITS = {
  /** Characters of a comment. */
  comment: 2000,
  /** Comments of a link. */
  comments: 300,
  days: [1, 3, 7, 14, 30, 90],
} as const;
