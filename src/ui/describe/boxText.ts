import * as v from 'valibot';
import type { Told } from '@/core/unit-type/plain-box/draftBox';
import { GearRowSchema, type PlainBox, RingRowSchema, ShaftRowSchema } from '@/model/plainBox';
import type { Position, UnitType } from '@/model/unitType';
import { figureOf } from '../kit/figureOf';

/** What stands in the fields, as it was typed: `part field`. */
export type BoxText = Readonly<Record<string, string>>;

export interface BoxParts {
  readonly shafts: readonly Position[];
  readonly gears: readonly Position[];
  /** What else can sit on a shaft. */
  readonly rings: readonly Position[];
}

const RING_FAMILIES = new Set<Position['family']>([
  ...(['rolling-bearing', 'bush-washer-pin', 'synchro-ring', 'hub-sleeve-fork', 'fastener-seal'] as const),
]);

export const partsOfBox = ({ positions }: Pick<UnitType, 'positions'>): BoxParts => ({
  shafts: positions.filter(({ family }) => family === 'shaft-spline'),
  gears: positions.filter(({ family }) => family === 'gear-teeth'),
  rings: positions.filter(({ family, name }) => RING_FAMILIES.has(family) && !/^bolts?\b/i.test(name)),
});

const figure = (value: number | undefined): string =>
  value === undefined ? '' : String(Number(value.toFixed(3)));

/** What stands in the type already, as it was typed. */
export function textOf(type: UnitType): BoxText {
  const text: Record<string, string> = {
    module: figure(type.gears[0]?.module ?? 2.5),
    input: type.power?.input ?? '',
    output: type.power?.outputs[0]?.body ?? '',
  };
  const put = (id: string, fields: Record<string, string>) => {
    for (const [field, value] of Object.entries(fields)) if (value !== '') text[`${id} ${field}`] = value;
  };
  const { shafts, gears, rings } = partsOfBox(type);
  const drawn = shafts.filter(({ draw, axis }) => draw?.shape === 'shaft' && axis !== undefined);
  for (const shaft of drawn) put(shaft.id, shaftText(type, shaft, drawn));
  for (const position of gears) {
    const gear = type.gears.find((each) => each.position === position.id);
    if (gear) put(position.id, { ...gearText(type, gear), ...seatText(type, position, drawn) });
  }
  for (const ring of rings) {
    const { draw } = ring;
    if (!draw) continue;
    const inner = 'bore' in draw ? draw.bore : 'inner' in draw ? draw.inner : undefined;
    const outer = 'outer' in draw ? draw.outer : undefined;
    put(ring.id, {
      ...{ inner: figure(inner && inner * 2), outer: figure(outer && outer * 2) },
      ...seatText(type, ring, drawn),
    });
  }
  return text;
}

function shaftText(type: UnitType, shaft: Position, shafts: readonly Position[]): Record<string, string> {
  const { from = 0, to = 0, draw } = shaft;
  const radius = draw?.shape === 'shaft' ? draw.steps[0]?.radius : undefined;
  return {
    ...{ length: figure(to - from), diameter: figure(radius && radius * 2) },
    ...liesText(type, shaft, shafts),
  };
}

function liesText(type: UnitType, shaft: Position, shafts: readonly Position[]): Record<string, string> {
  const axisOf = ({ axis }: Position) => type.axes.find(({ id }) => id === axis)!;
  const before = shafts.slice(0, shafts.indexOf(shaft));
  const inLine = before.find(({ axis }) => axis === shaft.axis);
  const from = shaft.from ?? 0;
  if (inLine)
    return {
      ...{ lies: 'in line', with: inLine.id, start: figure(from - (inLine.from ?? 0)) },
      tiedIn: tiedInOf(type, shaft.id),
    };
  const isUpright = (position: Position) => axisOf(position).direction[0] === 0;
  const across = before.find((other) => isUpright(other) !== isUpright(shaft));
  const beside = before.some(
    (other) => isUpright(other) === isUpright(shaft) && isJoined(type, other, shaft),
  );
  if (!across || beside) return {};
  const [own, other] = [axisOf(shaft), axisOf(across)];
  const at = (isUpright(shaft) ? own.origin[0] : own.origin[1]) - (across.from ?? 0);
  const crossing = isUpright(shaft) ? other.origin[1] : other.origin[0];
  return { lies: 'across', with: across.id, at: figure(at), start: figure(from - crossing) };
}

/** Do a gear on one and a gear on the other mesh? */
function isJoined({ positions, meshes }: UnitType, one: Position, other: Position): boolean {
  const axisOfGear = (id: string) => positions.find((position) => position.id === id)?.axis;
  return meshes.some(({ a, b }) => {
    const axes = [axisOfGear(a), axisOfGear(b)];
    return axes.includes(one.axis) && axes.includes(other.axis);
  });
}

function tiedInOf({ couplings, states }: UnitType, id: string): string {
  const coupling = couplings.find(({ ties }) => ties[1] === id);
  return states.find(({ engaged }) => coupling && engaged.includes(coupling.id))?.gear ?? '';
}

