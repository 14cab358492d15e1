import { Matrix, SingularValueDecomposition } from 'ml-matrix';
import * as v from 'valibot';
import { BadInput } from '../badInput';
import { finite, notNegative, teeth } from '../fields';

const body = v.pipe(
  v.string(),
  v.minLength(1, 'a body needs a name'),
  v.maxLength(80, 'at most 80 characters'),
);
const most = <T extends v.GenericSchema>(item: T) => v.pipe(v.array(item), v.maxLength(400, 'at most 400'));

export const TrainMeshSchema = v.object({
  a: body,
  b: body,
  teethA: teeth,
  teethB: teeth,
  /** The body that carries both axes round; left out: the case. */
  carrier: v.optional(body),
  internal: v.optional(v.picklist(['a', 'b'])),
  /** The sign before gear b's term, where it is not + for an outside and − for an inside mesh (a chain: −1). */
  sign: v.optional(v.picklist([1, -1])),
});
export const TrainInputSchema = v.object({
  bodies: v.pipe(v.array(body), v.minLength(1, 'at least one body'), v.maxLength(200, 'at most 200 bodies')),
  meshes: most(TrainMeshSchema),
  /** Pairs of bodies that turn as one: an engaged sleeve, clutch or spline. */
  tied: v.optional(most(v.tuple([body, body])), []),
  /** Bodies tied to the case. */
  held: v.optional(most(body), []),
  driven: v.pipe(
    v.array(v.object({ body, speed: finite })),
    v.minLength(1, 'at least one driven body'),
    v.maxLength(20),
  ),
  /** Short for one load of share 1. */
  loadOut: v.optional(body),
  loads: v.optional(most(v.object({ body, share: notNegative }))),
});
export type TrainInput = v.InferOutput<typeof TrainInputSchema>;

const torque = v.object({ a: v.string(), b: v.string(), loaded: v.boolean(), relativeTorque: v.number() });
export const TrainOutputSchema = v.object({
  status: v.picklist(['determined', 'free', 'locked']),
  speeds: v.nullable(v.record(v.string(), v.number())),
  meshLoads: v.optional(v.array(torque)),
  /** Torque that each tie passes from its first body to its second. */
  tieLoads: v.optional(v.array(torque)),
  /** Torque on each body from outside: put in, taken out, or given by the case that holds it. */
  outside: v.optional(v.record(v.string(), v.number())),
  /** Bodies whose speed nothing determines. */
  free: v.optional(v.array(v.string())),
  /** Ties and held bodies each of which alone, let go, would let it turn. */
  lockedBy: v.optional(
    v.array(v.union([v.object({ tied: v.tuple([v.string(), v.string()]) }), v.object({ held: v.string() })])),
  ),
});
export type Train = v.InferOutput<typeof TrainOutputSchema>;

/** One linear condition on the speeds: Σ coefficient·ω = 0. Its multiplier is a torque. */
interface Condition {
  readonly from: { readonly mesh: number } | { readonly tie: number } | { readonly held: number };
  readonly terms: readonly (readonly [body: string, coefficient: number])[];
}

const NOTHING = 1e-9;

/**
 * Speeds and torques of a gear train: countershaft boxes, epicyclics, transfer cases and differentials alike.
 *
 * Each mesh gives z_a(ω_a − ω_c) ± z_b(ω_b − ω_c) = 0, plus outside and minus where one is an internal gear; each tie
 * makes two speeds equal, each held body stands still. With the driven speeds that is one linear system: it is
 * `determined`, leaves some body `free`, or can't be met at all and is `locked`, which goes before free. The two side
 * gears of a bevel differential meet through their spider like one outside mesh carried by the case.
 *
 * Torques follow from the equilibrium of every body, by virtual work with the same conditions: for each unit of torque
 * put in at the first driven body, in the unit of that torque. `relativeTorque` of a mesh is the torque on body a at
 * that mesh. Where several paths share a load that rigid gears leave undecided (planets alike, two ways round), the
 * shares with the least sum of squares are given. Friction is left out.
 *
 * @throws BadInput for an unknown or doubled body, a mesh that can't be, or ties that go round in a circle
 */
export function train(input: TrainInput): Train {
  checkTrain(input);
  const conditions = conditionsOf(input);
  const speeds = solveSpeeds(input, conditions);
  if (speeds === undefined) return { status: 'locked', speeds: null, lockedBy: lockersOf(input, conditions) };
  if (speeds.free.length > 0) return { status: 'free', speeds: null, free: [...speeds.free] };
  return { status: 'determined', speeds: speeds.values, ...torquesOf(input, conditions) };
}

