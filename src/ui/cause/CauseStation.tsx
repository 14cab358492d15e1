'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { type Gathered, gatherEvidence } from '@/core/causes/evidence/gathered';
import { heardAt } from '@/core/causes/evidence/heardAt';
import { withoutSource } from '@/core/causes/evidence/ofOil';
import { namesOf } from '@/core/causes/names';
import { placeNetwork, unplaced } from '@/core/causes/placeNetwork';
import { tellProbability } from '@/core/causes/tellProbability';
import { recordsOf } from '@/core/strip/recordsOf';
import { findActive } from '@/core/wear/active';
import { type OfJob, useBench } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { BesideSection } from '../section/BesideSection';
import type { Suspicion } from '../section/SectionDrawing';
import { AlikeTold } from './AlikeTold';
import { CauseRow } from './CauseRow';
import { ChainDrawing } from './ChainDrawing';
import { ConclusionForm } from './ConclusionForm';
import { EvidenceList } from './EvidenceList';
import { GuessFirst } from './GuessFirst';
import { LookNextList } from './LookNextList';
import { Rates } from './Rates';
import { Suspects } from './Suspects';
import { suspicionOf } from './suspicion';
import { Unexplained } from './Unexplained';
import { useCauseKeys } from './useCauseKeys';
import { useCauses } from './useCauses';
import { useDiagnosis } from './useDiagnosis';
import { useWhatIf } from './useWhatIf';

/** So many causes stand in the ranking; the others are counted. */
const RANKED = 7;

