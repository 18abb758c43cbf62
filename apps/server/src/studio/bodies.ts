import { LONGEST_PERSON_NAME, PASSPHRASE_LENGTH, ROLES, textLine, type Role } from '@brachytone/job';
import Joi from 'joi';

const secret = Joi.string()
  .pattern(/^[\w-]{43}$/)
  .required()
  .label('link');
const name = textLine(LONGEST_PERSON_NAME).required().label('name');
const role = Joi.valid(...ROLES).required();
/** One to be kept; one that is only compared may be anything. */
const newPassphrase = Joi.string()
  .min(PASSPHRASE_LENGTH.least)
  .max(PASSPHRASE_LENGTH.most)
  .required()
  .messages({
    'string.min': `A passphrase has ${PASSPHRASE_LENGTH.least} characters or more: four words or so`,
  });
const anyPassphrase = Joi.string().max(PASSPHRASE_LENGTH.most).required().label('passphrase');

export interface SignInBody {
  readonly name: string;
  readonly passphrase: string;
}
export const signInBody = Joi.object<SignInBody>({
  name: Joi.string().max(LONGEST_PERSON_NAME).required(),
  passphrase: anyPassphrase,
});

export interface ChangePassphraseBody {
  readonly old: string;
  readonly passphrase: string;
}
export const changePassphraseBody = Joi.object<ChangePassphraseBody>({
  old: anyPassphrase,
  passphrase: newPassphrase,
});

export const offerBody = Joi.object<{ secret: string }>({ secret });

export interface WelcomeBody {
  readonly secret: string;
  readonly name: string;
  readonly passphrase: string;
}
export const welcomeBody = Joi.object<WelcomeBody>({ secret, name, passphrase: newPassphrase });

export interface InviteBody {
  readonly meant: string;
  readonly role: Role;
}
export const inviteBody = Joi.object<InviteBody>({ meant: name, role });

export const roleBody = Joi.object<{ role: Role }>({ role });

export interface TokenBody {
  readonly name: string;
  readonly role: Role;
}
export const tokenBody = Joi.object<TokenBody>({ name, role });

export interface AuditQuery {
  readonly most: number;
  readonly at?: string;
  readonly id?: string;
}
/** A page of the list, after an entry. */
export const auditQuery = Joi.object<AuditQuery>({
  most: Joi.number().integer().min(1).max(500).default(100),
  at: Joi.string().isoDate(),
  id: Joi.string().uuid(),
}).and('at', 'id');

/** Ids of people and sessions. */
export const studioId = Joi.string().uuid().required().label('id');