function conditionsOf({ meshes, tied, held }: TrainInput): Condition[] {
  return [
    ...meshes.map((mesh, index): Condition => {
      const sign = mesh.sign ?? (mesh.internal ? -1 : 1);
      const { a, b, teethA, teethB, carrier } = mesh;
      const carried = carrier === undefined ? [] : [[carrier, -(teethA + sign * teethB)] as const];
      return { from: { mesh: index }, terms: [[a, teethA], [b, sign * teethB], ...carried] };
    }),
    ...tied.map(
      ([a, b], index): Condition => ({
        from: { tie: index },
        terms: [
          [a, 1],
          [b, -1],
        ],
      }),
    ),
    ...held.map((one, index): Condition => ({ from: { held: index }, terms: [[one, 1]] })),
  ];
}

function matrixOf(bodies: readonly string[], conditions: readonly Condition[]): Matrix {
  const at = new Map(bodies.map((name, index) => [name, index]));
  const matrix = Matrix.zeros(conditions.length, bodies.length);
  conditions.forEach(({ terms }, row) => {
    // Rows of like size keep the rank easy to tell.
    const size = Math.max(...terms.map(([, coefficient]) => Math.abs(coefficient)));
    for (const [name, coefficient] of terms) {
      const column = at.get(name)!;
      matrix.set(row, column, matrix.get(row, column) + coefficient / size);
    }
  });
  return matrix;
}

interface Speeds {
  readonly values: Record<string, number>;
  readonly free: readonly string[];
}

/** The speeds that meet all conditions; undefined when none do. */
function solveSpeeds({ bodies, driven }: TrainInput, conditions: readonly Condition[]): Speeds | undefined {
  const drives = driven.map(({ body: name }): Condition => ({ from: { held: -1 }, terms: [[name, 1]] }));
  const system = matrixOf(bodies, [...conditions, ...drives]);
  const wanted = Matrix.columnVector([...conditions.map(() => 0), ...driven.map(({ speed }) => speed)]);
  const decomposition = new SingularValueDecomposition(system, { autoTranspose: true });
  const solution = leastNorm(decomposition, wanted);
  const largest = Math.max(...driven.map(({ speed }) => Math.abs(speed)), NOTHING);
  const residual = Matrix.sub(system.mmul(solution), wanted).to1DArray();
  if (residual.some((rest) => Math.abs(rest) > 1e-7 * largest)) return undefined;
  return {
    values: Object.fromEntries(bodies.map((name, index) => [name, clean(solution.get(index, 0), largest)])),
    free: bodies.filter((_, index) => reachOfNullSpace(decomposition, bodies.length, index) > 1e-7),
  };
}

/** Rounding that the sums leave behind is no speed and no torque. */
const clean = (value: number, scale: number): number => (Math.abs(value) < NOTHING * scale ? 0 : value);

const rankOf = ({ diagonal }: SingularValueDecomposition): number =>
  diagonal.filter((value) => value > 1e-10 * Math.max(1, diagonal[0] ?? 0)).length;

function leastNorm(decomposition: SingularValueDecomposition, wanted: Matrix): Matrix {
  const { leftSingularVectors: u, rightSingularVectors: right, diagonal } = decomposition;
  const rank = rankOf(decomposition);
  const solution = Matrix.zeros(right.rows, 1);
  for (let index = 0; index < rank; index += 1) {
    let along = 0;
    for (let row = 0; row < u.rows; row += 1) along += u.get(row, index) * wanted.get(row, 0);
    for (let row = 0; row < right.rows; row += 1)
      solution.set(row, 0, solution.get(row, 0) + (along / diagonal[index]!) * right.get(row, index));
  }
  return solution;
}

/** How far a body can move while every condition holds: 1 less what the row space takes of its own direction. */
function reachOfNullSpace(
  decomposition: SingularValueDecomposition,
  count: number,
  bodyIndex: number,
): number {
  const { rightSingularVectors: right } = decomposition;
  let taken = 0;
  for (let index = 0; index < Math.min(rankOf(decomposition), count); index += 1)
    taken += right.get(bodyIndex, index) ** 2;
  return 1 - taken;
}

type Lockers = NonNullable<Train['lockedBy']>;

function lockersOf(input: TrainInput, conditions: readonly Condition[]): Lockers {
  return conditions.flatMap((condition): Lockers => {
    if ('mesh' in condition.from) return [];
    const without = conditions.filter((other) => other !== condition);
    if (solveSpeeds(input, without) === undefined) return [];
    return 'tie' in condition.from
      ? [{ tied: input.tied[condition.from.tie]! }]
      : [{ held: input.held[condition.from.held]! }];
  });
}

