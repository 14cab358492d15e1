'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { againstNumber } from '@/core/unit-type/strippedPieces';
import { PIECE_KINDS, type PieceKind, type StrippedPiece } from '@/model/strippedPiece';
import type { OfJob } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { TextField, TextInput } from '../kit/Field';
import { figureOf } from '../kit/figureOf';
import { ErrorNotice } from '../kit/Notice';
import { OneOf } from '../kit/OneOf';
import { Press } from '../kit/Press';
import { send } from '../kit/send';
import { readKept, useKept } from '../kit/useKept';

interface DescribedStep {
  readonly stepId: string;
  readonly positions: readonly { readonly id: string; readonly piece: number; readonly count: number }[];
}

interface TypedPiece {
  readonly kind: PieceKind;
  readonly name: string;
  readonly count: string;
  readonly apart: boolean;
  readonly worn: string;
  readonly wayRound: string;
  readonly number: string;
  readonly inner: string;
  readonly outer: string;
  readonly width: string;
}
const EMPTY: { readonly title: string; readonly pieces: readonly TypedPiece[] } = { title: '', pieces: [] };
const newPiece = (kind: PieceKind): TypedPiece => ({
  ...{
    kind,
    name: '',
    count: '1',
    apart: false,
    worn: '',
    wayRound: '',
    number: '',
    inner: '',
    outer: '',
    width: '',
  },
});

/** One step of a unit that nobody has described: what was done, and in the same breath all that came off. */
export function StepWithPieces({ job }: OfJob) {
  const keep = useKeep(job);
  const { id: jobId } = job.snapshot.job;
  const key = `step with pieces ${jobId}`;
  const [typed, setTyped, forget] = useKept(key, EMPTY);
  // The page is drawn anew with each step's parts; a key pressed just then adds to what is kept, not to what is still on the screen.
  const change = (over: (now: typeof EMPTY) => Partial<typeof EMPTY>) => {
    const now = readKept<typeof EMPTY>(key) ?? EMPTY;
    setTyped({ ...now, ...over(now) });
  };
  const [trouble, setTrouble] = useState('');
  const [doubted, setDoubted] = useState('');
  // Until the new parts are here the next step would be held against a job that is not the latest any more.
  const [isBusy, setBusy] = useState(false);
  const { title, pieces } = typed;
  const set = (at: number, over: Partial<TypedPiece>) =>
    change((now) => ({
      pieces: now.pieces.map((piece, index) => (index === at ? { ...piece, ...over } : piece)),
    }));
  const put = async () => {
    if (title.trim() === '') return setTrouble('What was done? Rear cover off, shaft out.');
    const read: StrippedPiece[] = [];
    for (const [at, piece] of pieces.entries()) {
      const one = readPiece(piece);
      if (typeof one === 'string') return setTrouble(`Piece ${at + 1}: ${one}`);
      read.push(one);
    }
    const against = read
      .map(againstNumber)
      .filter((words) => words !== '')
      .join('. ');
    if (against !== '' && against !== doubted) {
      setDoubted(against);
      return setTrouble(`${against}. Read it off again; if it is so, press once more.`);
    }
    const answer = await send<DescribedStep>('POST', `/api/v1/jobs/${jobId}/steps`, {
      ...{ title, pieces: read, version: job.now().job.version },
    });
    if (!answer.ok) return setTrouble(`${answer.refusal.message} What you typed is kept here.`);
    // The page is drawn anew with the new parts: what was typed is done with before that.
    forget();
    const { stepId, positions } = answer.value;
    await keep({ what: 'step', stepId }, `Done: ${title}`);
    for (const { id, piece, count } of positions) {
      const worn = read[piece]!.worn;
      await keep(
        {
          ...{ what: 'count', positionId: id, counted: count },
          note: worn > 0 ? `${worn} of ${count} worn` : '',
        },
        `${title}: counted`,
      );
    }
    setTrouble('');
    setDoubted('');
    await job.refresh();
  };
  return (
    <Box
      as="form"
      marginTop="16px"
      data-testid="step-with-pieces"
      onSubmit={(event) => {
        event.preventDefault();
        if (isBusy) return;
        setBusy(true);
        void put().finally(() => setBusy(false));
      }}
    >
      <Heading as="h3" fontSize="18px">
        The next step, with what comes off
      </Heading>
      <TextField label="What was done" value={title} onText={(words) => change(() => ({ title: words }))} />
      {pieces.map((piece, at) => (
        <PieceFields
          key={at}
          {...{ piece, number: at + 1 }}
          onChange={(over) => set(at, over)}
          onRemove={() => change((now) => ({ pieces: now.pieces.filter((_, index) => index !== at) }))}
        />
      ))}
      <OneOf
        label={pieces.length === 0 ? 'What came off' : 'and what else'}
        options={PIECE_KINDS}
        chosen={[]}
        onPress={(kind) => change((now) => ({ pieces: [...now.pieces, newPiece(kind)] }))}
      />
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Press type="submit" kind="take" size="bench" disabled={isBusy}>
        {pieces.length === 0 ? 'Done, nothing came off' : `Done, with ${tellCount(pieces)}`}
      </Press>
    </Box>
  );
}

