import type { ReworkAct } from '@/model/records/rework';
import type { Position } from '@/model/unitType';
import { isOfUnknownKind, kindOfPart } from '../unit-type/kindOfPart';

export const REWORK_NAMES: Readonly<Record<ReworkAct, string>> = {
  ...{ polish: 'Polish', hone: 'Hone', dress: 'Dress with a stone', ream: 'Ream', weld: 'Weld' },
  ...{ machine: 'Machine', clean: 'Clean with acid', plate: 'Plate', 'turn-over': 'Turn over' },
  'have-made': 'Have it made',
};

export interface ReworkRule {
  /** Why it isn't done, unless a process that is written down and proved is named. */
  readonly refused?: string;
  /** No process makes it right. */
  readonly never?: true;
  readonly cautions: readonly string[];
}

type Piece = Pick<Position, 'name' | 'family' | 'oneUse' | 'kind'>;

const HARD_FAMILIES: ReadonlySet<Position['family']> = new Set([
  ...(['gear-teeth', 'dog-teeth', 'rolling-bearing', 'shaft-spline'] as const),
]);

const isHard = (piece: Piece): boolean => {
  const { kind } = kindOfPart(piece);
  return HARD_FAMILIES.has(piece.family) || kind?.spring === true || kind?.hardened === true;
};

/** Work that ruins some kinds of part: of these the kind must be known. */
const NEEDS_KIND: ReadonlySet<ReworkAct> = new Set(['weld', 'clean', 'plate', 'turn-over']);

/** What the trade says of this work on this piece: whether it is refused, and what to mind. The maker's manual goes before it. */
export function reworkRule(act: ReworkAct, piece: Piece): ReworkRule {
  if (piece.oneUse)
    return { refused: 'It is never used twice: a new one goes in.', never: true, cautions: [] };
  if (piece.family === 'rolling-bearing' && act !== 'have-made')
    return { refused: 'A rolling bearing is renewed, not worked on.', never: true, cautions: [] };
  if (NEEDS_KIND.has(act) && isOfUnknownKind(piece))
    return {
      refused: 'Nobody has said what kind of part this is, and of some kinds this work makes a danger.',
      cautions: ['Say what kind it is in the description of the unit.'],
    };
  const rule = RULES[act](piece);
  const { kind, isAssumed } = kindOfPart(piece);
  return NEEDS_KIND.has(act) && kind && isAssumed
    ? {
        ...rule,
        cautions: [...rule.cautions, `Taken for a ${kind.name} by its name: look whether it is one.`],
      }
    : rule;
}

const RULES: Readonly<Record<ReworkAct, (piece: Piece) => ReworkRule>> = {
  polish: (piece) => ({
    cautions: kindOfPart(piece).kind?.sealedLip
      ? [
          'The finish under a lip has no lead: no spiral from the cloth, or it pumps oil out. A groove that a nail still feels asks for a sleeve, or for the lip at another place.',
        ]
      : ['Abrasive stays out of the unit: washed and looked at before it is measured.'],
  }),
  hone: () => ({ cautions: ['Washed with soap afterwards, until a white cloth stays white.'] }),
  dress: (piece) =>
    piece.family === 'gear-teeth'
      ? {
          cautions: [
            'A burr and a raised edge only, never a flank: what is taken off the flank is its hard layer.',
          ],
        }
      : { cautions: ['Only what stands above the face comes off.'] },
  ream: () => ({ cautions: ['By hand in one way round, the size measured after each pass.'] }),
  weld: (piece) =>
    isHard(piece)
      ? {
          refused: 'Hardened steel is not welded: it cracks beside the bead, at once or later.',
          cautions: ['Crack test afterwards, and again after a day.'],
        }
      : {
          cautions: [
            'By a licensed welder; earth at the part so that no current goes through a bearing. Crack test afterwards.',
          ],
        },
  machine: (piece) => ({
    cautions: [
      ...(isHard(piece)
        ? ['How deep its hard layer goes decides how much may come off: ask the maker.']
        : []),
      'The face that it is clamped by is one that was measured true.',
    ],
  }),
  clean: (piece) => acid(piece, 'Rinsed, dried and oiled within minutes.'),
  plate: (piece) => acid(piece, 'To size, with what is ground off afterwards said to the firm.'),
  'turn-over': (piece) => {
    const { kind } = kindOfPart(piece);
    if (kind?.loadedBothWays)
      return {
        refused: 'A pin that carries spiders is loaded both ways: turned over it bears on what was worn.',
        never: true,
        cautions: [],
      };
    if (piece.family === 'friction' || kind?.oneSided)
      return { refused: 'It has one right side.', never: true, cautions: [] };
    return {
      cautions: ['Not with one-sided oil grooves, and only where the other face was looked at and measured.'],
    };
  },
  'have-made': () => ({
    cautions: ['Drawing, material and hardness go with the order; all three are measured when it comes.'],
  }),
};

/** Acid and plating put hydrogen into hard steel: it breaks days later, without warning. */
function acid(piece: Piece, usual: string): ReworkRule {
  const cautions = [usual, 'Acid burns: gloves, goggles, air, and the firm’s own rules.'];
  if (kindOfPart(piece).kind?.threaded || isHard(piece))
    return {
      refused:
        'Hydrogen from acid or plating makes springs, circlips, hardened parts and strong bolts (10.9 and above) brittle: they break days later. Refused without a documented process that bakes it out.',
      cautions,
    };
  return { cautions };
}
