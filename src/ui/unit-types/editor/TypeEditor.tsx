'use client';

import { Box, Flex, Grid } from '@chakra-ui/react';
import { type ReactNode, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { renamed, withValue } from '@/core/unit-type/editType';
import { faultsOfDraft } from '@/core/unit-type/faultsOfDraft';
import { TYPE_LISTS, type TypeList } from '@/core/unit-type/lists';
import { placeOfFault } from '@/core/unit-type/templates';
import type { Actor } from '@/model/people';
import { type UnitType, UnitTypeSchema } from '@/model/unitType';
import { PageHead } from '../../frame/PageHead';
import { TextField } from '../../kit/Field';
import { ErrorNotice } from '../../kit/Notice';
import { Press } from '../../kit/Press';
import { FaultList } from '../FaultList';
import { TypeDrawing } from '../TypeDrawing';
import { EntryList } from './EntryList';
import { type Editor, EditorProvider } from './editor';
import { SchemaFields } from './SchemaFields';
import { type Field, fieldsOf } from './shape';
import { useTypeDraft } from './useTypeDraft';
import { LIST_WORDS } from './words';

interface TypeEditorProps {
  readonly unitType: UnitType;
  readonly actor: Actor;
  readonly back: { readonly href: string; readonly words: string };
  /** What else can be done with it. */
  readonly children?: ReactNode;
  /** Stores the draft; answers with what was wrong, if anything. */
  readonly onStore: (draft: unknown, note: string) => Promise<string | undefined>;
}

type Place = { readonly list: TypeList | 'unit'; readonly index: number };

const ALL_FIELDS = fieldsOf(UnitTypeSchema.entries);
/** What stands at the head of a description; numbers of revisions are given when it is stored. */
const HEAD = ['title', 'maker', 'family', 'ratios', 'oil', 'sources', 'power'];

function fieldsFor(list: Place['list']): readonly Field[] {
  if (list === 'unit') return ALL_FIELDS.filter(({ name }) => HEAD.includes(name));
  const shape = ALL_FIELDS.find(({ name }) => name === list)?.shape;
  return shape?.kind === 'list' && shape.item.kind === 'record' ? shape.item.fields : [];
}

/** A unit type as it is being described: its section redraws with every figure, each fault leads to its place. */
export function TypeEditor({ unitType, actor, back, onStore, children }: TypeEditorProps) {
  const { draft, isChanged, change, undo, redo, forget } = useTypeDraft(unitType);
  const [{ list, index }, setPlace] = useState<Place>({ list: 'unit', index: 0 });
  const form = useRef<HTMLDivElement>(null);
  const [wanted, setWanted] = useState<{ readonly path: string }>();
  // The field is there once its place has been opened.
  useEffect(() => {
    if (wanted) focusField(form.current, wanted.path);
  }, [wanted]);
  const { type, faults } = useMemo(() => faultsOfDraft(draft), [draft]);
  // Typing goes on while the casting is computed anew.
  const drawn = useDeferredValue(useLast(type) ?? unitType);
  const faultWords = useMemo(() => new Map(faults.map(({ path, message }) => [path, message])), [faults]);
  const editor: Editor = {
    draft,
    set: (path, value) => change((now) => withValue(now, path, value)),
    rename: (of, at, id) => change((now) => renamed(now, of, at, id)),
    faultAt: (path) => faultWords.get(path.join('.')),
  };
  const go = (path: string) => {
    setPlace(placeOfFault(path));
    setWanted({ path });
  };
  const openPart = (id: string) => {
    const at = drawn.positions.findIndex((position) => position.id === id);
    if (at >= 0) setPlace({ list: 'positions', index: at });
  };
  const path = list === 'unit' ? [] : [list, index];
  const entry = list === 'unit' ? draft : (draft[list] as readonly unknown[] | undefined)?.[index];
  const selected = list === 'positions' ? (entry as { id?: string } | undefined)?.id : undefined;
  return (
    <Box>
      <PageHead title={`${unitType.title}: description`} back={back} actor={actor} />
      {children}
      <Grid as="main" templateColumns={{ base: '1fr', lg: 'minmax(0, 1fr) 440px' }} gap="24px" padding="16px">
        <Box minWidth="0">
          <Box position={{ lg: 'sticky' }} top="0">
            <TypeDrawing unitType={drawn} selected={selected} onOpen={openPart} panel={false} />
            {!type && (
              <Box fontSize="13px" color="second">
                Drawn as it was before the faults below.
              </Box>
            )}
            <Box maxHeight="220px" overflowY="auto" marginTop="8px">
              <FaultList faults={faults} of={draft} onGo={go} />
            </Box>
          </Box>
        </Box>
        <Box ref={form} minWidth="0">
          <Store
            draft={draft}
            isChanged={isChanged}
            blocked={faults.some(({ blocks }) => blocks !== 'nothing')}
            onStore={onStore}
            forget={forget}
          />
          <Flex gap="4px" marginBottom="8px">
            <Press disabled={!undo} onClick={undo}>
              Undo
            </Press>
            <Press disabled={!redo} onClick={redo}>
              Redo
            </Press>
          </Flex>
          <Flex role="group" aria-label="Part of the description" wrap="wrap" gap="4px" marginBottom="12px">
            {(['unit', ...TYPE_LISTS] as const).map((each) => (
              <Press
                key={each}
                chosen={each === list}
                aria-pressed={each === list}
                paddingInline="10px"
                onClick={() => setPlace({ list: each, index: 0 })}
              >
                {LIST_WORDS[each]}
                {countOf(faults, each) > 0 ? ` (${countOf(faults, each)} !)` : ''}
              </Press>
            ))}
          </Flex>
          {list !== 'unit' && (
            <EntryList
              draft={draft}
              list={list}
              index={index}
              faulty={faultyEntries(faults, list)}
              change={change}
              onGo={(next) => setPlace({ list, index: next })}
            />
          )}
          {entry !== undefined && (
            <EditorProvider value={editor}>
              {editor.faultAt(path) && <ErrorNotice>{editor.faultAt(path)}</ErrorNotice>}
              <Box data-path={path.join('.')}>
                <SchemaFields key={path.join('.')} fields={fieldsFor(list)} path={path} />
              </Box>
            </EditorProvider>
          )}
        </Box>
      </Grid>
    </Box>
  );
}

/** The last of a row of values that was there. */
function useLast<T>(value: T | undefined): T | undefined {
  const last = useRef(value);
  if (value !== undefined) last.current = value;
  return last.current;
}

type Faults = ReturnType<typeof faultsOfDraft>['faults'];
const countOf = (faults: Faults, list: Place['list']) =>
  faults.filter(({ path, blocks }) => blocks !== 'nothing' && placeOfFault(path).list === list).length;
const faultyEntries = (faults: Faults, list: TypeList) =>
  new Set(faults.flatMap(({ path }) => (placeOfFault(path).list === list ? [placeOfFault(path).index] : [])));

/** The field of a fault, or the nearest place around it that has one. */
function focusField(form: HTMLElement | null, path: string): void {
  const steps = path.split('.');
  for (let length = steps.length; length > 0; length -= 1) {
    const place = form?.querySelector(`[data-path="${steps.slice(0, length).join('.')}"]`);
    const field = place?.querySelector<HTMLElement>('input, select, textarea');
    if (field) {
      field.focus();
      return;
    }
  }
}

function Store({
  draft,
  isChanged,
  blocked,
  onStore,
  forget,
}: Pick<TypeEditorProps, 'onStore'> & {
  readonly draft: unknown;
  readonly isChanged: boolean;
  readonly blocked: boolean;
  readonly forget: () => void;
}) {
  const [note, setNote] = useState('');
  const [trouble, setTrouble] = useState('');
  if (!isChanged) return <Box marginBottom="8px">As it is stored.</Box>;
  return (
    <Box marginBottom="12px" data-testid="store">
      <Box marginBottom="8px">Changed, and kept on this device until it is stored.</Box>
      <TextField label="What is new in it" value={note} onText={setNote} />
      {blocked && (
        <Box fontSize="13px" color="second" marginBottom="8px">
          It can be stored once nothing keeps it from being drawn or solved.
        </Box>
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Flex gap="8px">
        <Press
          kind="main"
          disabled={blocked || note.trim() === ''}
          onClick={() => void onStore(draft, note).then((wrong) => setTrouble(wrong ?? ''))}
        >
          Store it as the next revision
        </Press>
        <Press onClick={forget}>Back to what is stored</Press>
      </Flex>
    </Box>
  );
}
