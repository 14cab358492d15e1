import type { UnitFamily } from '@/model/unitType';
import { paint } from '../kit/paint';

/* Silhouettes as they stand on the shelf: metal filled with blue, scribed lines in paper. Foot at y 100. */
const SHAPES: Record<UnitFamily, { readonly width: number; readonly body: string; readonly lines: string }> =
  {
    countershaft: {
      width: 230,
      body: 'M4 14H12V24L60 36V32H98V22H132V32H162V44L192 56V62H206V42H214V88H206V70H192L162 86V100H60V98L12 100V108H4Z',
      lines:
        'M12 62H206M60 36V98M76 32V100M20 42L54 48M20 82L54 76M104 64A16 16 0 1 0 136 64A16 16 0 1 0 104 64M162 44V88',
    },
    'hypoid-axle': {
      width: 340,
      body: 'M2 22H10V38H28V46L112 54C118 22 142 10 170 10C198 10 222 22 228 54L312 46V38H330V22H338V98H330V80H312V74L228 66C222 92 198 102 170 102C142 102 118 92 112 66L28 74V80H10V98H2Z',
      lines:
        'M28 46V74M64 49V71M312 46V74M276 49V71M2 60H338M136 56A34 34 0 1 0 204 56A34 34 0 1 0 136 56M158 56A12 12 0 1 0 182 56A12 12 0 1 0 158 56',
    },
    'bevel-box': {
      width: 124,
      body: 'M6 94H14V28H34V4H56V28H84V48H104V40H116V82H104V74H84V94H92V100H6Z',
      lines:
        'M30 62A22 22 0 1 0 74 62A22 22 0 1 0 30 62M44 62A8 8 0 1 0 60 62A8 8 0 1 0 44 62M40 6V26M45 6V26M50 6V26M84 48V74',
    },
    transfer: {
      width: 140,
      body: 'M4 38H18V28C22 8 40 4 56 4H66C84 4 92 20 92 34L118 62H136V96H118V92C108 100 60 104 52 90L26 56H18V56H4Z',
      lines: 'M36 32A20 20 0 1 0 76 32A20 20 0 1 0 36 32M58 74A20 20 0 1 0 98 74A20 20 0 1 0 58 74M118 62V92',
    },
    epicyclic: {
      width: 150,
      body: 'M4 42H20V18H36V12H52V8H100V12H112V28H130V46H146V70H130V88H112V100H36V96H20V74H4Z',
      lines: 'M36 12V100M52 8V100M68 8V100M84 8V100M100 10V100M4 58H146',
    },
    combined: {
      width: 190,
      body: 'M4 34H14V22H60L74 30H118C150 30 178 46 184 70C188 90 172 100 152 100H70C48 100 36 96 30 86L14 82V74H4Z',
      lines:
        'M14 22V82M34 24V88M60 22V98M118 72A24 24 0 1 0 166 72A24 24 0 1 0 118 72M132 72A10 10 0 1 0 152 72A10 10 0 1 0 132 72',
    },
    other: {
      width: 150,
      body: 'M8 44H142V100H8Z',
      lines: 'M8 62H142M8 80H142M26 44V100M124 44V100',
    },
  };

/** The unit's silhouette; an outline only while its pieces are not described yet. */
export function UnitShape({ family, outline }: { readonly family: UnitFamily; readonly outline: boolean }) {
  const { width, body, lines } = SHAPES[family];
  return (
    <svg
      viewBox={`0 0 ${width} 102`}
      width={width * 0.8}
      height={82}
      aria-hidden="true"
      style={{ display: 'block', maxWidth: '100%' }}
    >
      <path
        d={body}
        fill={paint(outline ? 'none' : 'metal')}
        stroke={paint('metal')}
        strokeWidth={1.5}
        strokeDasharray={outline ? '6 4' : undefined}
      />
      <path d={lines} fill="none" stroke={paint(outline ? 'metal' : 'paper')} strokeWidth={1.2} />
    </svg>
  );
}
