import { type Owner, ROLES, type Role } from './people';

/** Who may do what. The one table; every use case names the right it needs. */
export const RIGHTS = {
  'job.read': ['inspector', 'lead', 'parts', 'assembler', 'apprentice'],
  'job.book-in': ['inspector', 'lead'],
  'job.edit': ['inspector', 'lead'],
  'job.hand-over': ['lead', 'assembler'],
  'job.hold': ['inspector', 'lead', 'parts', 'assembler'],
  'unit-type.read': ROLES,
  'unit-type.keep': ['lead'],
  'unit-type.describe': ['inspector', 'lead', 'assembler'],
  'capture.take': ['inspector', 'lead', 'assembler', 'apprentice'],
  'record.keep': ['inspector', 'lead', 'parts', 'assembler', 'apprentice'],
  'capture.strike': ['inspector', 'lead', 'assembler', 'apprentice'],
  'photograph.file': ['inspector', 'lead', 'assembler', 'apprentice'],
  'grade.set': ['inspector', 'lead'],
  'grade.second': ['inspector', 'lead'],
  'train.take': ['inspector', 'lead', 'assembler', 'apprentice'],
  'question.ask': ['inspector', 'lead', 'parts', 'assembler', 'apprentice'],
  'rules.keep': ['lead'],
  'words.keep': ['lead'],
  'network.keep': ['lead'],
  'cause.note': ['inspector', 'lead'],
  'part.decide': ['inspector', 'lead'],
  'unit.decide': ['lead'],
  'rebuild.do': ['inspector', 'lead', 'assembler'],
  'order.keep': ['parts', 'lead'],
  'prices.keep': ['parts', 'lead'],
  'quote.send': ['lead'],
  'bundle.move': ['lead'],
  'report.read': ['inspector', 'lead', 'parts', 'assembler'],
  'report.issue': ['lead'],
  'reading.accept': ['inspector', 'lead'],
  'reading.move': ['inspector', 'lead'],
  'limit.read': ROLES,
  'limit.keep': ['lead'],
  'limit.adopt': ['lead'],
  'shop.set': ['lead', 'admin'],
  'identity.settle': ['inspector', 'lead'],
  /** What whoever orders counts and measures on the old part and on what came. */
  'identity.measure': ['inspector', 'lead', 'parts', 'assembler', 'apprentice'],
  'identity.count': ['inspector', 'lead', 'assembler', 'apprentice'],
  'gauge.read': ROLES,
  'gauge.keep': ['lead', 'admin'],
  'study.read': ROLES,
  'study.take': ['inspector', 'lead', 'assembler', 'apprentice'],
  'people.manage': ['admin'],
  'session.own': ROLES,
} as const satisfies Record<string, readonly Role[]>;

export type Right = keyof typeof RIGHTS;

export const mayDo = (role: Role, right: Right): boolean => (RIGHTS[right] as readonly Role[]).includes(role);

/** Whom to ask for it: “inspector, lead”. */
export const whoMay = (right: Right): string => RIGHTS[right].join(', ');

/** What the interface needs in order not to offer what would be refused anyway. */
export const rightsOf = (role: Role): Right[] =>
  (Object.keys(RIGHTS) as Right[]).filter((right) => mayDo(role, right));

/** What the holder of a letter may do with it. Nobody of the shop has these, and he has none of theirs. */
export const OWNER_RIGHTS = ['letter.read', 'letter.answer'] as const;
export type OwnerRight = (typeof OWNER_RIGHTS)[number];

export const ownerMay = (owner: Partial<Owner>, right: OwnerRight): boolean =>
  owner.kind === 'owner' && OWNER_RIGHTS.includes(right);
