'use client';

import { chakra, Flex } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import { type Json, valueAt } from '@/core/unit-type/editType';
import { type Path, patternOf, REFERENCES, TYPE_LISTS, type TypeList } from '@/core/unit-type/lists';
import { PART_KINDS } from '@/model/partKinds';
import { Field as Labelled, Select, TextArea, TextField } from '../../kit/Field';
import { useEditor } from './editor';
import { pointsOf, polygonsOf, textOfPoints, textOfPolygons } from './pointText';
import { entryWords } from './words';

interface LeafProps {
  readonly label: string;
  readonly path: Path;
}

const asText = (value: Json | undefined): string =>
  typeof value === 'string' || typeof value === 'number' ? String(value) : '';

/** A line of words; an id goes wherever it is named once it has been typed to its end. */
export function WordsField({ label, path, optional }: LeafProps & { readonly optional: boolean }) {
  const { draft, set, faultAt } = useEditor();
  const value = asText(valueAt(draft, path));
  const list = TYPE_LISTS.find((each) => each === path[0]);
  if (path.length === 3 && path[2] === 'id' && list)
    return <IdField label={label} path={path} list={list} index={Number(path[1])} />;
  const long = ['howTo', 'words', 'orientation', 'reason'].includes(String(path.at(-1)));
  const take = (text: string) => set(path, text === '' && optional ? undefined : text);
  if (long)
    return (
      <Labelled label={label} error={faultAt(path)}>
        {(wiring) => (
          <TextArea {...wiring} rows={2} value={value} onChange={(event) => take(event.target.value)} />
        )}
      </Labelled>
    );
  return <TextField label={label} value={value} error={faultAt(path)} onText={take} />;
}

function IdField({
  label,
  path,
  list,
  index,
}: LeafProps & { readonly list: TypeList; readonly index: number }) {
  const { draft, rename, faultAt } = useEditor();
  const stored = asText(valueAt(draft, path));
  const [text, setText] = useState(stored);
  useEffect(() => setText(stored), [stored]);
  return (
    <TextField
      label={label}
      value={text}
      error={faultAt(path)}
      onText={setText}
      onDone={() => text !== stored && rename(list, index, text)}
    />
  );
}

/** Figures as they are typed; what is no figure stays in the field and is named as a fault. */
export function FigureField({
  label,
  path,
  optional,
  nullable,
}: LeafProps & { readonly optional: boolean; readonly nullable: boolean }) {
  const { draft, set, faultAt } = useEditor();
  const stored = valueAt(draft, path);
  const [text, setText] = useState(asText(stored));
  // Another entry, or undone: what is stored is no longer what was typed here.
  useEffect(() => {
    setText((typed) => (figureOf(typed) === (stored ?? '') ? typed : asText(stored)));
  }, [stored]);
  const take = (typed: string) => {
    setText(typed);
    const value = figureOf(typed);
    set(path, value !== '' ? value : nullable ? null : optional ? undefined : '');
  };
  return <TextField label={label} value={text} inputMode="decimal" error={faultAt(path)} onText={take} />;
}

function figureOf(typed: string): number | string {
  const trimmed = typed.trim().replace('−', '-').replace(',', '.');
  return trimmed === '' || !Number.isFinite(Number(trimmed)) ? typed : Number(trimmed);
}

/** One of the entries that a place may name. */
export function ReferenceField({
  label,
  path,
  list,
  optional,
}: LeafProps & { readonly list: TypeList; readonly optional: boolean }) {
  const { draft, set, faultAt } = useEditor();
  const value = asText(valueAt(draft, path));
  const choices = choicesOf(draft[list]);
  const known = choices.some(({ id }) => id === value);
  return (
    <Labelled label={label} error={faultAt(path)}>
      {(wiring) => (
        <Select
          {...wiring}
          value={value}
          onChange={(event) =>
            set(path, event.target.value === '' && optional ? undefined : event.target.value)
          }
        >
          <option value="">{optional ? '–' : 'choose'}</option>
          {!known && value !== '' && <option value={value}>{value} (not there)</option>}
          {choices.map(({ id, words }) => (
            <option key={id} value={id}>
              {words}
            </option>
          ))}
        </Select>
      )}
    </Labelled>
  );
}

export const choicesOf = (entries: Json | undefined): { readonly id: string; readonly words: string }[] =>
  (Array.isArray(entries) ? (entries as readonly Json[]) : []).flatMap((entry, index) => {
    const id = (entry as { readonly id?: unknown } | null)?.id;
    return typeof id === 'string' ? [{ id, words: entryWords(entry, index) }] : [];
  });

export function ChoiceField({
  label,
  path,
  options,
  optional,
}: LeafProps & { readonly options: readonly (string | number)[]; readonly optional: boolean }) {
  const { draft, set, faultAt } = useEditor();
  const value = asText(valueAt(draft, path));
  const told = choiceWords(options);
  return (
    <Labelled label={label} error={faultAt(path)}>
      {(wiring) => (
        <Select
          {...wiring}
          value={value}
          onChange={(event) => {
            const chosen = options.find((option) => String(option) === event.target.value);
            set(path, chosen ?? (optional ? undefined : ''));
          }}
        >
          {(optional || value === '') && <option value="">{optional ? '–' : 'choose'}</option>}
          {options.map((option) => (
            <option key={option} value={option}>
              {told(option)}
            </option>
          ))}
        </Select>
      )}
    </Labelled>
  );
}

/** Kinds of parts in words; other choices stand as they are written in a description. */
const choiceWords = (options: readonly (string | number)[]): ((option: string | number) => string) => {
  const names = new Map<string | number, string>(PART_KINDS.map(({ id, name }) => [id, name]));
  return options.every((option) => names.has(option)) ? (option) => names.get(option)! : String;
};

export function FlagField({ label, path }: LeafProps) {
  const { draft, set } = useEditor();
  return (
    <chakra.label display="flex" alignItems="center" gap="10px" minHeight="44px">
      <chakra.input
        type="checkbox"
        width="24px"
        height="24px"
        checked={valueAt(draft, path) === true}
        onChange={(event) => set(path, event.target.checked ? true : undefined)}
      />
      {label}
    </chakra.label>
  );
}

/** Outlines, typed point by point; taken when the field is left. */
export function PointsField({ label, path, several }: LeafProps & { readonly several: boolean }) {
  const { draft, set, faultAt } = useEditor();
  const stored = (several ? textOfPolygons : textOfPoints)(valueAt(draft, path));
  const [text, setText] = useState(stored);
  useEffect(() => setText(stored), [stored]);
  return (
    <Labelled
      label={label}
      hint={several ? 'One point on a line; an empty line begins the next outline.' : 'One point on a line.'}
      error={faultAt(path)}
    >
      {(wiring) => (
        <TextArea
          {...wiring}
          rows={6}
          fontSize="13px"
          value={text}
          onChange={(event) => setText(event.target.value)}
          onBlur={() => text !== stored && set(path, (several ? polygonsOf : pointsOf)(text))}
        />
      )}
    </Labelled>
  );
}

/** The list that a place's id belongs to, if it names one. */
export const listNamedAt = (path: Path): TypeList | undefined =>
  REFERENCES[patternOf(path, '')] ?? REFERENCES[`${patternOf(path, undefined)}.*`];

export const Two = ({ children }: { readonly children: React.ReactNode }) => (
  <Flex gap="12px" wrap="wrap" css={{ '& > *': { flex: '1 1 140px' } }}>
    {children}
  </Flex>
);