function gearText(type: UnitType, gear: UnitType['gears'][number]): Record<string, string> {
  const mesh = type.meshes.find(({ a, b }) => a === gear.id || b === gear.id);
  return {
    ...{ teeth: String(gear.teeth), outside: figure(gear.outside), tiedIn: tiedInOf(type, gear.position) },
    mate: mesh ? (mesh.a === gear.id ? mesh.b : mesh.a) : '',
  };
}

/** On which shaft it sits, and where along it. Of two in line the one that it turns with, else the one that reaches as far. */
function seatText(type: UnitType, position: Position, shafts: readonly Position[]): Record<string, string> {
  const { axis, from, to } = position;
  if (from === undefined || to === undefined) return {};
  const width = figure(to - from);
  if (axis === undefined) return { width };
  const inLine = shafts.filter((shaft) => shaft.axis === axis);
  const turnsWith = [position.body, type.couplings.find(({ ties }) => ties[1] === position.id)?.ties[0]];
  const on =
    inLine.find(({ id }) => turnsWith.includes(id)) ??
    inLine.find((shaft) => (shaft.from ?? 0) <= from && to <= (shaft.to ?? 0));
  return on ? { shaft: on.id, place: figure(from - (on.from ?? 0)), width } : { width };
}

export interface TypedBox {
  readonly box: PlainBox;
  /** Rows that were begun and lack something. */
  readonly told: readonly Told[];
}

const FIELD_WORDS: Readonly<Record<string, string>> = {
  length: 'its length',
  diameter: 'its diameter',
  lies: 'where it lies',
  with: 'the shaft it lies by',
  start: 'where it begins',
  at: 'where the axes cross',
  shaft: 'the shaft it sits on',
  place: 'its place',
  width: 'its width',
  teeth: 'its teeth',
  outside: 'its outside',
  inner: 'its inside',
  outer: 'its outside',
};

/** Rows that nobody has begun are left out: a box may be described as far as it lies open. */
export function boxOf(text: BoxText, { shafts, gears, rings }: BoxParts): TypedBox {
  const told: Told[] = [];
  const word = (id: string, field: string) => text[`${id} ${field}`]?.trim() || undefined;
  const number = (id: string, field: string) => figureOf(text[`${id} ${field}`] ?? '');
  const begun = (id: string, fields: readonly string[]) => fields.some((field) => word(id, field));
  const rows = <Schema extends v.GenericSchema>(
    schema: Schema,
    of: readonly Position[],
    fields: readonly string[],
    read: (id: string) => object,
  ): v.InferOutput<Schema>[] =>
    of.flatMap(({ id, name }) => {
      if (!begun(id, fields)) return [];
      const row = v.safeParse(schema, { position: id, ...read(id) });
      if (row.success) return [row.output];
      told.push({ positionId: id, message: `${name}: ${whyNot(row.issues[0])}` });
      return [];
    });
  const tied = (id: string) => (word(id, 'tiedIn') ? { tiedIn: word(id, 'tiedIn') } : {});
  const lies = (id: string) => {
    const how = word(id, 'lies');
    if (how === undefined) return {};
    const by = { how, with: word(id, 'with'), start: number(id, 'start') };
    return { lies: how === 'across' ? { ...by, at: number(id, 'at') } : { ...by, ...tied(id) } };
  };
  const seat = (id: string) => ({
    ...{ shaft: word(id, 'shaft'), place: number(id, 'place'), width: number(id, 'width') },
  });
  const module = figureOf(text.module ?? '');
  const known = module !== undefined && module > 0 && module <= 40;
  if (!known)
    told.push({ positionId: undefined, message: 'The module is no figure between 0 and 40: 2.5 is taken' });
  return {
    box: {
      module: known ? module : 2.5,
      ...(text.input ? { input: text.input } : {}),
      ...(text.output ? { output: text.output } : {}),
      shafts: rows(ShaftRowSchema, shafts, ['length', 'diameter', 'lies'], (id) => ({
        ...{ length: number(id, 'length'), diameter: number(id, 'diameter') },
        ...lies(id),
      })),
      gears: rows(GearRowSchema, gears, ['shaft', 'place', 'width', 'teeth', 'mate'], (id) => ({
        ...seat(id),
        ...{ teeth: number(id, 'teeth'), outside: number(id, 'outside'), mate: word(id, 'mate') },
        ...tied(id),
      })),
      rings: rows(RingRowSchema, rings, ['shaft', 'place'], (id) => ({
        ...seat(id),
        ...{ inner: number(id, 'inner'), outer: number(id, 'outer') },
      })),
    },
    told,
  };
}

function whyNot({ path, message }: v.BaseIssue<unknown>): string {
  const field = path?.at(-1);
  const words = FIELD_WORDS[String(field?.key)];
  if (!words) return message;
  return field?.value === undefined ? `${words} is not typed yet` : `${words}: ${message}`;
}
