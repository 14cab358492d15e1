'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { tinykeys } from 'tinykeys';
import { formatNumber } from '@/core/quantity/format';
import { describedStates } from '@/core/section/describedStates';
import { drawSection } from '@/core/section/drawSection';
import { balanceLinks } from '@/core/strip/balanceLinks';
import { type DebrisPiece, debrisBalance, isClosed } from '@/core/strip/debris';
import { againstPlace, type LoosePlace, loosePlaces } from '@/core/strip/looseEnds';
import { typesInto } from '../frame/typesInto';
import { type OfJob, useBench } from '../job/useBench';
import { Press } from '../kit/Press';
import { paint } from '../kit/paint';
import { useWidth } from '../section/useWidth';
import { FlatSection } from './FlatSection';
import { PieceForm } from './PieceForm';
import { PieceGlyph } from './PieceGlyph';
import { ShowPlace } from './ShowPlace';

const [ROW, LIST] = [68, 216] as const;
/** Room for the lanes of the links beside the list. */
const LANES = 44;

/** The balance: what was found on the left, where it is from on the unit; loose ends on both sides are what is still to be found. */
export function DebrisBalance(props: OfJob) {
  const { job } = props;
  const { rights } = useBench();
  const { snapshot } = job;
  const [opened, setOpened] = useState<string>();
  const [isAdding, setAdding] = useState(false);
  const pieces = debrisBalance(snapshot.records);
  const places = loosePlaces(snapshot);
  const may = rights.includes('capture.take');
  const open = pieces.filter((piece) => !isClosed(piece)).length + places.length;
  useEffect(() => {
    if (!may) return;
    return tinykeys(window, {
      d: (event) => {
        if (typesInto(event.target)) return;
        // The letter opens the form and isn't its first one.
        event.preventDefault();
        setAdding(true);
      },
    });
  }, [may]);
  const current = pieces.find(({ piece }) => piece.id === opened);
  return (
    <Box as="section" aria-label="Debris balance" data-testid="debris">
      <Flex justify="space-between" align="center" gap="8px" wrap="wrap" marginBottom="6px">
        <Heading as="h2" fontSize="20px">
          Debris balance
          <Box as="span" fontSize="15px" fontWeight={400} color="second" marginLeft="12px">
            {tellBalance(pieces, places, open)}
          </Box>
        </Heading>
        {may && (
          <Press size="bench" minHeight="44px" aria-expanded={isAdding} onClick={() => setAdding(!isAdding)}>
            Put down a piece
          </Press>
        )}
      </Flex>
      {isAdding && <PieceForm {...props} onDone={() => setAdding(false)} />}
      <Panel {...props} pieces={pieces} places={places} opened={opened} onOpen={setOpened} />
      {current && (
        <ShowPlace key={current.piece.id} {...props} found={current} onDone={() => setOpened(undefined)} />
      )}
    </Box>
  );
}

function tellBalance(pieces: readonly DebrisPiece[], places: readonly LoosePlace[], open: number): string {
  if (pieces.length === 0 && places.length === 0) return 'no piece was put down';
  if (open === 0) return 'closed';
  const closed = pieces.filter(isClosed).length;
  return [
    pieces.length === 0
      ? ''
      : `${closed} of ${pieces.length} ${pieces.length === 1 ? 'piece' : 'pieces'} placed and proved`,
    places.length === 0
      ? ''
      : `${places.length} ${places.length === 1 ? 'place lacks its piece' : 'places lack their piece'}`,
  ]
    .filter(Boolean)
    .join(', ');
}

interface PanelProps extends OfJob {
  readonly pieces: readonly DebrisPiece[];
  readonly places: readonly LoosePlace[];
  readonly opened: string | undefined;
  readonly onOpen: (id: string | undefined) => void;
}