/** What failed first, what it dragged along, what to look at next; and what a person concludes from it. */
export function CauseStation({ job }: OfJob) {
  const { rights, place } = useBench();
  const keep = useKeep(job);
  const { snapshot, parts } = job;
  const asOf = recordsOf(snapshot.records, 'cause-counts').at(-1)?.content.asOf ?? '';
  const { causes, trouble } = useCauses(snapshot.job.id, snapshot.unitType.family, asOf);
  const { unitType } = snapshot;
  const heard = useMemo(() => heardAt({ job: snapshot.job, unitType }), [snapshot.job, unitType]);
  const placed = useMemo(
    () => causes && placeNetwork(causes.network, unitType, causes.rates, heard),
    [causes, unitType, heard],
  );
  const evidence = useMemo(
    () => (causes && placed ? gatherEvidence(snapshot, parts, causes.network, placed) : undefined),
    [causes, placed, snapshot, parts],
  );
  const whatIf = useWhatIf(evidence);
  const [open, setOpen] = useState<readonly string[]>([]);
  const { told, trouble: wrong } = useDiagnosis(causes, unitType, heard, whatIf, open);
  const [firstFailure, setFirstFailure] = useState(
    snapshot.cause?.firstFailure ??
      findActive(snapshot.findings).find(({ story }) => story === 'first-failure')?.positionId ??
      '',
  );
  const [showEvidence, setShowEvidence] = useState<string>();
  const [troubleKeeping, setTrouble] = useState('');
  const names = useMemo(() => causes && namesOf(causes.network, unitType), [causes, unitType]);
  const mayNote = rights.includes('cause.note');
  const mayAnswer = rights.includes('capture.take');
  const guessed = recordsOf(snapshot.records, 'cause-guess').at(-1);
  const isSeen = (finding: string) => (whatIf.findings[finding] ?? (whatIf.soft[finding] ?? 0) >= 1) === true;
  const shown = open.length > 0 ? open : (told?.causes ?? []).slice(0, 2).map(({ id }) => id);
  const toggle = (id: string) =>
    setOpen(shown.includes(id) ? shown.filter((each) => each !== id) : [...shown, id].slice(-2));
  const say = async (
    node: string,
    says: 'seen' | 'absent' | 'cannot-tell' | 'set-aside' | 'as-derived',
    reason: string,
  ) => {
    const content = { what: 'cause-finding', node, says, reason } as const;
    setTrouble((await keep(content, `${names?.of(node) ?? node}: ${SAID[says]}`)) ?? '');
  };
  const openSource = (gathered: Gathered | undefined) => {
    const source = gathered?.from[0]?.source;
    if (!source) return;
    place.goTo({
      station: source.station,
      ...(source.positionId ? { part: source.positionId, face: source.checkId ? 'measure' : 'look' } : {}),
      ...(source.checkId ? { check: source.checkId } : {}),
    });
  };
  useCauseKeys({
    onCheck: goToCheck,
    onSay: () => document.querySelector<HTMLElement>('[data-testid="conclusion"] textarea')?.focus(),
  });
  const isOpen = told !== undefined && names !== undefined && guessed !== undefined;
  const suspicion = useMemo(
    () => (isOpen ? suspicionOf(told, names, (number) => goToCheck(number - 1)) : undefined),
    [isOpen, told, names],
  );
  const isDrawn = unitType.axes.length > 0 && place.show !== 'list';
  const conclusion = (
    <ConclusionForm
      {...{ job, told, names, isSeen, firstFailure }}
      evidence={{ findings: evidence?.findings ?? {}, soft: evidence?.soft ?? {} }}
      assumed={whatIf.changed > 0}
      networkRevision={causes?.network.revision ?? 0}
      rates={causes?.rates ?? {}}
      onFirstFailure={setFirstFailure}
    />
  );
  return (
    <BesideSection
      job={job}
      marked={firstFailure ? [firstFailure] : []}
      suspicion={suspicion}
      note={`${noteOf(suspicion)}${mayNote ? 'Tap the part that failed first.' : ''}`}
      below={
        isOpen ? (
          <Box>
            <Suspects told={told} names={names} plates={!isDrawn} />
            <Heading as="h3" fontSize="20px" marginTop="8px">
              The chain
            </Heading>
            <ChainDrawing
              chain={told.chain}
              names={names}
              numbers={new Map(told.next.map(({ finding }, index) => [finding, index + 1]))}
              onNode={setShowEvidence}
            />
          </Box>
        ) : null
      }
      {...(mayNote ? { onOpen: setFirstFailure } : {})}
    >
      <Box>
        {trouble && <ErrorNotice>{trouble} The conclusion can be noted all the same.</ErrorNotice>}
        {wrong && <ErrorNotice>{wrong}</ErrorNotice>}
        {troubleKeeping && <ErrorNotice>{troubleKeeping}</ErrorNotice>}
        {causes && names && !guessed && mayNote && (
          <GuessFirst
            network={causes.network}
            possible={new Set(placed?.nodes.map(({ id }) => unplaced(id).node))}
            onGuess={(roots) =>
              void keep({ what: 'cause-guess', roots: [...roots], words: '' }, 'Your guess is kept')
            }
          />
        )}
        {causes && names && !guessed && !mayNote && (
          <EmptyState>The ranking opens once the inspector has said what he thinks himself.</EmptyState>
        )}
        {guessed && !told && !trouble && !wrong && (
          <EmptyState>The ranking is being worked out from what was found.</EmptyState>
        )}
        {causes && names && guessed && told && (
          <>
            {whatIf.changed > 0 && (
              <Flex
                role="status"
                bg="blue"
                color="onBlue"
                padding="6px 12px"
                align="center"
                justify="space-between"
              >
                What if: {whatIf.changed} {whatIf.changed === 1 ? 'finding is' : 'findings are'} assumed
                otherwise.
                <Press kind="onBlue" onClick={whatIf.reset}>
                  Back to what is
                </Press>
              </Flex>
            )}
            <Flex justify="space-between" align="baseline" gap="8px" wrap="wrap">
              <Heading as="h2">Causes, ranked</Heading>
              <Box fontSize="13px" color="second">
                left of the triangle speaks against, right of it speaks for
              </Box>
            </Flex>
            <Box role="group" aria-label="Causes">
              {told.causes.slice(0, RANKED).map((cause) => (
                <CauseRow
                  key={cause.id}
                  {...{ cause, names, isSeen }}
                  open={shown.includes(cause.id)}
                  onToggle={() => toggle(cause.id)}
                  onFinding={setShowEvidence}
                />
              ))}
            </Box>
            <AlikeTold told={told} names={names} />
            <Box fontSize="13px" color="second">
              {told.causes.length - RANKED} more, the next{' '}
              {tellProbability(told.causes[RANKED]?.probability ?? 0)}.
              {told.method === 'sampled' &&
                ` Drawn by lot, to within ${((told.standardError ?? 0) * 100).toFixed(1)} %.`}
              {guessed.content.roots.length > 0
                ? ` ${guessed.author} guessed: ${guessed.content.roots.map((id) => names.of(id).toLowerCase()).join(', ')}.`
                : ` ${guessed.author} declined to guess.`}
              {causes.calibration.of > 0 &&
                ` In this shop the first was right in ${causes.calibration.right} of ${causes.calibration.of} that were settled.`}
            </Box>
            <Rates
              {...{ causes, names }}
              onNewer={
                mayNote
                  ? () => void keep({ what: 'cause-counts', asOf: causes.now }, 'The newer counts are taken')
                  : undefined
              }
            />
            <LookNextList
              next={told.next}
              {...{ names, mayAnswer }}
              onAnswer={(finding, says) => void say(finding, says, '')}
              onAssume={whatIf.assume}
            />
            <Unexplained
              {...{ told, names }}
              debris={withoutSource(snapshot)}
              contradicted={(evidence?.all ?? []).filter(({ state }) => state === 'contradicted')}
              onOpen={(node) => openSource(evidence?.all.find((each) => each.node === node))}
            />
            <Press
              kind="quiet"
              paddingInline="0"
              aria-expanded={showEvidence !== undefined}
              onClick={() => setShowEvidence(showEvidence === undefined ? '' : undefined)}
            >
              {showEvidence === undefined ? 'Show' : 'Hide'} all {evidence?.all.length ?? 0} findings
            </Press>
            {showEvidence !== undefined && evidence && (
              <EvidenceList
                all={evidence.all}
                {...{ names, mayAnswer }}
                chosen={showEvidence}
                onOpen={openSource}
                onAssume={whatIf.assume}
                onSay={(node, says, reason) => void say(node, says, reason)}
              />
            )}
          </>
        )}
        {conclusion}
      </Box>
    </BesideSection>
  );
}

const noteOf = (suspicion: Suspicion | undefined): string => {
  if (!suspicion) return '';
  return suspicion.suspects.length > 0
    ? 'Blue: may have failed first; the closer the hatching, the likelier. '
    : 'What leads concerns the whole unit: no place stands out. ';
};

const goToCheck = (index: number) =>
  document.querySelectorAll('[data-look]')[index]?.querySelector<HTMLElement>('button')?.focus();

const SAID = {
  seen: 'seen',
  absent: 'looked for, not there',
  'cannot-tell': 'can’t be told',
  'set-aside': 'set aside',
  'as-derived': 'as it was',
};
