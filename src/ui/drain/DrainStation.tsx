'use client';

import { Box, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { debrisBalance } from '@/core/strip/debris';
import { recordsOf } from '@/core/strip/recordsOf';
import { tellDrained } from '@/core/strip/tellDrained';
import type { RecordOf } from '@/model/recordKinds';
import { GLITTER, OIL_COLOURS, OIL_SMELLS, ON_MAGNET, WATER } from '@/model/records/drained';
import { CaptureLine } from '../job/CaptureLine';
import { type OfJob, useBench } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { TextField } from '../kit/Field';
import { figureOf } from '../kit/figureOf';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { OneOf } from '../kit/OneOf';
import { Press } from '../kit/Press';
import { useKept } from '../kit/useKept';
import { BesideSection } from '../section/BesideSection';
import { Debris } from './Debris';
import { LabSamples } from './LabSamples';

/** What came out with the oil: how much, how it looked, what hung on the magnet, and every piece that broke off something. */
export function DrainStation(props: OfJob) {
  const { job } = props;
  const { rights } = useBench();
  const drained = recordsOf(job.snapshot.records, 'drained');
  const [again, setAgain] = useState(false);
  const sources = debrisBalance(job.snapshot.records).flatMap(({ match }) => match?.content.positionId ?? []);
  const mayTake = rights.includes('capture.take');
  return (
    <BesideSection
      job={job}
      marked={sources}
      note={
        sources.length > 0
          ? 'Marked: where pieces of the debris came from.'
          : 'Tap a part to open its ticket.'
      }
    >
      <Box data-testid="drain">
        {drained.length === 0 && <EmptyState>Nothing is put down about the oil yet.</EmptyState>}
        {drained.map((record) => (
          <CaptureLine key={record.id} kind="record" capture={{ ...record, struck: null }} job={job}>
            {tellDrained(record.content, job.snapshot.unitType.oil?.litres)}
          </CaptureLine>
        ))}
        {mayTake && (drained.length === 0 || again) && (
          <DrainForm {...props} onKept={() => setAgain(false)} />
        )}
        {mayTake && drained.length > 0 && !again && (
          <Press marginTop="8px" onClick={() => setAgain(true)}>
            Put it down again
          </Press>
        )}
        <Debris {...props} />
        <LabSamples {...props} />
      </Box>
    </BesideSection>
  );
}

type Drained = RecordOf<'drained'>;
/** Of what nobody has said yet there is nothing: no colour that the oil may not have. */
type Sheet = Partial<Pick<Drained, 'colour' | 'smell' | 'water' | 'glitter'>> &
  Pick<Drained, 'magnet' | 'note'>;
const EMPTY: Sheet = { magnet: [], note: '' };

/** What is not said yet, for whoever would put the oil down without it. */
const unsaid = ({ colour, smell, water, glitter }: Sheet): string[] =>
  Object.entries({ colour, smell, water, glitter })
    .filter(([, said]) => said === undefined)
    .map(([name]) => name);

const UNTYPED = { litres: '', sheet: EMPTY };

function DrainForm(props: OfJob & { readonly onKept: () => void }) {
  const keep = useKeep(props.job);
  const [{ litres, sheet }, setTyped, forget] = useKept(`drained ${props.job.snapshot.job.id}`, UNTYPED);
  const [trouble, setTrouble] = useState('');
  const { oil } = props.job.snapshot.unitType;
  const set = (over: Partial<Sheet>) => setTyped({ litres, sheet: { ...sheet, ...over } });
  const take = async () => {
    const missing = unsaid(sheet);
    if (missing.length > 0) return setTrouble(`Say what you see first: ${missing.join(', ')}.`);
    const amount = figureOf(litres);
    const content = {
      what: 'drained',
      ...sheet,
      ...(amount === undefined ? {} : { litres: amount }),
    } as Drained;
    const wrong = await keep(content, 'The oil is put down');
    setTrouble(wrong ?? '');
    if (wrong) return;
    forget();
    props.onKept();
  };
  return (
    <Box
      as="form"
      marginTop="12px"
      onSubmit={(event) => {
        event.preventDefault();
        void take();
      }}
    >
      <Heading as="h3" fontSize="16px">
        The oil
      </Heading>
      <TextField
        label="Litres that came out"
        hint={`${oil ? `${oil.litres} belong in it: ${oil.kind}. ` : ''}Leave it empty if nobody measured.`}
        value={litres}
        onText={(typed) => setTyped({ litres: typed, sheet })}
        inputMode="decimal"
      />
      <OneOf
        label="Colour"
        options={OIL_COLOURS}
        chosen={only(sheet.colour)}
        onPress={(colour) => set({ colour })}
      />
      <OneOf
        label="Smells"
        options={OIL_SMELLS}
        chosen={only(sheet.smell)}
        onPress={(smell) => set({ smell })}
      />
      <OneOf label="Water" options={WATER} chosen={only(sheet.water)} onPress={(water) => set({ water })} />
      <OneOf
        label="On the magnet"
        options={ON_MAGNET}
        chosen={sheet.magnet}
        onPress={(found) => set({ magnet: toggled(sheet.magnet, found) })}
      />
      <OneOf
        label="Glitters"
        options={GLITTER}
        chosen={only(sheet.glitter)}
        onPress={(glitter) => set({ glitter })}
      />
      <TextField label="Anything else" value={sheet.note} onText={(note) => set({ note })} />
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Press type="submit" kind="main" size="bench">
        Put the oil down
      </Press>
    </Box>
  );
}

const only = <Said extends string>(said: Said | undefined): Said[] => (said === undefined ? [] : [said]);

/** “Nothing” stands alone; everything else takes it away. */
function toggled(found: Sheet['magnet'], pressed: Sheet['magnet'][number]): Sheet['magnet'] {
  if (pressed === 'nothing') return ['nothing'];
  const rest = found.filter((each) => each !== 'nothing' && each !== pressed);
  return found.includes(pressed) ? rest : [...rest, pressed];
}