/** Pieces in a row each, tied to the unit; what is loose on either side is brass and ends in a hook. */
function Panel({ job, pieces, places, opened, onOpen }: PanelProps) {
  const holder = useRef<HTMLDivElement>(null);
  const width = useWidth(holder, 700);
  const { unitType } = job.snapshot;
  const isNarrow = width < 480;
  const height = Math.max(290, (pieces.length + places.length) * ROW + 30);
  const drawn = useMemo(
    () =>
      drawSection(unitType, {
        ...{
          width: Math.max(200, width - (isNarrow ? 0 : LIST + LANES + 8)),
          height: isNarrow ? 260 : height,
        },
        ...{ states: describedStates(unitType), selected: undefined, labels: false },
        clear: { top: 40, bottom: 40 },
      }),
    [unitType, width, height, isNarrow],
  );
  const at = (row: number) => 26 + ROW * row + 28;
  const isDrawn = drawn.walk.length > 0 && !isNarrow;
  const offset = LIST + LANES;
  const links = isDrawn
    ? balanceLinks(
        drawn,
        pieces.flatMap(({ piece, match }, row) =>
          match?.content.positionId
            ? [{ id: piece.id, position: match.content.positionId, from: [LIST - offset, at(row)] as const }]
            : [],
        ),
      )
    : [];
  const nameOf = (id: string | undefined) => unitType.positions.find((position) => position.id === id)?.name;
  return (
    <Box
      ref={holder}
      bg="blue"
      color="onBlue"
      position="relative"
      // Until it is drawn anew for a narrower screen, the drawing of before must not widen the page.
      overflow="clip"
      minHeight={isDrawn ? `${height}px` : undefined}
      data-testid="balance"
    >
      {pieces.length + places.length === 0 && (
        <Box padding="14px" maxWidth="360px">
          Pieces found in the oil, on the magnet or in the case come here. Each waits until the part it broke
          off is found, and each place that lacks a piece waits for it.
        </Box>
      )}
      {isDrawn && (
        <svg
          viewBox={`${-offset} 0 ${width} ${height}`}
          width={width}
          height={height}
          style={{ position: 'absolute', left: 0, top: 0, pointerEvents: 'none' }}
          aria-hidden="true"
        >
          <FlatSection section={drawn} />
          {links.map(({ id, points }) => {
            const piece = pieces.find(({ piece: each }) => each.id === id)!;
            const path = points.map(([x, y]) => `${x},${y}`).join(' ');
            const [x, y] = points.at(-1)!;
            const closed = isClosed(piece);
            return (
              <g key={id} data-link={id}>
                <polyline points={path} fill="none" stroke={paint('blue')} strokeWidth={6} />
                <polyline
                  points={path}
                  fill="none"
                  stroke={paint(closed ? 'onBlue' : 'brass')}
                  strokeWidth={2}
                  strokeDasharray={closed ? undefined : '6 4'}
                />
                <circle
                  cx={x}
                  cy={y}
                  r={5.5}
                  fill={paint(closed ? 'onBlue' : 'blue')}
                  stroke={paint(closed ? 'blue' : 'brass')}
                  strokeWidth={2}
                />
              </g>
            );
          })}
          {places.map(({ position }) => {
            const box = drawn.boxes.get(position.id);
            if (!box) return null;
            const [x, y] = [(box.left + box.right) / 2, (box.top + box.bottom) / 2];
            return (
              <g
                key={position.id}
                stroke={paint('brass')}
                strokeWidth={2}
                fill="none"
                data-hook={position.id}
              >
                <circle cx={x} cy={y} r={5.5} fill={paint('blue')} />
                <path d={`M${x} ${y + 6}V${y + 26}`} strokeDasharray="6 4" />
                <path d={`M${x - 7} ${y + 33}a7 7 0 1 0 7 -7`} />
              </g>
            );
          })}
        </svg>
      )}
      <Box width={isNarrow ? '100%' : `${LIST}px`} padding="26px 0 4px 12px" position="relative">
        {pieces.map((piece, row) => (
          <PieceRow
            key={piece.piece.id}
            {...{ piece, nameOf, places }}
            bearings={unitType.bearings}
            number={row}
            isOpen={opened === piece.piece.id}
            onOpen={() => onOpen(opened === piece.piece.id ? undefined : piece.piece.id)}
          />
        ))}
        {places.map(({ position, words }) => (
          <Flex
            key={position.id}
            height={`${ROW}px`}
            align="center"
            gap="10px"
            borderTop="1px solid"
            borderColor="onBlueSecond"
            data-place={position.id}
          >
            <PieceGlyph />
            <Box minWidth="0">
              <Box fontWeight={650} color="brass">
                {position.name}
              </Box>
              <Box fontSize="13px" lineHeight="16px">
                {words}: its piece is not here
              </Box>
            </Box>
          </Flex>
        ))}
      </Box>
    </Box>
  );
}

interface PieceRowProps {
  readonly piece: DebrisPiece;
  readonly places: readonly LoosePlace[];
  readonly bearings: Parameters<typeof againstPlace>[2]['bearings'];
  readonly nameOf: (id: string | undefined) => string | undefined;
  readonly number: number;
  readonly isOpen: boolean;
  readonly onOpen: () => void;
}

function PieceRow({ piece, places, bearings, nameOf, isOpen, onOpen }: PieceRowProps) {
  const { piece: record, match } = piece;
  const { content } = record;
  const closed = isClosed(piece);
  const source = nameOf(match?.content.positionId);
  const told = [
    content.diameterMm === undefined ? '' : `Ø ${formatNumber(content.diameterMm, 1)}`,
    content.lengthMm === undefined ? '' : `${formatNumber(content.lengthMm, 0)} mm`,
    content.colour,
    content.where,
  ].filter(Boolean);
  return (
    <Press
      kind="onBlue"
      width="100%"
      height={`${ROW}px`}
      justifyContent="flex-start"
      gap="10px"
      paddingInline="4px"
      borderWidth="0"
      borderTop="1px solid"
      borderColor="onBlueSecond"
      borderRadius="0"
      textAlign="left"
      fontWeight={400}
      lineHeight="16px"
      aria-expanded={isOpen}
      data-piece={record.id}
      bg={isOpen ? 'rgba(255,255,255,0.12)' : undefined}
      onClick={onOpen}
    >
      <PieceGlyph content={content} />
      <Box minWidth="0">
        <Box fontWeight={650} color={closed ? undefined : 'brass'} lineClamp={1}>
          {content.piece}
        </Box>
        <Box fontSize="13px" lineHeight="15px" lineClamp={3}>
          {told.join(', ')}.{' '}
          {match
            ? source
              ? `${SURE[match.content.sure ?? 'proved']} ${source}`
              : `Signed as lost: ${match.content.note}`
            : whyLoose(content, places, bearings)}
        </Box>
      </Box>
    </Press>
  );
}

const SURE = { proved: 'From', likely: 'Likely from', assumed: 'Assumed from' } as const;

/** Why the loose ends on the other side don't close it. */
function whyLoose(
  content: DebrisPiece['piece']['content'],
  places: readonly LoosePlace[],
  bearings: PieceRowProps['bearings'],
): string {
  const [first] = places;
  if (!first) return 'Nothing accounts for it yet';
  const against = places.map(({ position }) => againstPlace(content, position, { bearings }));
  const fitting = places.filter((_, at) => against[at] === '');
  if (fitting.length > 0) return `Nothing accounts for it yet; it may be of ${fitting[0]!.position.name}`;
  return `Not of ${first.position.name}: ${against[0]}`;
}
