'use client';

import { Box, Heading } from '@chakra-ui/react';
import { useMemo } from 'react';
import { suspectsOfSymptoms } from '@/core/gearing/symptomSuspects';
import type { PartState } from '@/core/wear/partStanding';
import type { Symptom } from '@/model/symptoms';
import type { UnitType } from '@/model/unitType';
import { Press } from '../kit/Press';
import { SectionDrawing } from '../section/SectionDrawing';

interface LookFirstProps {
  readonly unitType: UnitType;
  readonly symptoms: readonly Symptom[];
  /** What was found already, on the drawing beside; left out before the job exists, when the drawing is shown here. */
  readonly parts?: readonly PartState[];
  readonly onOpen?: (positionId: string) => void;
}

/** Where the symptoms point before anything is open: marked on the section, and in words why. */
export function LookFirst({ unitType, symptoms, parts, onOpen }: LookFirstProps) {
  const suspects = useMemo(() => suspectsOfSymptoms(unitType, symptoms), [unitType, symptoms]);
  if (symptoms.length === 0) return null;
  if (suspects.length === 0)
    return (
      <Box data-testid="look-first" marginBottom="16px" color="second">
        These symptoms point at no part alone yet. A gear, drive or coast, or how often it comes again narrows
        them.
      </Box>
    );
  const nameOf = (id: string) => unitType.positions.find((position) => position.id === id)?.name ?? id;
  return (
    <Box as="section" data-testid="look-first" aria-label="Look here first" marginBottom="16px">
      <Heading as="h3" fontSize="16px">
        The symptoms point here first
      </Heading>
      {unitType.axes.length > 0 && parts === undefined && (
        <SectionDrawing
          unitType={unitType}
          parts={[]}
          asDescribed
          selected={undefined}
          marked={new Set(suspects.map(({ positionId }) => positionId))}
          onOpen={onOpen ?? (() => undefined)}
          strip
        />
      )}
      <Box as="ul" paddingLeft="20px" marginTop="4px">
        {groupByReason(suspects).map(([reason, ids]) => (
          <li key={reason}>
            {ids.map((id, at) => (
              <span key={id}>
                {at > 0 ? ', ' : ''}
                {onOpen ? (
                  <Press kind="quiet" padding="0" minHeight="32px" onClick={() => onOpen(id)}>
                    {nameOf(id)}
                  </Press>
                ) : (
                  nameOf(id)
                )}
              </span>
            ))}
            {`: ${reason}.`}
          </li>
        ))}
      </Box>
      <Box fontSize="13px" color="second">
        A place to begin, not a finding: everything is looked at all the same.
      </Box>
    </Box>
  );
}

/** Parts with the same reasons in one line. */
function groupByReason(
  suspects: ReturnType<typeof suspectsOfSymptoms>,
): (readonly [reason: string, ids: string[]])[] {
  const lines = new Map<string, string[]>();
  for (const { positionId, reasons } of suspects) {
    const reason = reasons.join(', and ');
    lines.set(reason, [...(lines.get(reason) ?? []), positionId]);
  }
  return [...lines];
}
