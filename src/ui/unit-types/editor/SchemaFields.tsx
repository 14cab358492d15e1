'use client';

import { Box, Flex } from '@chakra-ui/react';
import { Fragment, useState } from 'react';
import { type Json, valueAt } from '@/core/unit-type/editType';
import type { Path, TypeList } from '@/core/unit-type/lists';
import { Select } from '../../kit/Field';
import { Press } from '../../kit/Press';
import { useEditor } from './editor';
import {
  ChoiceField,
  choicesOf,
  FigureField,
  FlagField,
  listNamedAt,
  PointsField,
  ReferenceField,
  Two,
  WordsField,
} from './LeafFields';
import type { Field, Shape } from './shape';
import { fieldWords } from './words';

/** Every field of one entry: short ones beside each other, groups below. */
export function SchemaFields({ fields, path }: { readonly fields: readonly Field[]; readonly path: Path }) {
  const short = fields.filter(({ shape }) => isShort(shape));
  return (
    <>
      <Two>
        {short.map((field) => (
          <FieldAt
            key={field.name}
            field={field}
            label={fieldWords(field.name)}
            path={[...path, field.name]}
          />
        ))}
      </Two>
      {fields
        .filter(({ shape }) => !isShort(shape))
        .map((field) => (
          <FieldAt
            key={field.name}
            field={field}
            label={fieldWords(field.name)}
            path={[...path, field.name]}
          />
        ))}
    </>
  );
}

const isShort = ({ kind }: Shape): boolean => ['text', 'number', 'choice', 'flag'].includes(kind);

interface FieldAtProps {
  readonly field: Field;
  readonly label: string;
  readonly path: Path;
}

function FieldAt({ field, label, path }: FieldAtProps) {
  return (
    <Box data-path={path.join('.')}>
      <AnyField field={field} label={label} path={path} />
    </Box>
  );
}

function AnyField({ field, label, path }: FieldAtProps) {
  const { shape, optional, nullable } = field;
  switch (shape.kind) {
    case 'text': {
      const list = listNamedAt(path);
      return list ? (
        <ReferenceField label={label} path={path} list={list} optional={optional} />
      ) : (
        <WordsField label={label} path={path} optional={optional} />
      );
    }
    case 'number':
      return <FigureField label={label} path={path} optional={optional} nullable={nullable} />;
    case 'choice':
      return <ChoiceField label={label} path={path} options={shape.options} optional={optional} />;
    case 'flag':
      return <FlagField label={label} path={path} />;
    case 'points':
    case 'polygons':
      return <PointsField label={label} path={path} several={shape.kind === 'polygons'} />;
    case 'pair':
      return (
        <Two>
          {shape.items.map((item, index) => (
            <FieldAt
              key={index}
              field={{ name: String(index), shape: item, optional: false, nullable: false }}
              label={`${label}, ${item.kind === 'number' ? ['x', 'y'][index] : index + 1}`}
              path={[...path, index]}
            />
          ))}
        </Two>
      );
    case 'list':
      return <ListField shape={shape} label={label} path={path} />;
    default:
      return <Group shape={shape} label={label} path={path} optional={optional} />;
  }
}

const isList = (value: Json | undefined): value is readonly Json[] => Array.isArray(value);

function ListField({
  shape,
  label,
  path,
}: {
  readonly shape: Extract<Shape, { kind: 'list' }>;
  readonly label: string;
  readonly path: Path;
}) {
  const { draft, set } = useEditor();
  const found = valueAt(draft, path);
  const items = isList(found) ? found : [];
  const list = shape.item.kind === 'text' ? listNamedAt([...path, 0]) : undefined;
  if (list) return <NamedEntries list={list} items={items} label={label} path={path} />;
  return (
    <Framed label={label}>
      {items.map((_, index) => (
        <Box key={index} borderTop={index > 0 ? '1px solid' : undefined} borderColor="rule" paddingTop="6px">
          <FieldAt
            field={{ name: String(index), shape: shape.item, optional: false, nullable: false }}
            label={`${label}, ${index + 1}`}
            path={[...path, index]}
          />
          <Press kind="quiet" onClick={() => set([...path, index], undefined)}>
            Take {index + 1} away
          </Press>
        </Box>
      ))}
      <Press onClick={() => set(path, [...items, firstOf(shape.item)])}>Add to “{label}”</Press>
    </Framed>
  );
}

