'use client';

import { Box, Flex } from '@chakra-ui/react';
import { type PlaneShape, pointDeviationOf } from '@/core/imaging/planeMeasures';
import type { Point } from '@/core/imaging/raster';
import { tellSized } from '@/core/imaging/tellMeasured';
import { recordsOf } from '@/core/strip/recordsOf';
import { SIZED_SHAPES } from '@/model/records/picture-sized';
import { CaptureLine } from '../job/CaptureLine';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { OneOf } from '../kit/OneOf';
import { Press, PressLink } from '../kit/Press';
import { DrawingSheet } from '../picture/DrawingSheet';
import { middleOf } from '../picture/middleOf';
import { Corners } from './Corners';
import { Grip } from './Grip';
import { MeasuredShape, ScaleOutline } from './ScaleShapes';
import { SettingScale } from './SettingScale';
import { tellScale } from './scaleSetting';
import type { Tool, Work } from './tool';
import { useScaleSetting } from './useScaleSetting';
import { MOST_POINTS, useSizing } from './useSizing';

const CARD_CORNERS = ['square', 'corner 2', 'corner 3', 'corner 4'] as const;

/** How large things are: the scale card found or set by hand, one known length, then lengths, angles and areas in its plane. */
export function useScaleTool(work: Work): Tool {
  const { picture, records, pane, imaging, mayTake, job } = work;
  const scales = recordsOf(records, 'picture-scaled').filter(
    ({ content }) => content.photographId === picture.id,
  );
  const kept = scales.at(-1)?.content.scale;
  const sized = recordsOf(records, 'picture-sized').filter(
    ({ content }) => content.photographId === picture.id,
  );
  const { setting, setSetting, findCard, keepScale, trouble } = useScaleSetting(work);
  const { shape, points, measured, chooseShape, setPoints, keepSized, ...sizing } = useSizing(work, kept);

  const adding = mayTake && !setting && shape !== null && points.length < MOST_POINTS[shape];
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
          onCorners={(corners) =>
            setSetting({ ...setting, corners, cornerDeviation: pointDeviationOf(picture) })
          }
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
          onBack={() => setSetting(null)}
        />
      )}
      {kept && !setting && mayTake && (
        <OneOf
          label="Measure in its plane"
          options={SIZED_SHAPES}
          chosen={shape ? [shape] : []}
          onPress={chooseShape}
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
      {[trouble, sizing.trouble].map((words) => words && <ErrorNotice key={words}>{words}</ErrorNotice>)}
      <Box marginTop="12px">
        {sized.map((record) => (
          <CaptureLine key={record.id} kind="record" capture={{ ...record, struck: null }} job={job}>
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
