import type { Position, UnitType } from '@/model/unitType';
import { kindOfPart } from '../unit-type/kindOfPart';

/*
 * What a rebuild is proved by beside its steps and figures: flushed, tried for fit, heated within bounds, worked by hand, filled, run. Each line
 * says for which units it is asked; what a unit has none of is not asked.
 */

export const PROOF_GROUPS = [
  { id: 'flush', name: 'Flushed, with proof, before anything goes in' },
  { id: 'fit', name: 'Fits tried, foreign parts off' },
  { id: 'hand', name: 'Worked by hand before it is closed' },
  { id: 'oil', name: 'Oil' },
  { id: 'run', name: 'Test run' },
] as const;
export type ProofGroup = (typeof PROOF_GROUPS)[number]['id'];

export interface ProofFigure {
  readonly id: string;
  readonly words: string;
  readonly unit: string;
  /** Beyond it the line can’t pass, for this reason. */
  readonly most?: { readonly value: number; readonly words: string };
  /** A line that passes needs it. */
  readonly needed?: true;
}

export interface ProofLine {
  readonly id: string;
  readonly group: ProofGroup;
  readonly title: string;
  /** Of a line that is made for one unit; of the listed ones it stands in `proofHow`. */
  readonly how?: string;
  readonly pass: string;
  readonly fail: string;
  readonly figures: readonly ProofFigure[];
  /** What must be said in words when it passes. */
  readonly say?: string;
}

type Unit = Pick<UnitType, 'family' | 'positions' | 'couplings' | 'states' | 'oil' | 'bearings'>;
interface Listed extends Omit<ProofLine, 'figures'> {
  readonly figures?: readonly ProofFigure[];
  readonly asked?: (unit: Unit) => boolean;
}

const has =
  (words: RegExp) =>
  ({ positions }: Unit): boolean =>
    positions.some(({ name }) => words.test(name));
const hasFamily =
  (...families: readonly Position['family'][]) =>
  ({ positions }: Unit): boolean =>
    positions.some(({ family }) => families.includes(family));
const hasKind =
  (...kinds: readonly string[]) =>
  ({ couplings }: Unit): boolean =>
    couplings.some(({ kind }) => kinds.includes(kind));
const sleeves = ({ couplings }: Unit): number =>
  couplings.filter(({ kind }) => kind === 'sleeve' || kind === 'lock').length;

