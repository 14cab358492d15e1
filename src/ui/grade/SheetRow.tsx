'use client';

import { Box, chakra, Grid } from '@chakra-ui/react';
import { Image } from 'lucide-react';
import { describeFinding, toldFindings } from '@/core/report/describeFinding';
import { findActive } from '@/core/wear/active';
import { isNotLookedAt } from '@/core/wear/inspectionSheet';
import type { JudgedCheck, PartState } from '@/core/wear/partStanding';
import { partWords } from '@/core/wear/partWords';
import { GRADE_WORD } from '@/model/damage';
import type { BenchJob, ShownPhotograph } from '../job/useJob';
import { useFigures } from '../kit/figures';
import { GradeMark } from '../kit/GradeMark';
import { VerdictRuler } from '../kit/VerdictRuler';
import { decimalsOfGauges } from '../measure/VerdictView';
import { HandGate } from './HandGate';

interface SheetRowProps {
  readonly part: PartState;
  readonly job: BenchJob;
  readonly photograph: ShownPhotograph | undefined;
  /** The row that the keys act on. */
  readonly current: boolean;
  /** In hand: what is said is said of it. */
  readonly gathered: boolean;
  /** 40 px, for a desk. */
  readonly low: boolean;
  readonly onChoose: () => void;
}

/** One part: its grade, what was seen, its checks against their limits, a picture. Dashed all round while nobody has looked. */
export function SheetRow({ part, job, photograph, current, gathered, low, onChoose }: SheetRowProps) {
  const { position, grade } = part;
  const unknown = isNotLookedAt(part);
  const check = tellingCheck(part);
  const decimals = check ? decimalsOfGauges(job.snapshot.gauges, check.judgement.unit) : 2;
  return (
    <Grid
      role="option"
      aria-selected={gathered}
      aria-label={`${position.name}, ${partWords(part)}`}
      tabIndex={current ? 0 : -1}
      data-sheet-row={position.id}
      data-current={current || undefined}
      templateColumns={{
        base: '44px 84px minmax(0, 1fr)',
        md: '44px 84px minmax(0, 1fr) 92px 150px 64px',
        lg: '44px 84px minmax(0, 1fr) 130px',
        xl: '44px 84px minmax(0, 1fr) 92px 150px 64px',
      }}
      alignItems="center"
      gap="8px"
      minHeight={low ? '40px' : '56px'}
      marginBlock={low ? '1px' : '3px'}
      paddingRight="4px"
      cursor="pointer"
      border="1.5px"
      borderStyle={unknown ? 'dashed' : 'solid'}
      borderColor={unknown ? 'ink' : 'transparent'}
      borderBottomColor={unknown ? 'ink' : 'rule'}
      outline={current ? '3px solid' : undefined}
      outlineColor="focus"
      outlineOffset="1px"
      scrollMarginBlock="72px 96px"
      onClick={onChoose}
    >
      <Box
        alignSelf="stretch"
        display="flex"
        alignItems="center"
        justifyContent="center"
        bg={gathered ? 'blue' : undefined}
      >
        <GradeMark grade={grade} size={low ? 24 : 32} onBlue={gathered} />
      </Box>
      <Box
        color={(grade ?? 0) >= 4 ? 'oxide' : undefined}
        display={low ? 'flex' : undefined}
        alignItems="baseline"
        gap="6px"
      >
        <Box fontSize={low ? '15px' : '20px'} lineHeight={low ? '20px' : '24px'} fontWeight={650}>
          {grade ?? '?'}
        </Box>
        <Box fontSize="13px" lineHeight="16px">
          {grade === null ? partWords(part) : GRADE_WORD[grade]}
        </Box>
      </Box>
      <Box minWidth="0" display={low && !current ? 'flex' : undefined} alignItems="baseline" gap="8px">
        <Box fontWeight={650} lineClamp={1} flexShrink={0} maxWidth="100%">
          {position.name}
        </Box>
        <Box fontSize="13px" lineHeight="16px" color="second" lineClamp={current ? 3 : 1}>
          {seenWords(part, job)}
        </Box>
        {current && (
          <Box
            display={{ base: 'block', md: 'none', lg: 'block', xl: 'none' }}
            fontSize="13px"
            lineHeight="16px"
          >
            <HandGate position={position} job={job} />
          </Box>
        )}
        {current && check && (
          <Box marginTop="4px">
            <VerdictRuler judgement={check.judgement} decimals={decimals} />
          </Box>
        )}
      </Box>
      <Box
        display={{ base: 'none', md: 'block', lg: 'none', xl: 'block' }}
        fontSize="13px"
        lineHeight="16px"
        minWidth="0"
      >
        <HandGate position={position} job={job} />
      </Box>
      <Box display={{ base: 'none', md: 'block' }} fontSize="13px" lineHeight="16px" minWidth="0">
        <Checks part={part} decimals={decimals} />
      </Box>
      <Box display={{ base: 'none', md: 'flex', lg: 'none', xl: 'flex' }} justifyContent="flex-end">
        {photograph && !photograph.waiting ? (
          <chakra.img
            src={`/api/v1/jobs/${job.snapshot.job.id}/photographs/${photograph.id}?size=320`}
            alt=""
            width="60px"
            height={low ? '32px' : '44px'}
            objectFit="cover"
            loading="lazy"
          />
        ) : (
          <Box
            width="60px"
            height={low ? '32px' : '44px'}
            border="1px dashed"
            borderColor="rule"
            display="flex"
            alignItems="center"
            justifyContent="center"
            color="second"
          >
            <Image size={18} aria-hidden />
          </Box>
        )}
      </Box>
    </Grid>
  );
}

