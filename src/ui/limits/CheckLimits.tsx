'use client';

import { Box, Flex, Grid, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import * as v from 'valibot';
import { inWords } from '@/core/faultWords';
import { limitKey } from '@/core/limits/limitRows';
import { parseReading } from '@/core/quantity/parseReading';
import { unitsAlike } from '@/core/quantity/units';
import { describeLimit, describeSource } from '@/core/report/describeMeasurement';
import { type Check, LIMIT_KINDS, LIMIT_SOURCES, type Limit, LimitSchema } from '@/model/checks';
import { UNIT_SYMBOL } from '@/model/units';
import { Field, Select, TextField } from '../kit/Field';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { CheckPicture } from '../measure/CheckPicture';
import { CheckForm } from './CheckForm';

const KIND_NAMES: Record<Limit['kind'], string> = {
  service: 'service: when to renew',
  'set-up': 'set-up: to reach on rebuild',
  new: 'new parts',
};
const SOURCE_NAMES: Record<Limit['source']['kind'], string> = {
  maker: 'the maker’s book',
  shop: 'the shop',
  field: 'rule of the trade',
};
const FIGURES = ['min', 'max', 'aim', 'variation'] as const;
const FIGURE_NAMES = { min: 'Least', max: 'Most', aim: 'Aim', variation: 'Difference round the circle' };

interface CheckLimitsProps {
  readonly check: Check;
  readonly mayKeep: boolean;
  readonly onChange: (check: Check) => void;
  readonly onRemove: () => void;
  readonly onClose: () => void;
}

/** One check: how it is read, its limits by kind and source, and the way to put another beside them. */
export function CheckLimits({ check, mayKeep, onChange, onRemove, onClose }: CheckLimitsProps) {
  const [form, setForm] = useState<LimitText>();
  const [editing, setEditing] = useState(false);
  return (
    <Box>
      <Flex justify="space-between" gap="12px">
        <Box>
          <Heading as="h2" fontSize="18px">
            {check.title}
          </Heading>
          <Box fontSize="13px" lineHeight="18px">
            {check.howTo} Judged: {judgedWords(check)}.
          </Box>
        </Box>
        {check.picture && <CheckPicture picture={check.picture} title={`How to: ${check.howTo}`} />}
      </Flex>
      {check.limits.length === 0 && (
        <EmptyState>
          No limit known. Whatever is read stays an open question until one stands here.
        </EmptyState>
      )}
      {check.limits.map((limit) => (
        <Flex
          key={limitKey(limit)}
          align="center"
          justify="space-between"
          gap="8px"
          borderBottom="1px solid"
          borderColor="rule"
          paddingBlock="4px"
        >
          <Box>
            <strong>{describeLimit(limit)}</strong>
            <Box fontSize="13px" color="second">
              {describeSource(limit)}
            </Box>
          </Box>
          {mayKeep && (
            <Flex>
              <Press kind="quiet" onClick={() => setForm(textOf(limit))}>
                change
              </Press>
              <Press
                kind="quiet"
                onClick={() =>
                  onChange({
                    ...check,
                    limits: check.limits.filter((other) => limitKey(other) !== limitKey(limit)),
                  })
                }
              >
                take out
              </Press>
            </Flex>
          )}
        </Flex>
      ))}
      {mayKeep && !form && !editing && (
        <Flex gap="8px" marginTop="12px" wrap="wrap">
          <Press onClick={() => setForm(emptyText(check, 'maker'))}>A limit from the book</Press>
          <Press onClick={() => setForm(emptyText(check, 'shop'))}>The shop’s own beside it</Press>
          <Press onClick={() => setEditing(true)}>How it is read</Press>
          <Press kind="danger" onClick={onRemove}>
            Check it no longer
          </Press>
          <Press kind="quiet" onClick={onClose}>
            close
          </Press>
        </Flex>
      )}
      {editing && (
        <CheckForm
          check={check}
          onTake={(changed) => {
            onChange(changed);
            setEditing(false);
          }}
          onCancel={() => setEditing(false)}
        />
      )}
      {form && (
        <LimitForm
          check={check}
          first={form}
          onTake={(limit) => {
            onChange({
              ...check,
              limits: [...check.limits.filter((other) => limitKey(other) !== limitKey(limit)), limit],
            });
            setForm(undefined);
          }}
          onCancel={() => setForm(undefined)}
        />
      )}
    </Box>
  );
}

const judgedWords = ({ statistic, places, every }: Check): string => {
  const where = every
    ? `${every.count} places round`
    : places
      ? places.join(', ')
      : 'one place, mean of repeats';
  const what = {
    mean: every || places ? 'smallest and largest' : 'mean',
    min: 'smallest',
    max: 'largest',
    range: 'difference of the extremes',
    tir: 'total of the fitted curve',
  }[statistic];
  return every || places ? `${what} of ${where}` : where;
};

type LimitText = Record<(typeof FIGURES)[number] | 'kind' | 'source' | 'unit' | 'words' | 'reason', string>;

const emptyText = (check: Check, source: Limit['source']['kind']): LimitText => ({
  kind: 'service',
  source,
  min: '',
  max: '',
  aim: '',
  variation: '',
  unit: check.unit,
  words: '',
  reason: '',
});

const textOf = (limit: Limit): LimitText => ({
  kind: limit.kind,
  source: limit.source.kind,
  min: limit.min === undefined ? '' : String(limit.min),
  max: limit.max === undefined ? '' : String(limit.max),
  aim: limit.aim === undefined ? '' : String(limit.aim),
  variation: limit.variation === undefined ? '' : String(limit.variation),
  unit: limit.unit,
  words: limit.source.words,
  reason: limit.reason ?? '',
});

/** What was typed, as a limit, or the sentence that says what is wrong with it. */
export function readLimitText(text: LimitText): Limit | string {
  const figures: Partial<Record<(typeof FIGURES)[number], number>> = {};
  for (const figure of FIGURES) {
    if (text[figure].trim() === '') continue;
    const parsed = parseReading(text[figure]);
    if (!parsed.ok) return `${FIGURE_NAMES[figure]}: ${parsed.message}`;
    figures[figure] = parsed.value;
  }
  if (figures.min === undefined && figures.max === undefined && figures.variation === undefined)
    return 'A limit needs at least one figure.';
  if (text.words.trim() === '') return 'Say where it comes from: which book and page, or whose experience.';
  const limit = v.safeParse(LimitSchema, {
    kind: text.kind,
    ...figures,
    unit: text.unit,
    source: { kind: text.source, words: text.words },
    ...(text.reason.trim() ? { reason: text.reason } : {}),
  });
  return limit.success ? limit.output : `${inWords(limit.issues[0])}.`;
}

function LimitForm({
  check,
  first,
  onTake,
  onCancel,
}: {
  readonly check: Check;
  readonly first: LimitText;
  readonly onTake: (limit: Limit) => void;
  readonly onCancel: () => void;
}) {
  const [text, setText] = useState(first);
  const [trouble, setTrouble] = useState('');
  const set = (part: Partial<LimitText>) => setText({ ...text, ...part });
  const beside = check.limits.some(({ kind, source }) => kind === text.kind && source.kind === 'maker');
  const needsReason = text.source === 'shop' && beside;
  const take = () => {
    const limit = readLimitText(text);
    if (typeof limit === 'string') return setTrouble(limit);
    if (needsReason && !limit.reason)
      return setTrouble('The maker’s figure stays beside it: say why the shop goes by another.');
    onTake(limit);
  };
  return (
    <Box
      as="form"
      marginTop="12px"
      onSubmit={(event) => {
        event.preventDefault();
        take();
      }}
    >
      <Grid templateColumns="1fr 1fr" columnGap="12px">
        <Field label="Kind">
          {(wiring) => (
            <Select {...wiring} value={text.kind} onChange={(event) => set({ kind: event.target.value })}>
              {LIMIT_KINDS.toReversed().map((kind) => (
                <option key={kind} value={kind}>
                  {KIND_NAMES[kind]}
                </option>
              ))}
            </Select>
          )}
        </Field>
        <Field label="Whose figure">
          {(wiring) => (
            <Select {...wiring} value={text.source} onChange={(event) => set({ source: event.target.value })}>
              {LIMIT_SOURCES.map((source) => (
                <option key={source} value={source}>
                  {SOURCE_NAMES[source]}
                </option>
              ))}
            </Select>
          )}
        </Field>
        {FIGURES.filter((figure) => figure !== 'variation' || check.every).map((figure) => (
          <TextField
            key={figure}
            label={FIGURE_NAMES[figure]}
            value={text[figure]}
            onText={(typed) => set({ [figure]: typed })}
            inputMode="decimal"
          />
        ))}
        <Field label="Unit">
          {(wiring) => (
            <Select {...wiring} value={text.unit} onChange={(event) => set({ unit: event.target.value })}>
              {unitsAlike(check.unit).map((unit) => (
                <option key={unit} value={unit}>
                  {UNIT_SYMBOL[unit]}
                </option>
              ))}
            </Select>
          )}
        </Field>
      </Grid>
      <TextField
        label="Where it comes from"
        hint="Book and page, or whose experience."
        value={text.words}
        onText={(typed) => set({ words: typed })}
      />
      {text.source === 'shop' && (
        <TextField
          label="Why the shop goes by it"
          value={text.reason}
          onText={(typed) => set({ reason: typed })}
        />
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Flex gap="8px">
        <Press type="submit" kind="main">
          Into the draft
        </Press>
        <Press onClick={onCancel}>Leave it</Press>
      </Flex>
    </Box>
  );
}
