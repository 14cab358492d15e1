'use client';

import { Box } from '@chakra-ui/react';
import dagre from '@dagrejs/dagre';
import { type ReactNode, useMemo } from 'react';
import type { Chain, ChainNode, ChainState } from '@/core/causes/chain';
import type { Names } from '@/core/causes/names';
import { tellProbability } from '@/core/causes/tellProbability';
import { paint } from '../kit/paint';

interface ChainDrawingProps {
  readonly chain: Chain;
  readonly names: Names;
  /** Findings that are to be looked at next, by their numbers. */
  readonly numbers: ReadonlyMap<string, number>;
  readonly onNode: (id: string) => void;
}

const COLUMN = 122;
const ROW = 62;
const PIN = 8;
const WORDS = 104;

const STATES: readonly (readonly [ChainState, string])[] = [
  ['seen', 'seen'],
  ['inferred', 'inferred'],
  ['absent', 'not there'],
  ['open', 'not looked at'],
];

/** How a cause comes to what was found, from left to right: ranks by the longest way, one elbow before each pin. */
export function ChainDrawing({ chain, names, numbers, onNode }: ChainDrawingProps) {
  const laid = useMemo(() => laidOut(chain), [chain]);
  if (chain.nodes.length === 0) return null;
  return (
    <Box data-testid="chain">
      <Box display="flex" gap="14px" fontSize="13px" flexWrap="wrap" alignItems="center">
        {STATES.map(([state, words]) => (
          <Box key={state} display="inline-flex" alignItems="center" gap="6px">
            <svg width={18} height={18} aria-hidden="true">
              <Pin x={9} y={9} state={state} />
            </svg>
            {words}
          </Box>
        ))}
      </Box>
      <Box overflowX="auto">
        <svg width={laid.width} height={laid.height} aria-label="From the cause to what was found">
          {laid.arrows.map(({ from, to, heavy }) => (
            <path
              key={`${from.id} ${to.id}`}
              d={elbow(from, to)}
              fill="none"
              stroke={paint(heavy ? 'metal' : 'ink')}
              strokeWidth={heavy ? 3 : 1.2}
              markerEnd="url(#chain-tip)"
            />
          ))}
          <defs>
            <marker
              id="chain-tip"
              viewBox="0 0 8 8"
              refX={7}
              refY={4}
              markerWidth={8}
              markerHeight={8}
              markerUnits="userSpaceOnUse"
              orient="auto"
            >
              <path d="M0 0L8 4L0 8z" fill={paint('ink')} />
            </marker>
          </defs>
          {laid.nodes.map((node) => (
            // biome-ignore lint/a11y/useSemanticElements: a pin of a drawing is pressed like a key
            <g
              key={node.id}
              role="button"
              tabIndex={0}
              aria-label={`${names.of(node.id)}, ${STATES.find(([state]) => state === node.state)?.[1]}`}
              style={{ cursor: 'pointer' }}
              onClick={() => onNode(node.id)}
              onKeyDown={(event) => {
                if (event.key === 'Enter') onNode(node.id);
              }}
            >
              <Pin x={node.x} y={node.y} state={node.state} />
              {numbers.has(node.id) && (
                <Numbered x={node.x + 3 * PIN} y={node.y}>
                  {numbers.get(node.id)}
                </Numbered>
              )}
              <foreignObject x={node.x - PIN} y={node.y + PIN + 2} width={WORDS} height={ROW - 2 * PIN}>
                <div style={{ fontSize: 13, lineHeight: '15px', fontStretch: '87.5%', color: paint('ink') }}>
                  {names.of(node.id)}
                  {node.kind === 'root' ? `, ${tellProbability(node.probability)}` : ''}
                </div>
              </foreignObject>
            </g>
          ))}
        </svg>
      </Box>
      {chain.folded > 0 && (
        <Box fontSize="13px" color="second">
          {chain.folded} more are folded away.
        </Box>
      )}
    </Box>
  );
}

interface Laid extends ChainNode {
  readonly x: number;
  readonly y: number;
}

/** Columns by the longest way from a cause, rows as the layout orders them. */
function laidOut(chain: Chain) {
  const graph = new dagre.graphlib.Graph();
  graph.setGraph({ rankdir: 'LR', ranker: 'longest-path', nodesep: 14, ranksep: 24 });
  graph.setDefaultEdgeLabel(() => ({}));
  for (const { id } of chain.nodes) graph.setNode(id, { width: COLUMN - 24, height: ROW - 14 });
  for (const { from, to } of chain.arrows) graph.setEdge(from, to);
  dagre.layout(graph);
  const columns = [...new Set(chain.nodes.map(({ id }) => Math.round(graph.node(id)!.x!)))].sort(
    (a, b) => a - b,
  );
  const nodes = chain.nodes.map((node): Laid => {
    const at = graph.node(node.id)!;
    return {
      ...node,
      x: PIN + 4 + columns.indexOf(Math.round(at.x!)) * COLUMN,
      y: at.y! - ROW / 2 + PIN + 10,
    };
  });
  const byId = new Map(nodes.map((node) => [node.id, node]));
  return {
    nodes,
    arrows: chain.arrows.map(({ from, to, heavy }) => ({ from: byId.get(from)!, to: byId.get(to)!, heavy })),
    width: columns.length * COLUMN + 8,
    height: Math.max(...nodes.map(({ y }) => y)) + ROW,
  };
}

const elbow = (from: Laid, to: Laid): string => {
  const gutter = to.x - PIN - 14;
  return `M${from.x + PIN} ${from.y}H${gutter}V${to.y}H${to.x - PIN - 2}`;
};

function Numbered({
  x,
  y,
  children,
}: {
  readonly x: number;
  readonly y: number;
  readonly children: ReactNode;
}) {
  return (
    <>
      <circle cx={x} cy={y} r={PIN + 1} fill={paint('paper')} stroke={paint('ink')} strokeWidth={1.5} />
      <text
        x={x}
        y={y + 5}
        textAnchor="middle"
        fill={paint('ink')}
        style={{ fontSize: '13px', fontWeight: 650 }}
      >
        {children}
      </text>
    </>
  );
}

function Pin({ x, y, state }: { readonly x: number; readonly y: number; readonly state: ChainState }) {
  return (
    <>
      <circle
        cx={x}
        cy={y}
        r={PIN - 1}
        fill={paint(state === 'seen' ? 'metal' : 'paper')}
        stroke={paint('ink')}
        strokeWidth={1.5}
        {...(state === 'open' ? { strokeDasharray: '4 3' } : {})}
      />
      {state === 'absent' && (
        <line x1={x - PIN} x2={x + PIN} y1={y + PIN} y2={y - PIN} stroke={paint('ink')} strokeWidth={1.5} />
      )}
    </>
  );
}
