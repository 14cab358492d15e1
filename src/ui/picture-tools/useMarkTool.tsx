'use client';

import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { nextPin } from '@/core/imaging/marks';
import type { Point } from '@/core/imaging/raster';
import { describeFinding } from '@/core/report/describeFinding';
import { findActive } from '@/core/wear/active';
import { MARK_SHAPES, type Mark, type MarkShape } from '@/model/pictureRecord';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { OneOf } from '../kit/OneOf';
import { Press } from '../kit/Press';
import { DrawingSheet } from '../picture/DrawingSheet';
import { MarksLayer } from '../picture/MarksLayer';
import { ChosenMark } from './ChosenMark';
import { Grip } from './Grip';
import { gripsOf, pointsOf, SHAPE_WORDS, withPoint } from './markStrokes';
import type { Tool, Work } from './tool';
import { useMarks } from './useMarks';

/** Arrows, rings, lines, words and numbered pins over a picture: drawn, moved, changed, rubbed out, and taken back step by step. */
export function useMarkTool(work: Work): Tool {
  const { picture, pane, mayTake, job } = work;
  const { marks, stored, moving, move, trouble, say, put, remove, takeBack } = useMarks(work);
  const [shape, setShape] = useState<MarkShape>();
  const [chosenId, setChosenId] = useState<string>();
  const chosen = marks.find(({ id }) => id === chosenId);

  const draw = async (stroke: readonly Point[]) => {
    if (!shape) return;
    const points = pointsOf(shape, stroke);
    if (!points) return say('Draw it with one stroke; a tap is too short for this.');
    const mark: Mark = {
      id: uuidv7(),
      shape,
      points: points.map(([x, y]) => [x, y]),
      ...(shape === 'pin' ? { number: nextPin(stored) } : {}),
      ...(shape === 'text' ? { words: 'Words' } : {}),
    };
    await put(mark, `${SHAPE_WORDS[shape]} drawn`);
    setChosenId(mark.id);
    if (shape === 'text' || shape === 'pin') setShape(undefined);
  };
  const findings = findActive(job.snapshot.findings).filter(
    ({ positionId }) => work.positionId === null || positionId === work.positionId,
  );
  const familyOf = (positionId: string) =>
    job.snapshot.unitType.positions.find(({ id }) => id === positionId)?.family;
  const tellFinding = (finding: (typeof findings)[number]) => {
    const family = familyOf(finding.positionId);
    return family ? describeFinding(finding, family, job.snapshot.catalogs) : finding.mode;
  };
  const tell = (mark: Mark) => {
    const finding = findings.find(({ id }) => id === mark.findingId);
    const name = mark.shape === 'pin' ? `Pin ${mark.number}` : SHAPE_WORDS[mark.shape];
    return [name, mark.words, finding && tellFinding(finding)].filter(Boolean).join(': ');
  };

  const overlay = (
    <>
      {shape && mayTake && (
        <DrawingSheet
          pane={pane}
          picture={picture}
          label="Draw here"
          onStroke={(stroke) => void draw(stroke)}
        >
          {(points) => (
            <MarksLayer
              picture={picture}
              marks={[
                {
                  id: 'being-drawn',
                  shape: shape === 'pin' || shape === 'text' ? 'line' : shape,
                  points: (pointsOf(shape, points) ?? points.slice(0, 1)).map(([x, y]) => [x, y]),
                },
              ]}
            />
          )}
        </DrawingSheet>
      )}
      <MarksLayer
        marks={marks}
        picture={picture}
        chosen={chosenId}
        onChoose={shape ? undefined : ({ id }) => setChosenId(id)}
      />
      {chosen &&
        !shape &&
        mayTake &&
        gripsOf(chosen).map((index) => (
          <Grip
            key={index}
            pane={pane}
            at={chosen.points[index]!}
            name={`${tell(chosen)}, point ${index + 1}`}
            shown={false}
            onMove={(to) => move(withPoint(chosen, index, to))}
            onSettled={() => moving && void put(moving, `${SHAPE_WORDS[moving.shape]} moved`)}
          />
        ))}
    </>
  );
  const rail = (
    <Box data-testid="mark-tool">
      {mayTake && (
        <>
          <OneOf
            label="Draw"
            options={MARK_SHAPES.map((each) => SHAPE_WORDS[each])}
            chosen={shape ? [SHAPE_WORDS[shape]] : []}
            onPress={(word) => {
              const next = MARK_SHAPES.find((each) => SHAPE_WORDS[each] === word);
              setShape(next === shape ? undefined : next);
              setChosenId(undefined);
            }}
          />
          <Press disabled={!takeBack} onClick={() => void takeBack?.()}>
            Take back the last step
          </Press>
        </>
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Box as="ul" listStyleType="none" padding="0" marginTop="12px" aria-label="Marks on this photograph">
        {marks.map((mark) => (
          <li key={mark.id}>
            <Press
              kind={mark.id === chosenId ? 'main' : 'quiet'}
              aria-pressed={mark.id === chosenId}
              onClick={() => {
                setShape(undefined);
                setChosenId(mark.id === chosenId ? undefined : mark.id);
              }}
            >
              {tell(mark)}
            </Press>
          </li>
        ))}
      </Box>
      {marks.length === 0 && (
        <EmptyState>Marks come here. They are drawn into the report’s pictures too.</EmptyState>
      )}
      {chosen && mayTake && (
        <ChosenMark
          key={chosen.id}
          mark={chosen}
          findings={findings.map((finding) => ({ id: finding.id, words: tellFinding(finding) }))}
          onChange={(next) => void put(next, 'Mark changed')}
          onRemove={() => {
            setChosenId(undefined);
            void remove(chosen);
          }}
        />
      )}
    </Box>
  );
  return { overlay, rail, drawing: shape !== undefined };
}
