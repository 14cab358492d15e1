import { Box, chakra, Flex, Grid } from '@chakra-ui/react';
import { damagedPlaces, type NumberedPart } from '@/core/report/damagedPlaces';
import type { ReportDocument, ReportPhotograph } from '@/model/report';
import { GradeMark } from '../kit/GradeMark';
import { MarksLayer } from '../picture/MarksLayer';
import type { MadeDrawing } from './drawForLetter';
import { LetterDrawing } from './LetterDrawing';
import { Disc, LetterPart } from './LetterPart';

interface LetterFoundProps {
  readonly document: ReportDocument;
  readonly drawing: MadeDrawing | undefined;
  readonly photographUrl: (id: string) => string;
}

/** What was found: the drawing, the list, and the photographs, all by the same numbers. */
export function LetterFound({ document, drawing, photographUrl }: LetterFoundProps) {
  const places = damagedPlaces(document);
  return (
    <LetterPart title="What we found">
      {places.length === 0 && <p>No part was graded “on the edge” or worse.</p>}
      {drawing && <LetterDrawing drawing={drawing} />}
      <chakra.ol listStyleType="none" padding="0" margin="0">
        {places.map((part) => (
          <FoundPart key={part.positionId} {...{ part, photographUrl }} />
        ))}
      </chakra.ol>
    </LetterPart>
  );
}

function FoundPart({
  part,
  photographUrl,
}: { part: NumberedPart } & Pick<LetterFoundProps, 'photographUrl'>) {
  const { number, name, grade, gradeWord, seen, measured, decision, photographs } = part;
  return (
    <chakra.li marginBlock="12px">
      <Flex gap="12px" align="flex-start">
        {number === undefined ? <Box width="26px" /> : <Disc number={number} />}
        <Box minWidth="0">
          <Flex gap="8px" align="center" fontWeight={650}>
            <span>{name}.</span>
            <GradeMark grade={grade} size={20} />
            <Box as="span" fontWeight={400} fontSize="13px" color={grade >= 4 ? 'oxide' : 'second'}>
              {grade}, {gradeWord}
            </Box>
          </Flex>
          {seen.map((line) => (
            <p key={line}>{line}</p>
          ))}
          {measured.map(({ title, value, limit, source, plain }) => (
            <Box key={title} fontSize="13px" color="second">
              {title}: {value}; limit: {limit}
              {source ? ` (${source})` : ''}. {plain}
            </Box>
          ))}
          <Box fontSize="13px">
            <strong>Decision:</strong> {decision}
          </Box>
        </Box>
      </Flex>
      <Grid
        templateColumns={{ base: '1fr', sm: photographs.length > 1 ? '1fr 1fr' : '1fr' }}
        gap="10px"
        marginTop="6px"
      >
        {photographs.map((photograph, index) => (
          <LetterPhotograph
            key={photograph.id}
            {...{ photograph, number }}
            nth={index + 1}
            source={photographUrl(photograph.id)}
          />
        ))}
      </Grid>
    </chakra.li>
  );
}

interface LetterPhotographProps {
  readonly photograph: ReportPhotograph;
  readonly number: number | undefined;
  readonly nth: number;
  readonly source: string;
}

/** A photograph with what was drawn on it, and the number of what it shows. */
function LetterPhotograph({ photograph, number, nth, source }: LetterPhotographProps) {
  const { caption, marks, width = 0, height = 0 } = photograph;
  return (
    <chakra.figure margin="0">
      <Box position="relative" lineHeight="0">
        <chakra.img
          src={source}
          alt={`${caption}, photograph ${nth}`}
          width="100%"
          aspectRatio={width && height ? `${width} / ${height}` : undefined}
        />
        {marks && (
          <chakra.svg
            viewBox={`0 0 ${width} ${height}`}
            position="absolute"
            inset="0"
            width="100%"
            aria-hidden="true"
          >
            <MarksLayer marks={marks} picture={{ width, height }} />
          </chakra.svg>
        )}
        {number !== undefined && (
          <Box position="absolute" top="8px" right="8px" lineHeight="1">
            <Disc number={number} />
          </Box>
        )}
      </Box>
      <chakra.figcaption fontSize="13px" color="second">
        {caption}, photograph {nth}
      </chakra.figcaption>
    </chakra.figure>
  );
}
