'use client';

import { createContext, useContext } from 'react';
import type { Draft, Json } from '@/core/unit-type/editType';
import type { Path, TypeList } from '@/core/unit-type/lists';

export interface Editor {
  readonly draft: Draft;
  readonly set: (path: Path, value: Json | undefined) => void;
  readonly rename: (list: TypeList, index: number, id: string) => void;
  /** What is wrong exactly at a place, in a sentence. */
  readonly faultAt: (path: Path) => string | undefined;
}

const EditorContext = createContext<Editor | undefined>(undefined);
export const EditorProvider = EditorContext.Provider;

/** @throws Error outside of an editor */
export function useEditor(): Editor {
  const editor = useContext(EditorContext);
  if (!editor) throw new Error('no unit type is being edited here');
  return editor;
}
