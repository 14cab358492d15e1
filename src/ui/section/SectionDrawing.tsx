'use client';

import { Box } from '@chakra-ui/react';
import { type KeyboardEvent, type MouseEvent, useCallback, useId, useMemo, useRef, useState } from 'react';
import type { TrainInGear } from '@/core/gearing/trainOfType';
import { describedStates } from '@/core/section/describedStates';
import { drawSection, type Section } from '@/core/section/drawSection';
import type { AskedMove } from '@/core/section/movedGhost';
import { powerPath } from '@/core/section/powerPath';
import { gatherPieces } from '@/core/section/reach';
import { type WalkKey, walkFrom } from '@/core/section/walk';
import type { PartState } from '@/core/wear/partStanding';
import { partWords } from '@/core/wear/partWords';
import type { UnitType } from '@/model/unitType';
import { Fan } from './Fan';
import { HatchPatterns } from './HatchPatterns';
import { Lens } from './Lens';
import { MovedGhosts } from './MovedGhosts';
import { PowerMarks } from './PowerMarks';
import { ScaleBar } from './ScaleBar';
import { SectionLabel } from './SectionLabel';
import { SectionMarks } from './SectionMarks';
import { CalledOut, PIN_ROW, type Pin, PLATE_ROW, type Suspect, SuspectHatching } from './Suspected';
import { useHeightLeft, useWidth } from './useWidth';
import { useZoom } from './useZoom';
import { ZoomKeys } from './ZoomKeys';

interface SectionDrawingProps {
  readonly unitType: UnitType;
  readonly parts: readonly PartState[];
  readonly selected: string | undefined;
  readonly onOpen: (positionId: string) => void;
  /** A strip keeps the neighbours in view while a ticket is open: no labels, less height. */
  readonly strip?: boolean;
  /** The train in the gear that is engaged on the drawing: its path of power is lit. */
  readonly inGear?: TrainInGear | undefined;
  /** The type as it is described, whole and sound, instead of what was found. */
  readonly asDescribed?: boolean;
  /** Pieces that are pointed at together. */
  readonly marked?: ReadonlySet<string>;
  /** What may have failed first, and where to look at next. */
  readonly suspicion?: Suspicion | undefined;
  /** Parts that are to be moved: where they come to lie is drawn over it. */
  readonly moves?: readonly AskedMove[] | undefined;
  /** No higher than this many pixels. */
  readonly most?: number;
  /** For paper: this high whatever the window, and nothing to press. */
  readonly printed?: number;
}

export interface Suspicion {
  readonly suspects: readonly Suspect[];
  readonly pins: readonly Pin[];
  readonly onPin: (number: number) => void;
}

const SMALL_PX = 22;
/** With a series beside it the section shrinks to a strip that keeps the neighbours in view. */
export const STRIP_BESIDE_SERIES = 150;