function tellCount(pieces: readonly TypedPiece[]): string {
  const all = pieces.reduce((sum, { count }) => sum + (Number(count) || 0), 0);
  return all === 1 ? 'one piece' : `${all} pieces`;
}

/** A piece as it was typed, or what is wrong with it. */
function readPiece({
  kind,
  name,
  count,
  apart,
  worn,
  wayRound,
  number,
  inner,
  outer,
  width,
}: TypedPiece): StrippedPiece | string {
  const whole = (text: string): number | undefined =>
    /^\d+$/.test(text.trim()) ? Number(text.trim()) : undefined;
  const isApart = apart && count.trim() !== '1';
  const [many, bad] = [whole(count), worn.trim() === '' || isApart ? 0 : whole(worn)];
  if (many === undefined || many < 1) return `“${count}” is no count.`;
  if (isApart && many > 24) return 'at most 24 parts of their own at once.';
  if (bad === undefined) return `“${worn}” is no count of worn ones.`;
  if (bad > many) return `${bad} are worn, and ${many} came off.`;
  const size: { inner?: number; outer?: number; width?: number } = {};
  for (const [side, text] of Object.entries({ inner, outer, width })) {
    const figure = figureOf(text);
    if (figure === undefined) continue;
    if (!(figure > 0)) return `“${text}” is no size.`;
    size[side as keyof typeof size] = figure;
  }
  if (size.inner !== undefined && size.outer !== undefined && size.inner >= size.outer)
    return `its inside of ${size.inner} mm is not smaller than its outside of ${size.outer} mm.`;
  return {
    ...{ kind, name, count: many, apart: isApart, worn: bad, wayRound, number },
    ...(Object.keys(size).length > 0 ? { size } : {}),
  };
}

interface PieceFieldsProps {
  readonly piece: TypedPiece;
  readonly number: number;
  readonly onChange: (over: Partial<TypedPiece>) => void;
  readonly onRemove: () => void;
}

/** What has a number stamped on it. */
const NUMBERED = new Set<PieceKind>(['bearing', 'seal', 'needles', 'gear', 'shaft', 'case']);
/** What is told by its size. */
const SIZED = new Set<PieceKind>(['bearing', 'seal', 'bush', 'washer', 'spacer', 'shim', 'clip', 'needles']);

function PieceFields({ piece, number, onChange, onRemove }: PieceFieldsProps) {
  const isSeveral = /^\d+$/.test(piece.count.trim()) && Number(piece.count) > 1;
  const field = (
    name: Exclude<keyof TypedPiece, 'apart'>,
    label: string,
    width: string,
    isFigure = false,
  ) => (
    <Box as="label" flex={`0 1 ${width}`} fontSize="13px">
      {label}
      <TextInput
        aria-label={`Piece ${number}, ${label}`}
        width="100%"
        inputMode={isFigure ? 'decimal' : 'text'}
        value={piece[name]}
        onChange={(event) => onChange({ [name]: event.target.value })}
      />
    </Box>
  );
  return (
    <Box border="1.5px solid" borderColor="ink" padding="8px" marginBottom="6px" data-piece-row={piece.kind}>
      <Flex gap="8px" wrap="wrap" align="flex-end">
        <Box flex="1 0 110px" fontWeight={650} paddingBottom="10px">
          {number}. {piece.kind}
        </Box>
        {field('count', 'how many', '84px', true)}
        {isSeveral && (
          <Press
            chosen={piece.apart}
            aria-pressed={piece.apart}
            aria-label={`Piece ${number}, each a part of its own`}
            onClick={() => onChange({ apart: !piece.apart })}
          >
            each on its own
          </Press>
        )}
        {!(isSeveral && piece.apart) && field('worn', 'of which worn', '96px', true)}
        {field('name', 'called, if otherwise', '180px')}
        <Press kind="quiet" aria-label={`Take piece ${number} off the list`} onClick={onRemove}>
          not this
        </Press>
      </Flex>
      <Flex gap="8px" wrap="wrap" align="flex-end">
        {field('wayRound', 'which way round', '220px')}
        {NUMBERED.has(piece.kind) && field('number', 'number on it', '130px')}
        {SIZED.has(piece.kind) && (
          <>
            {field('inner', 'inside, mm', '84px', true)}
            {field('outer', 'outside, mm', '88px', true)}
            {field('width', 'width, mm', '84px', true)}
          </>
        )}
      </Flex>
    </Box>
  );
}
