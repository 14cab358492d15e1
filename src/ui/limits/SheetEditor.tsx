'use client';

import { Box, Flex, Grid, Heading } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { sheetChanges } from '@/core/limits/sheetChanges';
import { describeLimit, describeSource } from '@/core/report/describeMeasurement';
import type { CheckDefinition } from '@/model/checkDefinition';
import type { Check } from '@/model/checks';
import type { Actor } from '@/model/people';
import type { Right } from '@/model/rights';
import type { UnitType } from '@/model/unitType';
import { PageHead } from '../frame/PageHead';
import { longDate } from '../kit/dates';
import { TextField } from '../kit/Field';
import { useReadsIn } from '../kit/figures';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { Press, PressLink } from '../kit/Press';
import { send } from '../kit/send';
import { Table } from '../kit/Table';
import { AddCheck } from './AddCheck';
import { CheckLimits } from './CheckLimits';
import { PasteTable } from './PasteTable';
import { useSheetDraft } from './useSheetDraft';

interface SheetEditorProps {
  readonly unitType: UnitType;
  readonly revisions: readonly {
    readonly revision: number;
    readonly storedAt: string;
    readonly storedBy: string;
    readonly note: string;
  }[];
  readonly definitions: readonly CheckDefinition[];
  readonly actor: Actor;
  readonly rights: readonly Right[];
}

type Side =
  | { readonly kind: 'check'; readonly id: string }
  | { readonly kind: 'add' }
  | { readonly kind: 'paste' };

/** One unit type's checks and limits: what is judged, by whose figure; changes are gathered and saved as a revision. */
export function SheetEditor({ unitType, revisions, definitions, actor, rights }: SheetEditorProps) {
  const { checks, setChecks, forget } = useSheetDraft(unitType);
  const [side, setSide] = useState<Side>();
  const mayKeep = rights.includes('limit.keep');
  const changes = sheetChanges(unitType.checks, checks);
  const chosen = side?.kind === 'check' ? checks.find(({ id }) => id === side.id) : undefined;
  const replace = (check: Check) => setChecks(checks.map((other) => (other.id === check.id ? check : other)));
  return (
    <Box>
      <PageHead title={unitType.title} back={{ href: '/limits', words: 'All limit sheets' }} actor={actor} />
      <Grid
        as="main"
        templateColumns={{ base: '1fr', lg: side ? '3fr 2fr' : '1fr' }}
        gap="24px"
        padding="16px"
      >
        <Box minWidth="0">
          <Flex justify="space-between" align="center" wrap="wrap" gap="8px" marginBottom="8px">
            <Heading as="h2" fontSize="18px">
              Limit sheet, revision {unitType.revision}
            </Heading>
            <Flex gap="8px" wrap="wrap">
              <PressLink href={`/api/v1/limits/${unitType.id}/table`}>As a table (CSV)</PressLink>
              {mayKeep && (
                <>
                  <Press chosen={side?.kind === 'paste'} onClick={() => setSide({ kind: 'paste' })}>
                    Paste a table
                  </Press>
                  <Press chosen={side?.kind === 'add'} onClick={() => setSide({ kind: 'add' })}>
                    Add a check
                  </Press>
                </>
              )}
            </Flex>
          </Flex>
          {changes.length > 0 && (
            <SaveRevision unitType={unitType} checks={checks} changes={changes} onForget={forget} />
          )}
          <CheckTable
            unitType={unitType}
            checks={checks}
            chosen={chosen?.id}
            onChoose={(id) => setSide({ kind: 'check', id })}
          />
          <Heading as="h2" fontSize="18px" marginTop="24px">
            Revisions
          </Heading>
          <Table heads={['Revision', 'Since', 'By', 'Why']} label="Revisions">
            {revisions.map(({ revision, storedAt, storedBy, note }) => (
              <tr key={revision}>
                <td>{revision}</td>
                <td>{longDate(storedAt)}</td>
                <td>{storedBy}</td>
                <td>{note || 'as it shipped'}</td>
              </tr>
            ))}
          </Table>
        </Box>
        {side && (
          <Box
            as="aside"
            aria-label="Change the sheet"
            borderLeft={{ lg: '1.5px solid' }}
            paddingLeft={{ lg: '16px' }}
          >
            {chosen && (
              <CheckLimits
                key={chosen.id}
                check={chosen}
                mayKeep={mayKeep}
                onChange={replace}
                onRemove={() => {
                  setChecks(checks.filter(({ id }) => id !== chosen.id));
                  setSide(undefined);
                }}
                onClose={() => setSide(undefined)}
              />
            )}
            {side.kind === 'add' && (
              <AddCheck
                unitType={unitType}
                checks={checks}
                definitions={definitions}
                onAdd={(check) => {
                  setChecks([...checks, check]);
                  setSide({ kind: 'check', id: check.id });
                }}
              />
            )}
            {side.kind === 'paste' && (
              <PasteTable unitTypeId={unitType.id} checks={checks} onTake={setChecks} />
            )}
          </Box>
        )}
      </Grid>
    </Box>
  );
}

