import * as v from 'valibot';

/*
 * Matters in which good shops disagree: each has its choices, the shop has its own, and a job may have another. Which is in force always
 * stands on the job.
 */

export const POLICIES = [
  {
    id: 'bearings',
    name: 'Sound bearings',
    choices: [
      { id: 'keep', words: 'run on' },
      { id: 'renew', words: 'are renewed once the unit is open' },
    ],
  },
  {
    id: 'weak-sisters',
    name: 'Sisters of a part that broke by a known weakness',
    choices: [
      { id: 'renew', words: 'are renewed with the improved part' },
      { id: 'ask', words: 'are decided one by one' },
    ],
  },
  {
    id: 'turn-over',
    name: 'A washer or pin worn on one side',
    choices: [
      { id: 'allowed', words: 'may be turned over' },
      { id: 'never', words: 'is renewed' },
    ],
  },
  {
    id: 'spares',
    name: 'Pieces that get spoilt in fitting',
    choices: [
      { id: 'none', words: 'are ordered as many as are fitted' },
      { id: 'one', words: 'are ordered with one to spare' },
    ],
  },
  {
    id: 'make-bearings',
    name: 'New bearings',
    choices: [
      { id: 'any', words: 'of any make, used ones too' },
      { id: 'named', words: 'of a make with a name, or the maker’s' },
      { id: 'maker', words: 'of the maker alone' },
    ],
  },
  {
    id: 'make-gears',
    name: 'New gears and shafts',
    choices: [
      { id: 'any', words: 'of any make, used ones too' },
      { id: 'named', words: 'of a make with a name, or the maker’s' },
      { id: 'maker', words: 'of the maker alone' },
    ],
  },
] as const;

export type PolicyId = (typeof POLICIES)[number]['id'];
export type Policies = {
  readonly [Id in PolicyId]: Extract<(typeof POLICIES)[number], { id: Id }>['choices'][number]['id'];
};

/** What holds where the shop has said nothing. */
export const USUAL_POLICIES: Policies = {
  ...{ bearings: 'keep', 'weak-sisters': 'renew', 'turn-over': 'allowed', spares: 'one' },
  ...{ 'make-bearings': 'named', 'make-gears': 'named' },
};

const choice = <Id extends PolicyId>(id: Id) =>
  v.picklist(POLICIES.find((policy) => policy.id === id)!.choices.map((each) => each.id) as Policies[Id][]);

export const PoliciesSchema = v.object({
  bearings: choice('bearings'),
  'weak-sisters': choice('weak-sisters'),
  'turn-over': choice('turn-over'),
  spares: choice('spares'),
  'make-bearings': choice('make-bearings'),
  'make-gears': choice('make-gears'),
});

/** The words of a choice. */
export const policyWords = (id: PolicyId, chosen: string): string => {
  const policy = POLICIES.find((each) => each.id === id)!;
  return `${policy.name} ${policy.choices.find((each) => each.id === chosen)?.words ?? chosen}`;
};