/** The unit cut open: navigation, progress and report figure in one. */
export function SectionDrawing({
  unitType,
  parts,
  selected,
  onOpen,
  strip = false,
  inGear,
  asDescribed = false,
  marked,
  suspicion,
  moves,
  most = Number.POSITIVE_INFINITY,
  printed,
}: SectionDrawingProps) {
  const holder = useRef<HTMLDivElement>(null);
  const sheet = useRef<SVGSVGElement>(null);
  const width = useWidth(holder, 1248);
  const room = useHeightLeft(holder);
  const above = suspicion?.pins.some(({ positions }) => positions.length > 0) ? PIN_ROW : 0;
  const below = suspicion && suspicion.suspects.length > 0 ? PLATE_ROW : 0;
  const height =
    printed ??
    (strip
      ? Math.min(most, Math.max(220, Math.min(room, Math.round(width * 0.72) + above + below)))
      : Math.max(420, Math.min(room, Math.round(width * (asDescribed ? 0.75 : 0.6)))));
  const { view, nearer, whole } = useZoom(sheet, width, height);
  const patternPrefix = useId().replace(/:/g, '');
  const [fan, setFan] = useState<{ ids: readonly string[]; x: number; y: number }>();
  const [cursor, setCursor] = useState<string>();
  // The drawing depends on the grades alone: a reading, a finding or a photograph draws nothing anew.
  const grades = gradesAsText(parts);
  const states = useMemo(
    () => (asDescribed ? describedStates(unitType) : statesFrom(grades)),
    [grades, asDescribed, unitType],
  );
  const section = useMemo(
    () =>
      drawSection(unitType, {
        ...{ width, height, states, selected, labels: !strip && width >= 700, view },
        clear: { top: above, bottom: below },
      }),
    [unitType, width, height, states, selected, strip, view, above, below],
  );
  const path = useMemo(() => inGear && powerPath(unitType, section, inGear), [unitType, section, inGear]);
  const gradeOf = useCallback((id: string) => states.get(id)?.grade ?? null, [states]);
  const wordsOf = (id: string) => states.get(id)?.words ?? '';
  const isBad = (id: string) => (gradeOf(id) ?? 0) >= 4;
  const nameOf = (id: string) => unitType.positions.find((position) => position.id === id)?.name ?? id;
  const focused = cursor ?? selected ?? section.walk[0];

  const tap = (event: MouseEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const point = [
      ((event.clientX - box.left) * section.width) / box.width,
      ((event.clientY - box.top) * section.height) / box.height,
    ] as const;
    const ids = gatherPieces(section, point);
    setFan(undefined);
    if (ids.length === 1) onOpen(ids[0]!);
    else if (ids.length > 1) setFan({ ids, x: point[0], y: point[1] });
  };

  const walk = (event: KeyboardEvent<SVGSVGElement>) => {
    if (event.key === 'Escape') setFan(undefined);
    if ((event.key === 'Enter' || event.key === ' ') && focused) {
      event.preventDefault();
      onOpen(focused);
    }
    if (!focused || !isWalkKey(event.key)) return;
    event.preventDefault();
    const next = walkFrom(section, focused, event.key);
    setCursor(next);
    event.currentTarget.querySelector<SVGElement>(`[data-position="${next}"]`)?.focus();
  };

  if (section.walk.length === 0)
    return (
      <Box ref={holder}>Not described yet: nothing to draw. Parts that come off are added in the list.</Box>
    );
  return (
    <Box ref={holder} position="relative" data-testid="section">
      {/* biome-ignore lint/a11y/useSemanticElements: a drawing cannot be a fieldset */}
      <svg
        ref={sheet}
        viewBox={`0 0 ${section.width} ${section.height}`}
        width="100%"
        height={height}
        role="group"
        aria-label={`Section of ${unitType.title}. Arrows walk along the axes, Enter opens a part.`}
        onClick={tap}
        onKeyDown={walk}
        style={{ display: 'block', touchAction: view.k > 1 ? 'none' : 'pan-x pan-y' }}
      >
        <HatchPatterns prefix={patternPrefix} />
        <g id={`${patternPrefix}-unit`}>
          <SectionMarks
            section={section}
            gradeOf={gradeOf}
            selected={selected}
            marked={marked}
            prefix={patternPrefix}
          />
          {suspicion && (
            <SuspectHatching section={section} suspects={suspicion.suspects} prefix={patternPrefix} />
          )}
          {moves && <MovedGhosts section={section} unitType={unitType} moves={moves} />}
          {path && <PowerMarks section={section} path={path} isBad={isBad} prefix={patternPrefix} />}
        </g>
        <Focusables
          section={section}
          nameOf={nameOf}
          wordsOf={asDescribed ? undefined : wordsOf}
          focused={focused}
          onFocus={setCursor}
        />
        {section.labels.map((label) => (
          <SectionLabel
            key={label.positionId}
            label={label}
            grade={asDescribed ? undefined : gradeOf(label.positionId)}
            selected={label.positionId === selected}
          />
        ))}
        {suspicion && <CalledOut section={section} {...suspicion} onPlate={onOpen} />}
        {!strip && <ScaleBar section={section} />}
        {selected && most === Number.POSITIVE_INFINITY && isSmall(section, selected) && (
          <Lens section={section} positionId={selected} source={`${patternPrefix}-unit`} />
        )}
      </svg>
      {!strip && printed === undefined && <ZoomKeys view={view} onNearer={nearer} onWhole={whole} />}
      {fan && (
        <Fan
          ids={fan.ids}
          x={(fan.x / section.width) * 100}
          y={fan.y}
          nameOf={nameOf}
          gradeOf={asDescribed ? undefined : gradeOf}
          onOpen={onOpen}
          onClose={() => setFan(undefined)}
        />
      )}
    </Box>
  );
}

const isWalkKey = (key: string): key is WalkKey => /^Arrow(Left|Right|Up|Down)$/.test(key);

type Graded = readonly (readonly [id: string, grade: PartState['grade'], words: string])[];
const gradesAsText = (parts: readonly PartState[]): string =>
  JSON.stringify(parts.map((part) => [part.position.id, part.grade, partWords(part)]) satisfies Graded);
const statesFrom = (grades: string) =>
  new Map((JSON.parse(grades) as Graded).map(([id, grade, words]) => [id, { grade, words }] as const));

function isSmall(section: Section, id: string): boolean {
  const box = section.boxes.get(id);
  return box !== undefined && Math.min(box.right - box.left, box.bottom - box.top) < SMALL_PX;
}

interface FocusablesProps {
  readonly section: Section;
  readonly nameOf: (id: string) => string;
  readonly wordsOf: ((id: string) => string) | undefined;
  readonly focused: string | undefined;
  readonly onFocus: (id: string) => void;
}

/** One stop for the Tab key; arrows walk from there. Every piece has a name for those who do not see the drawing. */
function Focusables({ section, nameOf, wordsOf, focused, onFocus }: FocusablesProps) {
  return (
    <g>
      {section.walk.map((id) => {
        const box = section.boxes.get(id)!;
        return (
          // biome-ignore lint/a11y/useSemanticElements: SVG knows no button element
          <rect
            key={id}
            data-position={id}
            role="button"
            tabIndex={id === focused ? 0 : -1}
            aria-label={wordsOf ? `${nameOf(id)}, ${wordsOf(id)}` : nameOf(id)}
            x={box.left - 3}
            y={box.top - 3}
            width={box.right - box.left + 6}
            height={box.bottom - box.top + 6}
            fill="none"
            pointerEvents="none"
            onFocus={() => onFocus(id)}
          />
        );
      })}
    </g>
  );
}
