'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { BadInput } from '@/core/badInput';
import {
  measureInPlane,
  type PlaneMeasure,
  type PlaneShape,
  pointDeviationOf,
} from '@/core/imaging/planeMeasures';
import type { Point } from '@/core/imaging/raster';
import { SCALE_CARD } from '@/core/imaging/scaleCard';
import { tellSized } from '@/core/imaging/tellMeasured';
import { recordsOf } from '@/core/strip/recordsOf';
import { type PictureScale, SIZED_SHAPES } from '@/model/pictureRecord';
import { CaptureLine } from '../bench/CaptureLine';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { OneOf } from '../kit/OneOf';
import { Press, PressLink } from '../kit/Press';
import { useKeep } from '../strip/useKeep';
import { Corners } from './Corners';
import { DrawingSheet } from './DrawingSheet';
import { Grip } from './Grip';
import { middleOf } from './middleOf';
import { MeasuredShape, ScaleOutline } from './ScaleShapes';
import { SettingScale } from './SettingScale';
import { type ScaleSetting, scaleOf, tellScale } from './scaleSetting';
import type { Tool, Work } from './tool';

const CARD_CORNERS = ['square', 'corner 2', 'corner 3', 'corner 4'] as const;

/** How large things are: the scale card found or set by hand, one known length, then lengths, angles and areas in its plane. */
export function useScaleTool(work: Work): Tool {
  const { picture, records, pane, imaging, mayTake, job } = work;
  const keep = useKeep(work);
  const scales = recordsOf(records, 'picture-scaled').filter(
    ({ content }) => content.photographId === picture.id,
  );
  const kept = scales.at(-1)?.content.scale;
  const sized = recordsOf(records, 'picture-sized').filter(
    ({ content }) => content.photographId === picture.id,
  );
  const [setting, setSetting] = useState<ScaleSetting>();
  const [shape, setShape] = useState<PlaneShape>();
  const [points, setPoints] = useState<readonly Point[]>([]);
  const [trouble, setTrouble] = useState('');
  const deviation = pointDeviationOf(picture);

  const findCard = async () => {
    setTrouble('');
    const answer = await imaging.run({ sum: 'scale-card' });
    const corners = answer.ok ? answer.result?.corners : undefined;
    if (!corners)
      setTrouble(
        answer.ok
          ? 'No scale card is seen. Set its four outer corners by hand, the one beside the black square first.'
          : `${answer.message}.`,
      );
    setSetting({
      by: 'plane',
      corners: corners ?? middleOf(picture),
      width: String(SCALE_CARD.width),
      height: String(SCALE_CARD.height),
      cornerDeviation: (answer.ok && answer.result?.cornerDeviation) || deviation,
    });
  };
  const keepScale = async () => {
    const scale = setting && scaleOf(setting);
    if (!scale) return setTrouble('Give the length in mm, above zero.');
    const wrong = await keep({ what: 'picture-scaled', photographId: picture.id, scale }, 'Scale kept');
    setTrouble(wrong ?? '');
    if (!wrong) setSetting(undefined);
  };
  const measured = kept && shape ? tryMeasure(shape, points, kept, deviation) : undefined;
  const keepSized = async () => {
    if (!shape || !measured || 'message' in measured) return;
    const wrong = await keep(
      {
        what: 'picture-sized',
        photographId: picture.id,
        shape,
        points: points.map(([x, y]) => [x, y]),
        ...measured,
      },
      tellSized({ shape, ...measured }),
    );
    setTrouble(wrong ?? '');
    if (!wrong) setPoints([]);
  };
  const most = shape === 'length' ? 2 : shape === 'angle' ? 3 : 60;
  const adding = mayTake && !setting && shape !== undefined && points.length < most;
  const pixel = 1 / Math.max(1e-6, pane.view.scale);

  const overlay = (
    <>
      {kept && !setting && <ScaleOutline scale={kept} pixel={pixel} />}
      {sized.map(({ id, content }) => (
        <MeasuredShape
          key={id}
          shape={content.shape}
          points={content.points}
          pixel={pixel}
          words={tellSized(content)}
        />
      ))}
      {adding && (
        <DrawingSheet
          pane={pane}
          picture={picture}
          label="Tap the points"
          onStroke={(stroke) => setPoints([...points, stroke[0]!])}
        />
      )}
      {shape && points.length > 1 && (
        <MeasuredShape
          shape={shape}
          points={points}
          pixel={pixel}
          words={measured && !('message' in measured) ? tellSized({ shape, ...measured }) : ''}
        />
      )}
      {points.map((point, index) => (
        <Grip
          key={index}
          pane={pane}
          at={point}
          name={`point ${index + 1}`}
          onMove={(to) => setPoints(points.map((each, at) => (at === index ? to : each)))}
        />
      ))}
      {setting?.by === 'plane' && (
        <Corners
          pane={pane}
          corners={setting.corners}
          names={CARD_CORNERS}
          onCorners={(corners) => setSetting({ ...setting, corners, cornerDeviation: deviation })}
        />
      )}
      {setting?.by === 'length' &&
        setting.points.map((point, index) => (
          <Grip
            key={index}
            pane={pane}
            at={point}
            name={index === 0 ? 'one end' : 'other end'}
            onMove={(to) =>
              setSetting({
                ...setting,
                points: setting.points.map((each, at) => (at === index ? to : each)) as [Point, Point],
              })
            }
          />
        ))}
    </>
  );
  const rail = (
    <Box data-testid="scale-tool">
      {!kept && !setting && (
        <EmptyState>
          No scale yet. Lay the printed card in the plane of what is measured, or use a length that is known.
        </EmptyState>
      )}
      {kept && !setting && <Box marginBottom="8px">Scale: {tellScale(kept)}.</Box>}
      {mayTake && !setting && (
        <Flex gap="8px" wrap="wrap" marginBottom="8px">
          <Press
            kind={kept ? 'plain' : 'main'}
            disabled={imaging.doing !== undefined}
            onClick={() => void findCard()}
          >
            Find the scale card
          </Press>
          <Press
            onClick={() => {
              const [a, b] = middleOf(picture);
              setSetting({ by: 'length', points: [a, b], length: '' });
            }}
          >
            Two points and a length
          </Press>
          <PressLink href="/api/v1/scale-card" target="_blank">
            Print the card
          </PressLink>
        </Flex>
      )}
      {setting && (
        <SettingScale
          setting={setting}
          onSetting={setSetting}
          onKeep={() => void keepScale()}
          onBack={() => {
            setSetting(undefined);
            setTrouble('');
          }}
        />
      )}
      {kept && !setting && mayTake && (
        <OneOf
          label="Measure in its plane"
          options={SIZED_SHAPES}
          chosen={shape ? [shape] : []}
          onPress={(next) => {
            setShape(next === shape ? undefined : next);
            setPoints([]);
          }}
        />
      )}
      {shape && (
        <Box role="status" fontSize="20px" lineHeight="26px" data-testid="sized">
          {measured && 'message' in measured
            ? `${measured.message}.`
            : measured
              ? tellSized({ shape, ...measured })
              : ASK[shape]}
        </Box>
      )}
      {shape && points.length > 0 && (
        <Flex gap="8px" marginTop="8px">
          <Press kind="main" disabled={!measured || 'message' in measured} onClick={() => void keepSized()}>
            Keep the {shape}
          </Press>
          <Press onClick={() => setPoints(points.slice(0, -1))}>Last point away</Press>
        </Flex>
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Box marginTop="12px">
        {sized.map((record) => (
          <CaptureLine
            key={record.id}
            kind="record"
            capture={{ ...record, struck: null }}
            job={job}
            rights={mayTake ? ['capture.strike'] : []}
          >
            {tellSized(record.content)}
          </CaptureLine>
        ))}
      </Box>
    </Box>
  );
  return { overlay, rail, drawing: adding };
}

const ASK: Record<PlaneShape, string> = {
  length: 'Tap both ends.',
  angle: 'Tap one leg, the corner, the other leg.',
  area: 'Tap round it, three points and more.',
};

function tryMeasure(
  shape: PlaneShape,
  points: readonly Point[],
  scale: PictureScale,
  deviation: number,
): PlaneMeasure | { readonly message: string } | undefined {
  if (points.length < { length: 2, angle: 3, area: 3 }[shape]) return undefined;
  try {
    return measureInPlane(shape, points, scale, deviation);
  } catch (error) {
    if (error instanceof BadInput) return { message: error.message };
    throw error;
  }
}
