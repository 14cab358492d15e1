'use client';

import { Box, Heading } from '@chakra-ui/react';
import { group } from 'd3-array';
import { useState } from 'react';
import type { HeardOrder } from '@/core/sound/analyse';
import { keptHeard } from '@/core/sound/keptHeard';
import type { ToldRecording } from '@/core/sound/recordingsOf';
import { heardPlaces } from '@/core/sound/tellRecording';
import type { HeardRecording } from '@/workers/sound';
import { type OfJob, useBench } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { Table } from '../kit/Table';

interface HeardInItProps extends OfJob {
  readonly of: ToldRecording;
  readonly result: HeardRecording;
  readonly picked: number | undefined;
  readonly onPick: (hz: number) => void;
}

const FEW = 4;

/** Tones with what they may be, the likeliest first, and how much each says; a person keeps it, or doesn't. */
export function HeardInIt({ job, of, result, picked, onPick }: HeardInItProps) {
  const { rights } = useBench();
  const keep = useKeep(job);
  const [trouble, setTrouble] = useState('');
  const { matches, notHeld } = result;
  if (notHeld !== '') return <Box marginTop="12px">{notHeld} Until then nothing is held against it.</Box>;
  const tones = tonesOf(matches);
  const put = async () => {
    const kept = keptHeard(result);
    const places = heardPlaces(kept.heard).length;
    const wrong = await keep(
      { what: 'recording-heard', recordingId: of.recording.id, toldId: of.told!.id, ...kept },
      places === 0
        ? 'Kept: nothing of this unit heard'
        : `Kept: ${places === 1 ? 'one place' : `${places} places`} heard`,
    );
    setTrouble(wrong ?? '');
  };
  return (
    <Box as="section" aria-label="What is heard" marginTop="12px" data-testid="heard">
      <Heading as="h3" fontSize="18px">
        {tones.length === 0 ? 'Nothing that this unit makes stands out of the noise' : 'What it may be'}
      </Heading>
      <Nothing result={result} />
      {tones.length > 0 && (
        <Table
          heads={['Tone', 'What it may be', 'Order', 'Over the noise', 'Share', 'Speaks for damage there']}
          label="What is heard"
        >
          {tones.map((tone) =>
            tone.map((match, index) => (
              <tr
                key={`${match.in} ${match.frequency} ${match.of}`}
                style={match.frequency === picked ? { background: 'var(--chakra-colors-band)' } : undefined}
              >
                <td>
                  {index === 0 ? (
                    <Press
                      kind="quiet"
                      aria-pressed={match.frequency === picked}
                      onClick={() => onPick(match.frequency)}
                    >
                      {match.frequency.toFixed(1)} Hz{match.in === 'envelope' && ', beats'}
                    </Press>
                  ) : (
                    <Box as="span" color="second" fontSize="13px">
                      or
                    </Box>
                  )}
                </td>
                <td style={index === 0 ? { fontWeight: 650 } : undefined}>
                  {match.of}
                  {match.swellsWith !== '' && index === 0 && (
                    <Box fontWeight={400} fontSize="13px">
                      swells once with each turn of {match.swellsWith}
                    </Box>
                  )}
                </td>
                <td>{Number(match.order.toFixed(3))} ×</td>
                <td>{index === 0 ? `${match.level.toFixed(0)} dB` : ''}</td>
                <td>{Math.round(match.share * 100)} %</td>
                <td>{tellRatio(match)}</td>
              </tr>
            )),
          )}
        </Table>
      )}
      <TheRest result={result} />
      {result.missing.length > 0 && (
        <Box fontSize="13px" color="second">
          Rollers and diameters aren’t described of {result.missing.join(', ')}: they can’t be heard apart.
        </Box>
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      {rights.includes('capture.take') && (
        <Box marginTop="8px">
          <Press kind="take" size="bench" onClick={() => void put()} disabled={of.heard !== undefined}>
            {of.heard ? 'Kept; it stands among the causes' : 'Keep what is heard'}
          </Press>
          <Box fontSize="13px" color="second" marginTop="4px">
            It speaks for the places of these orders and proves none: look before a part is called bad for its
            noise.
          </Box>
        </Box>
      )}
    </Box>
  );
}

/** The likeliest place in one line, before anything is read. */
export function InOneLine({ result: { matches, notHeld } }: { readonly result: HeardRecording }) {
  if (notHeld !== '') return null;
  const [best] = heardPlaces(matches);
  const orElse = best ? alikeTo(best, matches) : [];
  return (
    <Box fontSize="18px" lineHeight="26px" marginBottom="6px" data-testid="in-one-line">
      {best ? (
        <>
          Speaks most for <strong>{best.of}</strong>
          {orElse.map(({ of }) => (
            <Box as="span" key={of}>
              {' '}
              or <strong>{of}</strong>
            </Box>
          ))}
          , {Number(best.ratio.toFixed(1))} : 1{orElse.length > 0 ? '; the tone can’t tell which' : ''}.
        </>
      ) : (
        'Nothing in it speaks for damage at a place in this unit.'
      )}
    </Box>
  );
}

/** Other places that the same tone is nearly as likely of. */
const NEARLY = 0.5;
const alikeTo = (best: HeardOrder, matches: readonly HeardOrder[]): HeardOrder[] =>
  matches.filter(
    ({ frequency, in: where, place, share }) =>
      frequency === best.frequency &&
      where === best.in &&
      place !== best.place &&
      share >= NEARLY * best.share,
  );

/** What comes along with what was heard, and what is of nothing in this unit. */
function TheRest({ result: { unmatched } }: { readonly result: HeardRecording }) {
  const along = group(
    unmatched.filter(({ from }) => from !== ''),
    // Of many multiples one line.
    ({ from }) => from.replace(/^\d+ × of /, 'multiples of '),
  );
  const other = unmatched.filter(({ from }) => from === '');
  return (
    <Box fontSize="15px" color="second" marginTop="4px">
      {[...along].slice(0, FEW).map(([from, tones]) => (
        <Box key={from}>
          Comes along: {tellTones(tones)} ({from})
        </Box>
      ))}
      {along.size > FEW && <Box>and more multiples of the same</Box>}
      {other.length > 0 && (
        <Box>
          Of nothing in this unit: {tellTones(other)}
          {other.some(({ isMains }) => isMains) && ', the mains among them'}
        </Box>
      )}
    </Box>
  );
}

const tellTones = (tones: HeardRecording['unmatched']): string =>
  `${tones
    .slice(0, FEW)
    .map(({ frequency }) => frequency.toFixed(0))
    .join(', ')} Hz${tones.length > FEW ? ` and ${tones.length - FEW} more` : ''}`;

/** Why nothing stands out, where something should. */
function Nothing({ result: { matches, unmatched, otherGears } }: { readonly result: HeardRecording }) {
  const tones = unmatched.filter(({ isMains, from }) => !isMains && from === '');
  if (matches.length > 0 || tones.length === 0) return null;
  const [first] = otherGears;
  return (
    <Box>
      {first
        ? `What stands out would fit in ${first.gear} (${first.tones} tones), not in the gear that was said: was it that one?`
        : 'What stands out fits in no gear of this unit at that speed: is the speed right, or does it come from elsewhere?'}
    </Box>
  );
}

/** Of each tone its likeliest orders. */
function tonesOf(matches: readonly HeardOrder[]): HeardOrder[][] {
  const tones = new Map<string, HeardOrder[]>();
  for (const match of matches) {
    const key = `${match.in} ${match.frequency}`;
    tones.set(key, [...(tones.get(key) ?? []), match]);
  }
  return [...tones.values()].map((tone) => tone.slice(0, 4));
}

function tellRatio({ ratio, kind }: HeardOrder): string {
  if (kind === 'turn') return 'nothing: all that isn’t quite round is heard so';
  if (ratio <= 1) return kind === 'mesh' ? 'nothing: a sound pair hums so' : 'nothing';
  return `${Number(ratio.toFixed(1))} : 1`;
}