const LINES: readonly Listed[] = [
  {
    ...{ id: 'flush-case', group: 'flush', title: 'Case, pockets and ports' },
    ...{ pass: 'The cloth is clean', fail: 'Something came out', say: 'what the cloth showed' },
  },
  {
    ...{ id: 'flush-tubes', group: 'flush', title: 'Axle tubes and behind the bearings' },
    ...{ pass: 'The cloth is clean', fail: 'Something came out', say: 'what the cloth showed' },
    asked: (unit) => unit.family === 'hypoid-axle' && has(/tube/i)(unit),
  },
  {
    ...{ id: 'flush-adjusters', group: 'flush', title: 'Behind the adjusters' },
    ...{ pass: 'Clean, it runs by hand', fail: 'Something came out or it binds' },
    asked: ({ positions }) =>
      positions.some((position) => position.adjuster || kindOfPart(position).kind?.id === 'adjuster'),
  },
  {
    ...{ id: 'flush-cooler', group: 'flush', title: 'Cooler, lines, converter, attached case' },
    ...{
      pass: 'Flushed clean both ways',
      fail: 'It can’t be got clean',
      say: 'what was flushed, and with what',
    },
    asked: hasKind('band', 'clutch'),
  },
  {
    ...{ id: 'fit-trial', group: 'fit', title: 'Trial fit without compound' },
    ...{ pass: 'It turns freely at its torque', fail: 'It binds' },
  },
  {
    ...{ id: 'fit-transport', group: 'fit', title: 'Transport hardware off' },
    ...{ pass: 'All off', fail: 'Some can’t come off' },
  },
  {
    ...{ id: 'heat-bearings', group: 'fit', title: 'Bearings heated to fit' },
    ...{ pass: 'Fitted within the limit', fail: 'It was hotter: a new bearing' },
    figures: [
      {
        ...{ id: 'highest', words: 'Highest', unit: '°C', needed: true },
        most: { value: 110, words: 'a bearing’s steel softens above 110 °C: it is renewed' },
      },
    ],
    asked: hasFamily('rolling-bearing'),
  },
  {
    ...{ id: 'heat-ring', group: 'fit', title: 'Ring gear heated to fit' },
    ...{ pass: 'Fitted within the limit', fail: 'It was hotter: its case is spoilt' },
    figures: [
      {
        ...{ id: 'highest', words: 'Highest', unit: '°C', needed: true },
        most: { value: 150, words: 'a case-hardened ring loses its hardness above 150 °C' },
      },
    ],
    asked: ({ family, positions }) => family === 'hypoid-axle' && has(/ring gear/i)({ positions } as Unit),
  },
  {
    ...{ id: 'hand-neutral', group: 'hand', title: 'Neutral turns free' },
    ...{ pass: 'Free', fail: 'It drags or ticks' },
    asked: ({ states }) => states.some(({ gear }) => gear === 'N'),
  },
  {
    ...{ id: 'hand-detents', group: 'hand', title: 'Detents hold' },
    ...{ pass: 'Each holds', fail: 'One jumps or sticks' },
    asked: (unit) => sleeves(unit) > 0,
  },
  {
    ...{ id: 'hand-interlock', group: 'hand', title: 'Interlock refuses two gears' },
    ...{ pass: 'Refused', fail: 'Two went in: it may not leave so' },
    asked: (unit) => sleeves(unit) > 2,
  },
  {
    ...{ id: 'hand-rings', group: 'hand', title: 'Synchro rings free of their gears' },
    ...{ pass: 'All free', fail: 'One sticks' },
    asked: hasFamily('synchro-ring'),
  },
  {
    ...{ id: 'hand-pack', group: 'hand', title: 'Pistons by air' },
    ...{ pass: 'Comes, holds, goes back', fail: 'It hisses or stays' },
    figures: [{ id: 'pressure', words: 'Pressure', unit: 'bar', needed: true }],
    asked: hasKind('clutch'),
  },
  {
    ...{ id: 'hand-bands', group: 'hand', title: 'Band adjusters set and locked' },
    ...{ pass: 'Set and locked', fail: 'It can’t be set' },
    figures: [{ id: 'turns', words: 'Turns back', unit: 'turns', needed: true }],
    asked: hasKind('band'),
  },
  {
    ...{ id: 'hand-needles', group: 'hand', title: 'Loose needles: is there room for one more?' },
    ...{ pass: 'No room for another', fail: 'There is room: one went somewhere' },
    asked: has(/needle|pilot roller/i),
  },
  {
    ...{ id: 'hand-bush', group: 'hand', title: 'Pressed bushes: depth, groove, size after pressing' },
    ...{ pass: 'As it should be', fail: 'Not so', say: 'the groove’s place on the clock' },
    figures: [
      { id: 'depth', words: 'Depth', unit: 'mm' },
      { id: 'bore', words: 'Bore after pressing', unit: 'mm', needed: true },
    ],
    asked: has(/\bbush\b/i),
  },
  {
    ...{ id: 'hand-seals', group: 'hand', title: 'Seals and breather' },
    ...{ pass: 'All well', fail: 'Not so' },
  },
  {
    ...{ id: 'oil-filled', group: 'oil', title: 'Filled' },
    ...{ pass: 'Filled', fail: 'Leaves dry, tagged', say: 'which oil, and by whom' },
    figures: [{ id: 'litres', words: 'How much', unit: 'l', needed: true }],
  },
  {
    ...{ id: 'test-run', group: 'run', title: 'Test run' },
    ...{
      pass: 'Quiet and dry',
      fail: 'Noise, heat or a leak',
      say: 'what was heard and seen, and under what load',
    },
    figures: [
      { id: 'minutes', words: 'How long', unit: 'min', needed: true },
      { id: 'highest', words: 'Highest', unit: '°C' },
    ],
  },
];

/** What this unit’s rebuild is proved by; where it has gears, one line for each that a hand can count. */
export function proofLines(unit: Unit): ProofLine[] {
  return LINES.filter(({ asked }) => asked?.(unit) ?? true).map(({ asked: _, figures = [], ...line }) => ({
    ...line,
    figures,
  }));
}