function CheckTable({
  unitType,
  checks,
  chosen,
  onChoose,
}: {
  readonly unitType: UnitType;
  readonly checks: readonly Check[];
  readonly chosen: string | undefined;
  readonly onChoose: (id: string) => void;
}) {
  const readsIn = useReadsIn();
  if (checks.length === 0)
    return <EmptyState>The checks of this type come here. Add one from the library to begin.</EmptyState>;
  return (
    <Table heads={['Part', 'Check', 'Limits']} label="Checks and limits">
      {checks.map((check) => (
        <tr key={check.id} data-check={check.id}>
          <td>
            {check.positions
              .map((id) => unitType.positions.find((position) => position.id === id)?.name ?? id)
              .join(', ')}
          </td>
          <td>
            <Press
              kind="quiet"
              size="row"
              minHeight="24px"
              alignItems="flex-start"
              justifyContent="flex-start"
              textAlign="left"
              whiteSpace="normal"
              paddingInline="0"
              fontWeight={check.id === chosen ? 650 : 400}
              aria-pressed={check.id === chosen}
              onClick={() => onChoose(check.id)}
            >
              {check.title}
            </Press>
          </td>
          <td>
            {check.limits.length === 0 && (
              <Box as="span" color="second">
                no limit known: an open question
              </Box>
            )}
            {check.limits.map((limit) => (
              <Box key={`${limit.kind} ${limit.source.kind}`}>
                <strong>
                  {describeLimit(limit, readsIn) === 'no limit known' ? '' : describeLimit(limit, readsIn)}
                  {limit.variation === undefined ? '' : ` variation at most ${limit.variation} ${limit.unit}`}
                </strong>
                <Box as="span" fontSize="13px" color="second">
                  {' '}
                  {describeSource(limit)}
                </Box>
              </Box>
            ))}
          </td>
        </tr>
      ))}
    </Table>
  );
}

function SaveRevision({
  unitType,
  checks,
  changes,
  onForget,
}: {
  readonly unitType: UnitType;
  readonly checks: readonly Check[];
  readonly changes: readonly string[];
  readonly onForget: () => void;
}) {
  const router = useRouter();
  const [note, setNote] = useState('');
  const [trouble, setTrouble] = useState('');
  const save = async () => {
    const answer = await send('POST', `/api/v1/limits/${unitType.id}`, {
      basedOnRevision: unitType.revision,
      note,
      checks,
    });
    setTrouble(answer.ok ? '' : answer.refusal.message);
    if (!answer.ok) return;
    onForget();
    router.refresh();
  };
  return (
    <Box
      as="form"
      borderLeft="4px solid"
      borderColor="metal"
      paddingLeft="12px"
      marginBottom="16px"
      data-testid="draft"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <strong>Changed here, not yet saved</strong>
      <Box as="ul" paddingLeft="20px" marginBottom="8px">
        {changes.map((change) => (
          <li key={change}>{change}</li>
        ))}
      </Box>
      <TextField
        label="Why"
        hint={`Saved as revision ${unitType.revision + 1}. Jobs keep the revision they were booked in with.`}
        value={note}
        onText={setNote}
      />
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Flex gap="8px">
        <Press type="submit" kind="main" disabled={note.trim() === ''}>
          Save as revision {unitType.revision + 1}
        </Press>
        <Press onClick={onForget}>Drop the changes</Press>
      </Flex>
    </Box>
  );
}
