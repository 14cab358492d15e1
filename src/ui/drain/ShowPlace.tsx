'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { type DebrisPiece, isClosed } from '@/core/strip/debris';
import { debrisSources } from '@/core/strip/looseEnds';
import { LINK_SURENESS, type LinkSureness } from '@/model/records/match';
import { CaptureLine } from '../job/CaptureLine';
import { Picture } from '../job/Picture';
import { type OfJob, useBench } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { Field, Select, TextField } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { OneOf } from '../kit/OneOf';
import { Press } from '../kit/Press';

const SURE_WORDS: Readonly<Record<LinkSureness, string>> = {
  proved: 'proved: the faces fit',
  likely: 'likely: size, colour and shape',
  assumed: 'assumed',
};
const LIKELIEST = 5;

interface ShowPlaceProps extends OfJob {
  readonly found: DebrisPiece;
  readonly onDone: () => void;
}

/** Where one piece is from: the likeliest places with why, how sure it is, or that its source can't be found any more. */
export function ShowPlace({ job, found, onDone }: ShowPlaceProps) {
  const { piece, match } = found;
  const { rights } = useBench();
  const keep = useKeep(job);
  const [chosen, setChosen] = useState(match?.content.positionId ?? '');
  const [sure, setSure] = useState<LinkSureness>();
  const [note, setNote] = useState('');
  const [trouble, setTrouble] = useState('');
  const ranked = debrisSources(piece.content, job.snapshot);
  const [likeliest, others] = [ranked.filter(({ score }) => score > 0).slice(0, LIKELIEST), ranked];
  const picture = job.photographs.find(({ id }) => id === piece.content.photographId);
  const against = ranked.find(({ position }) => position.id === chosen)?.against ?? '';
  const take = async (link: { positionId: string; sure: LinkSureness } | undefined) => {
    const content = { what: 'match' as const, debrisId: piece.id, note, ...link };
    const wrong = await keep(
      content,
      link ? `${piece.content.piece}: its place is shown` : `${piece.content.piece} is signed as lost`,
    );
    setTrouble(wrong ?? '');
    if (!wrong) onDone();
  };
  return (
    <Box border="2px solid" borderColor="ink" padding="10px" marginTop="8px" data-testid="show-place">
      <Flex gap="12px" align="flex-start">
        <Box flex="1">
          <CaptureLine kind="record" capture={{ ...piece, struck: null }} job={job}>
            <strong>{piece.content.piece}</strong>, {piece.content.where}
            {isClosed(found) ? ': accounted for' : ': where is it from?'}
          </CaptureLine>
        </Box>
        {picture && (
          <Box width="150px">
            <Picture job={job} photograph={picture} />
          </Box>
        )}
      </Flex>
      {rights.includes('capture.take') && (
        <>
          {likeliest.length > 0 && (
            <Box role="group" aria-label="Likeliest places" marginTop="6px">
              {likeliest.map(({ position, reasons }) => (
                <Press
                  key={position.id}
                  chosen={chosen === position.id}
                  aria-pressed={chosen === position.id}
                  width="100%"
                  justifyContent="flex-start"
                  minHeight="44px"
                  marginBottom="4px"
                  gap="10px"
                  onClick={() => setChosen(position.id)}
                >
                  {position.name}
                  <Box as="span" fontSize="13px" fontWeight={400}>
                    {reasons.join(', ')}
                  </Box>
                </Press>
              ))}
            </Box>
          )}
          <Field label={likeliest.length > 0 ? 'or another part' : 'It is from'}>
            {(wiring) => (
              <Select {...wiring} value={chosen} onChange={(event) => setChosen(event.target.value)}>
                <option value="">choose the part</option>
                {others.map(({ position: { id, name } }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </Select>
            )}
          </Field>
          {against !== '' && (
            <Box color="oxide" data-testid="speaks-against">
              Against it: {against}.
            </Box>
          )}
          <OneOf
            label="How sure is that? Only what is proved closes it."
            options={LINK_SURENESS.map((each) => SURE_WORDS[each])}
            chosen={sure ? [SURE_WORDS[sure]] : []}
            onPress={(words) => setSure(LINK_SURENESS.find((each) => SURE_WORDS[each] === words))}
          />
          <TextField label="Note, or why its source can’t be found any more" value={note} onText={setNote} />
          {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
          <Flex gap="8px" wrap="wrap">
            <Press
              kind="take"
              size="bench"
              onClick={() => {
                if (chosen === '') return setTrouble('Which part is it from?');
                if (!sure) return setTrouble('How sure is that? Proved, likely or assumed.');
                void take({ positionId: chosen, sure });
              }}
            >
              It is from there
            </Press>
            <Press
              size="bench"
              onClick={() =>
                note.trim() === ''
                  ? setTrouble('Say why its source can’t be found any more.')
                  : void take(undefined)
              }
            >
              Sign it as lost
            </Press>
          </Flex>
        </>
      )}
    </Box>
  );
}
