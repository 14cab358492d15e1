'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { type ReactNode, useMemo, useState } from 'react';
import type { Told } from '@/core/unit-type/plain-box/draftBox';
import { beyondPlainBox } from '@/core/unit-type/plain-box/plainBox';
import type { UnitType } from '@/model/unitType';
import { type OfJob, useBench } from '../job/useBench';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';
import { readKept, useKept } from '../kit/useKept';
import { BesideSection } from '../section/BesideSection';
import { GearRows, goOnAtEnter, RingRows, ShaftRows, WholeRow } from './BoxRows';
import { type BoxText, partsOfBox, textOf } from './boxText';
import { type BoxAsTyped, useBoxDraft } from './useBoxDraft';

const NOTHING: BoxText = {};

/**
 * Where everything sat that came off an unknown box, drawn while it is typed: shafts, gears with their mates, what else sits on the shafts.
 * `tabs` is what stands above it.
 */
export function MeasuredBox({ job, tabs }: OfJob & { readonly tabs: ReactNode }) {
  const { rights } = useBench();
  const { unitType, job: current } = job.snapshot;
  const key = `measured box ${current.id}`;
  const [over, setOver, forget] = useKept(key, NOTHING);
  const text = useMemo(() => ({ ...textOf(unitType), ...over }), [unitType, over]);
  const draft = useBoxDraft(unitType, text);
  const parts = partsOfBox(unitType);
  const [trouble, setTrouble] = useState('');
  const [kept, setKept] = useState('');
  const set = (name: string, value: string) => {
    setTrouble('');
    setKept('');
    setOver({ ...(readKept<BoxText>(key) ?? over), [name]: value });
  };
  const keep = async () => {
    const answer = await send<{ revision: number }>('PUT', `/api/v1/jobs/${current.id}/box`, {
      ...{ version: current.version, box: draft.box },
    });
    if (!answer.ok) return setTrouble(`${answer.refusal.message} What you typed is still here.`);
    // Rows that couldn't be drawn stay as they were typed.
    if (draft.told.length === 0) forget();
    setKept(`Kept as revision ${answer.value.revision} of this unit.`);
    await job.refresh();
  };
  const beyond = beyondPlainBox(unitType);
  const isOpen = parts.shafts.length > 0 && rights.includes('unit-type.describe') && beyond === '';
  return (
    <BesideSection
      job={job}
      drawn={isOpen ? draft.type : undefined}
      note={isOpen && draft.type ? 'Drawn as it is typed; places are measured from a shaft’s end.' : ''}
      below={isOpen && <WhatOfIt draft={draft} />}
    >
      {tabs}
      <Box
        as="form"
        data-testid="measured-box"
        onKeyDown={goOnAtEnter}
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        {!isOpen ? (
          <EmptyState>
            {beyond === ''
              ? 'Once a shaft is among what came off, its measures go in here, and the unit is drawn from them.'
              : `${beyond}: it is described further than shafts and gears tell it, and is changed under “Describe it in full”.`}
          </EmptyState>
        ) : (
          <>
            <Box fontSize="13px" lineHeight="18px" color="second" marginBottom="8px">
              Places count from a shaft’s left end; of one that lies across another from the end nearer the
              crossing. Gears that meet on shafts that cross are drawn as bevels.
            </Box>
            <Part title="Shafts">
              <ShaftRows {...{ text, set, parts }} />
            </Part>
            {parts.gears.length > 0 && (
              <Part title="Gears">
                <GearRows {...{ text, set, parts }} />
              </Part>
            )}
            <Part title="Power">
              <WholeRow {...{ text, set, parts }} />
            </Part>
            {parts.rings.length > 0 && (
              <Part title="What else sits on the shafts">
                <RingRows {...{ text, set, parts }} />
              </Part>
            )}
            {draft.blocked && <ErrorNotice>It can’t be kept yet: {draft.blocked}.</ErrorNotice>}
            {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
            <Box position="sticky" bottom="60px" bg="paper" paddingY="8px" aria-live="polite">
              <Press
                type="submit"
                kind="take"
                size="bench"
                disabled={!draft.type || draft.blocked !== undefined}
              >
                {draft.told.length === 0 ? 'Keep it as drawn' : 'Keep what is drawn'}
              </Press>
              {kept && (
                <Box as="span" marginLeft="12px">
                  {kept}
                </Box>
              )}
            </Box>
          </>
        )}
      </Box>
    </BesideSection>
  );
}

const Part = ({ title, children }: { readonly title: string; readonly children: ReactNode }) => (
  <Box as="section" aria-label={title} marginBottom="16px">
    <Heading as="h3" fontSize="16px" marginBottom="4px">
      {title}
    </Heading>
    {children}
  </Box>
);

/** Of many the first: they go away one by one. */
const TOLD = 5;

function WhatOfIt({ draft: { type, told, ratios } }: { readonly draft: BoxAsTyped }) {
  const isRightAngled = type?.gears.some(({ kind }) => kind === 'bevel');
  return (
    <Box data-testid="of-measured-box" fontSize="15px" lineHeight="22px" marginTop="8px">
      {ratios.length > 0 && (
        <Flex gap="4px 20px" wrap="wrap" data-testid="measured-ratios">
          {ratios.map(({ gear, ratio }) => (
            <Box as="span" key={gear}>
              {gear}: <strong>{Math.abs(ratio).toFixed(3)}</strong>
              {ratio < 0 && !isRightAngled && ', turned round'}
            </Box>
          ))}
        </Flex>
      )}
      {told.length > 0 && (
        <Box as="ul" paddingLeft="18px" role="status" aria-label="What doesn’t fit yet">
          {told.slice(0, TOLD).map((each) => (
            <ToldLine key={each.message} {...each} />
          ))}
          {told.length > TOLD && <li>and {told.length - TOLD} more</li>}
        </Box>
      )}
      {type && <NotDrawn type={type} />}
    </Box>
  );
}

/** A press leads to the row that it is about. */
function ToldLine({ positionId, message }: Told) {
  const sentence = `${message[0]?.toUpperCase()}${message.slice(1)}.`;
  const go = () =>
    document
      .querySelector<HTMLElement>(`[data-box-row="${CSS.escape(positionId ?? '')}"] [data-box-field]`)
      ?.focus();
  return (
    <Box as="li" color="oxide">
      {positionId === undefined ? (
        sentence
      ) : (
        <Press kind="quiet" whiteSpace="normal" textAlign="left" color="oxide" onClick={go}>
          {sentence}
        </Press>
      )}
    </Box>
  );
}

function NotDrawn({ type }: { readonly type: UnitType }) {
  const names = type.positions
    .filter(
      ({ draw, axis }) => !draw || (axis === undefined && !['hull', 'outline', 'bolts'].includes(draw.shape)),
    )
    .map(({ name }) => name);
  return names.length === 0 ? null : (
    <Box color="second" data-testid="not-drawn">
      Not drawn: {names.join(', ')}.
    </Box>
  );
}
