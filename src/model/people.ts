import * as v from 'valibot';
import { IdSchema, words } from './ids';
import type { ReadsIn } from './units';

export const ROLES = ['inspector', 'lead', 'parts', 'assembler', 'apprentice', 'admin'] as const;
export const RoleSchema = v.picklist(ROLES);
export type Role = v.InferOutput<typeof RoleSchema>;

/** Each role as one speaks of it. */
export const AS_ROLE: Readonly<Record<Role, string>> = {
  inspector: 'An inspector',
  lead: 'The lead',
  parts: 'Whoever orders parts',
  assembler: 'An assembler',
  apprentice: 'An apprentice',
  admin: 'The administrator',
};

/** Who is acting. Every use case takes one first. */
export interface Actor {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  /** Metric when left out. */
  readonly readsIn?: ReadsIn;
}

/** Who holds the link to one letter: the customer, none of the shop's people. */
export interface Owner {
  readonly kind: 'owner';
  /** Of his link's token; the token itself is stored nowhere. */
  readonly tokenHash: string;
  readonly jobId: string;
  /** Of the letter. */
  readonly number: number;
  /** Until when his link opens. */
  readonly until: string;
}

export interface Person extends Actor {
  readonly active: boolean;
  readonly hasPin: boolean;
}

export const PasswordSchema = v.pipe(
  v.string(),
  v.minLength(10, 'a password has at least 10 characters'),
  v.maxLength(200, 'at most 200 characters'),
);
export const PinSchema = v.pipe(v.string(), v.regex(/^\d{4,8}$/, 'a PIN has 4 to 8 figures'));

export const SignInSchema = v.object({ name: words(80, 1), password: v.pipe(v.string(), v.maxLength(200)) });
export const SwitchPersonSchema = v.object({ personId: IdSchema, pin: v.pipe(v.string(), v.maxLength(20)) });

export const NewPersonSchema = v.object({
  name: words(80, 1),
  role: RoleSchema,
  password: PasswordSchema,
  pin: v.optional(PinSchema),
});
export type NewPerson = v.InferOutput<typeof NewPersonSchema>;