/** What a new item of a list begins with. */
function firstOf(shape: Shape): Json {
  if (shape.kind === 'record') return {};
  if (shape.kind === 'list' || shape.kind === 'points' || shape.kind === 'polygons') return [];
  return '';
}

/** Names out of another list: those chosen, each to be taken away, and one more. */
function NamedEntries({
  list,
  items,
  label,
  path,
}: {
  readonly list: TypeList;
  readonly items: readonly Json[];
  readonly label: string;
  readonly path: Path;
}) {
  const { draft, set, faultAt } = useEditor();
  const [chosen, setChosen] = useState('');
  const choices = choicesOf(draft[list]);
  const wordsOf = (id: Json) =>
    choices.find((choice) => choice.id === id)?.words ?? `${String(id)} (not there)`;
  return (
    <Framed label={label}>
      <Flex wrap="wrap" gap="8px" marginBottom="8px">
        {items.map((id, index) => (
          <Fragment key={String(id)}>
            <Press
              kind={faultAt([...path, index]) ? 'danger' : 'plain'}
              aria-label={`Take ${wordsOf(id)} out of “${label}”`}
              onClick={() => set([...path, index], undefined)}
            >
              {wordsOf(id)} ×
            </Press>
          </Fragment>
        ))}
      </Flex>
      {faultAt(path) && (
        <Box color="oxide" fontSize="13px" role="alert">
          {faultAt(path)}
        </Box>
      )}
      {/* Chosen first, added by a key of its own: arrows in a list must not add what they only pass. */}
      <Flex gap="8px">
        <Select
          aria-label={`Add to “${label}”`}
          value={chosen}
          onChange={(event) => setChosen(event.target.value)}
        >
          <option value="">choose</option>
          {choices
            .filter(({ id }) => !items.includes(id))
            .map(({ id, words }) => (
              <option key={id} value={id}>
                {words}
              </option>
            ))}
        </Select>
        <Press
          disabled={chosen === ''}
          onClick={() => {
            set(path, [...items, chosen]);
            setChosen('');
          }}
        >
          Add
        </Press>
      </Flex>
    </Framed>
  );
}

function Group({
  shape,
  label,
  path,
  optional,
}: {
  readonly shape: Extract<Shape, { kind: 'record' | 'oneOf' }>;
  readonly label: string;
  readonly path: Path;
  readonly optional: boolean;
}) {
  const { draft, set } = useEditor();
  const value = valueAt(draft, path);
  if (value === undefined && optional)
    return (
      <Press marginBottom="12px" onClick={() => set(path, {})}>
        Add: {label}
      </Press>
    );
  const chosen =
    shape.kind === 'oneOf' ? (value as { readonly [key: string]: Json })?.[shape.key] : undefined;
  return (
    <Framed label={label}>
      {shape.kind === 'oneOf' && (
        <ChoiceField
          label={fieldWords(shape.key)}
          path={[...path, shape.key]}
          options={Object.keys(shape.options)}
          optional={false}
        />
      )}
      <SchemaFields
        fields={shape.kind === 'record' ? shape.fields : (shape.options[String(chosen)] ?? [])}
        path={path}
      />
      {optional && (
        <Press kind="quiet" onClick={() => set(path, undefined)}>
          Take “{label}” away
        </Press>
      )}
    </Framed>
  );
}

function Framed({ label, children }: { readonly label: string; readonly children: React.ReactNode }) {
  return (
    <Box
      as="fieldset"
      border="none"
      borderLeft="2px solid"
      borderColor="rule"
      paddingLeft="12px"
      marginBottom="16px"
    >
      <Box as="legend" fontWeight={600} paddingBottom="4px">
        {label}
      </Box>
      {children}
    </Box>
  );
}
