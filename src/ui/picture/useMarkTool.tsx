'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { findMode } from '@/catalog/damageWords';
import { marksChange, marksOn, nextPin } from '@/core/imaging/marks';
import type { Point } from '@/core/imaging/raster';
import { describeFinding } from '@/core/report/describeFinding';
import { findActive } from '@/core/wear/active';
import { MARK_SHAPES, type Mark, type MarkShape } from '@/model/pictureRecord';
import { Field, Select, TextInput } from '../kit/Field';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { OneOf } from '../kit/OneOf';
import { Press } from '../kit/Press';
import { useKeep } from '../strip/useKeep';
import { DrawingSheet } from './DrawingSheet';
import { Grip } from './Grip';
import { MarksLayer } from './MarksLayer';
import type { Tool, Work } from './tool';

/** Arrows, rings, lines, words and numbered pins over a picture: drawn, moved, changed, rubbed out, and taken back step by step. */
export function useMarkTool(work: Work): Tool {
  const { picture, records, pane, mayTake, job } = work;
  const keep = useKeep(work);
  const stored = marksOn(records, picture.id);
  // While a mark is dragged it stands here; what is stored follows when it is let go.
  const [moving, setMoving] = useState<Mark>();
  const marks = moving ? stored.map((mark) => (mark.id === moving.id ? moving : mark)) : stored;
  const [shape, setShape] = useState<MarkShape>();
  const [chosenId, setChosenId] = useState<string>();
  const [steps, setSteps] = useState<readonly (readonly Mark[])[]>([]);
  const [trouble, setTrouble] = useState('');
  const chosen = marks.find(({ id }) => id === chosenId);

  const record = async (next: readonly Mark[], words: string) => {
    setMoving(undefined);
    const change = marksChange(stored, next);
    if (change.put.length + change.removed.length === 0) return true;
    const wrong = await keep({ what: 'picture-marked', photographId: picture.id, ...change }, words);
    setTrouble(wrong ?? '');
    return wrong === undefined;
  };
  const change = async (next: readonly Mark[], words: string) => {
    if (await record(next, words)) setSteps((list) => [...list, stored]);
  };
  const takeBack = async () => {
    const last = steps.at(-1);
    if (last && (await record(last, 'Step taken back'))) setSteps((list) => list.slice(0, -1));
  };
  const put = (mark: Mark, words: string) =>
    change([...stored.filter(({ id }) => id !== mark.id), mark], words);

  const draw = async (stroke: readonly Point[]) => {
    if (!shape) return;
    const points = pointsOf(shape, stroke);
    if (!points) return setTrouble('Draw it with one stroke; a tap is too short for this.');
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
    return family ? describeFinding(finding, family, findMode) : finding.mode;
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
            onMove={(to) => setMoving(withPoint(chosen, index, to))}
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
          <Press disabled={steps.length === 0} onClick={() => void takeBack()}>
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
            void change(
              stored.filter(({ id }) => id !== chosen.id),
              'Mark rubbed out',
            );
          }}
        />
      )}
    </Box>
  );
  return { overlay, rail, drawing: shape !== undefined };
}

const SHAPE_WORDS: Record<MarkShape, string> = {
  arrow: 'Arrow',
  ring: 'Ring',
  line: 'Line',
  text: 'Words',
  pin: 'Pin',
};

/** A stroke as the points that a shape keeps; undefined where it is too short for one. */
function pointsOf(shape: MarkShape, stroke: readonly Point[]): readonly Point[] | undefined {
  if (shape === 'text' || shape === 'pin') return stroke.slice(0, 1);
  if (stroke.length < 2) return undefined;
  if (shape !== 'line') return [stroke[0]!, stroke.at(-1)!];
  const step = Math.ceil(stroke.length / 390);
  return stroke.filter((_, index) => index % step === 0 || index === stroke.length - 1);
}

/** Points that can be taken hold of: the ends; a free line is moved as a whole by its first. */
const gripsOf = ({ shape, points }: Mark): number[] =>
  shape === 'line' ? [0] : points.map((_, index) => index);

function withPoint(mark: Mark, index: number, [x, y]: Point): Mark {
  if (mark.shape !== 'line')
    return { ...mark, points: mark.points.map((point, at) => (at === index ? [x, y] : point)) };
  const [dx, dy] = [x - mark.points[0]![0], y - mark.points[0]![1]];
  return { ...mark, points: mark.points.map(([px, py]) => [px + dx, py + dy]) };
}

interface ChosenMarkProps {
  readonly mark: Mark;
  readonly findings: readonly { readonly id: string; readonly words: string }[];
  readonly onChange: (mark: Mark) => void;
  readonly onRemove: () => void;
}

function ChosenMark({ mark, findings, onChange, onRemove }: ChosenMarkProps) {
  const [words, setWords] = useState(mark.words ?? '');
  return (
    <Box borderTop="1px solid" borderColor="rule" paddingTop="8px" marginTop="8px">
      {mark.shape === 'text' && (
        <Field label="Words on the picture">
          {(wiring) => (
            <TextInput
              {...wiring}
              value={words}
              maxLength={120}
              onChange={(event) => setWords(event.target.value)}
              onBlur={() => words.trim() !== '' && words !== mark.words && onChange({ ...mark, words })}
            />
          )}
        </Field>
      )}
      {mark.shape === 'pin' && (
        <Field label="The finding that it shows">
          {(wiring) => (
            <Select
              {...wiring}
              value={mark.findingId ?? ''}
              onChange={({ target: { value } }) => {
                const { findingId: _, ...rest } = mark;
                onChange(value ? { ...rest, findingId: value } : rest);
              }}
            >
              <option value="">none</option>
              {findings.map((finding) => (
                <option key={finding.id} value={finding.id}>
                  {finding.words}
                </option>
              ))}
            </Select>
          )}
        </Field>
      )}
      <Flex gap="8px">
        <Press kind="danger" onClick={onRemove}>
          Rub it out
        </Press>
      </Flex>
    </Box>
  );
}
