'use client';

import { scaleLinear } from 'd3-scale';
import type { Grade } from '@/model/damage';
import { paint } from '../kit/paint';

export interface GivenAnswer {
  readonly at: string;
  readonly grade: Grade;
  readonly shop: Grade;
  readonly part: string;
}

const PITCH = 14;
const MIDDLE = 56;
const STEP = 11;
const TALL = 120;

/** Each answer in turn, as far above or below the shop's as it was: on the line is the same. */
export function AnswersOverTime({ answers }: { readonly answers: readonly GivenAnswer[] }) {
  const wide = Math.max(240, answers.length * PITCH + 80);
  const x = scaleLinear([0, Math.max(1, answers.length - 1)], [80, Math.max(94, wide - 12)]);
  const same = answers.filter(({ grade, shop }) => grade === shop).length;
  return (
    <figure style={{ margin: '8px 0', overflowX: 'auto' }}>
      <svg
        width={wide}
        height={TALL}
        role="img"
        aria-label={`${answers.length} answers, ${same} the same as the shop’s: ${answers.map(({ part, grade, shop }) => `${part} ${grade} for ${shop}`).join(', ')}`}
      >
        <text x={0} y={14} fontSize={13} fill={paint('second')}>
          too hard
        </text>
        <text x={0} y={MIDDLE + 4} fontSize={13} fill={paint('ink')}>
          the same
        </text>
        <text x={0} y={TALL - 6} fontSize={13} fill={paint('second')}>
          too mild
        </text>
        <line x1={72} x2={wide} y1={MIDDLE} y2={MIDDLE} stroke={paint('ink')} strokeWidth={1.5} />
        {answers.map(({ at, grade, shop, part }, index) => {
          const off = grade - shop;
          return (
            <g key={`${at} ${part}`}>
              {off !== 0 && (
                <line
                  x1={x(index)}
                  x2={x(index)}
                  y1={MIDDLE}
                  y2={MIDDLE - off * STEP}
                  stroke={paint('ink')}
                  strokeWidth={1.5}
                />
              )}
              <circle
                cx={x(index)}
                cy={MIDDLE - off * STEP}
                r={4}
                fill={paint(off === 0 ? 'ink' : 'paper')}
                stroke={paint('ink')}
                strokeWidth={1.5}
              />
            </g>
          );
        })}
      </svg>
    </figure>
  );
}