/** Equilibrium of every body: torque from outside + Σ multiplier·coefficient = 0. */
function torquesOf(
  { bodies, meshes, tied, held, driven, loadOut, loads }: TrainInput,
  conditions: readonly Condition[],
): Pick<Train, 'meshLoads' | 'tieLoads' | 'outside'> {
  const taken = loads ?? (loadOut === undefined ? undefined : [{ body: loadOut, share: 1 }]);
  if (!taken) return {};
  const at = new Map(bodies.map((name, index) => [name, index]));
  const unknowns = conditions.length + driven.length;
  const balance = Matrix.zeros(bodies.length, unknowns);
  conditions.forEach(({ terms }, column) => {
    for (const [name, coefficient] of terms) {
      const row = at.get(name)!;
      balance.set(row, column, balance.get(row, column) + coefficient);
    }
  });
  driven.forEach(({ body: name }, index) => {
    balance.set(at.get(name)!, conditions.length + index, 1);
  });
  const out = Matrix.zeros(bodies.length, 1);
  for (const { body: name, share } of taken) out.set(at.get(name)!, 0, out.get(at.get(name)!, 0) + share);
  const solution = leastNorm(
    new SingularValueDecomposition(balance, { autoTranspose: true }),
    out,
  ).to1DArray();
  const putIn = solution[conditions.length] ?? 0;
  const scale = Math.abs(putIn) < NOTHING ? 0 : 1 / putIn;
  const relative = (value: number) => clean(value * scale, 1);
  const multiplier = (index: number) => solution[index]!;
  return {
    meshLoads: meshes.map(({ a, b, teethA }, index) => load(a, b, relative(multiplier(index) * teethA))),
    tieLoads: tied.map(([a, b], index) => load(a, b, relative(-multiplier(meshes.length + index)))),
    outside: Object.fromEntries([
      ...held.map(
        (name, index) => [name, relative(multiplier(meshes.length + tied.length + index))] as const,
      ),
      ...taken.map(({ body: name, share }) => [name, relative(-share)] as const),
      ...driven.map(
        ({ body: name }, index) => [name, relative(solution[conditions.length + index]!)] as const,
      ),
    ]),
  };
}

const load = (a: string, b: string, relativeTorque: number) => ({
  a,
  b,
  loaded: relativeTorque !== 0,
  relativeTorque,
});

function checkTrain({ bodies, meshes, tied, held, driven, loadOut, loads }: TrainInput): void {
  const known = new Set<string>();
  bodies.forEach((name, index) => {
    if (known.has(name)) throw new BadInput(`bodies.${index}`, `“${name}” is named twice`);
    known.add(name);
  });
  const must = (path: string, name: string | undefined) => {
    if (name !== undefined && !known.has(name)) throw new BadInput(path, `there is no body “${name}”`);
  };
  for (const [index, mesh] of meshes.entries()) checkMesh(mesh, `meshes.${index}`, must);
  tied.forEach(([a, b], index) => {
    must(`tied.${index}.0`, a);
    must(`tied.${index}.1`, b);
  });
  checkTies(bodies, tied);
  for (const [index, name] of held.entries()) must(`held.${index}`, name);
  driven.forEach(({ body: name }, index) => {
    must(`driven.${index}.body`, name);
    if (driven.findIndex((other) => other.body === name) !== index)
      throw new BadInput(`driven.${index}.body`, `“${name}” is driven twice`);
  });
  must('loadOut', loadOut);
  for (const [index, { body: name }] of (loads ?? []).entries()) must(`loads.${index}.body`, name);
  if (loads && !loads.some(({ share }) => share > 0)) throw new BadInput('loads', 'no load takes a share');
}

function checkMesh(
  { a, b, teethA, teethB, carrier, internal }: TrainInput['meshes'][number],
  path: string,
  must: (path: string, name: string | undefined) => void,
): void {
  must(`${path}.a`, a);
  must(`${path}.b`, b);
  must(`${path}.carrier`, carrier);
  if (a === b) throw new BadInput(`${path}.b`, 'a gear can’t mesh with its own body');
  if (carrier === a || carrier === b)
    throw new BadInput(`${path}.carrier`, 'a gear can’t be carried round by its own body');
  if (internal && (internal === 'a' ? teethA <= teethB : teethB <= teethA))
    throw new BadInput(
      `${path}.teeth${internal.toUpperCase()}`,
      'an internal gear has more teeth than the one inside it',
    );
}

/** Ties that close a circle say nothing new and are nearly always a slip of the pen. */
function checkTies(bodies: readonly string[], tied: TrainInput['tied']): void {
  const group = new Map(bodies.map((name) => [name, name]));
  const rootOf = (name: string): string => (group.get(name) === name ? name : rootOf(group.get(name)!));
  tied.forEach(([a, b], index) => {
    if (rootOf(a) === rootOf(b)) throw new BadInput(`tied.${index}`, `“${a}” and “${b}” are tied already`);
    group.set(rootOf(a), rootOf(b));
  });
}