/** The check that says most: one beyond its limit before one that is near it, before one within; undefined where none was read. */
function tellingCheck({ judgements }: PartState): JudgedCheck | undefined {
  const rank = ['beyond', 'too-close', 'no-limit', 'within'];
  return judgements
    .filter(({ judgement }) => judgement.word !== 'not-measured' && judgement.decisive)
    .sort((a, b) => rank.indexOf(a.judgement.word) - rank.indexOf(b.judgement.word))[0];
}

function Checks({ part, decimals }: { readonly part: PartState; readonly decimals: number }) {
  const { judgements } = part;
  if (judgements.length === 0) return <Box color="second">no check</Box>;
  const telling = tellingCheck(part);
  const unread = judgements.filter(({ judgement }) => judgement.word === 'not-measured').length;
  return (
    <>
      {telling && <Telling judged={telling} decimals={decimals} />}
      {unread > 0 && (
        <Box borderBottom="1px dashed" borderColor="ink" width="fit-content">
          {unread === judgements.length ? '' : 'and '}
          {unread} not measured
        </Box>
      )}
    </>
  );
}

/** Figure, verdict and ruler in the height of a row. */
function Telling({
  judged: { judgement },
  decimals,
}: {
  readonly judged: JudgedCheck;
  readonly decimals: number;
}) {
  const { decisive, unit, word } = judgement;
  const figures = useFigures(unit, decimals, decisive?.value);
  if (!decisive) return null;
  return (
    <Box color={word === 'beyond' ? 'oxide' : undefined}>
      <Box display="flex" justifyContent="space-between" gap="8px" whiteSpace="nowrap">
        <strong>{figures.quantity(decisive.value)}</strong>
        <span>{ROW_WORDS[word]}</span>
      </Box>
      <VerdictRuler judgement={judgement} decimals={decimals} small />
    </Box>
  );
}

const ROW_WORDS: Record<JudgedCheck['judgement']['word'], string> = {
  within: 'within',
  beyond: 'beyond',
  'too-close': 'too close',
  'no-limit': 'no limit',
  'not-measured': '',
};

/** What was seen, the last first; or what is asked for. */
function seenWords({ position, openQuestions }: PartState, job: BenchJob): string {
  const own = toldFindings(
    findActive(job.snapshot.findings).filter(({ positionId }) => positionId === position.id),
  );
  const last = own.at(-1);
  if (!last)
    return openQuestions.some(({ code }) => code === 'only-measured')
      ? 'Measured; nobody has looked'
      : 'Nobody has looked';
  const words = describeFinding(last, position.family, job.snapshot.catalogs);
  return own.length > 1 ? `${words} And ${own.length - 1} more.` : words;
}
