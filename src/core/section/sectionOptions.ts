import type { GradeOrNone } from '@/model/damage';

/** For whom and how large a section is drawn. */
export interface SectionOptions {
  readonly width: number;
  readonly height: number;
  /** Grade and a few words for each position; a missing one was not looked at. */
  readonly states: ReadonlyMap<string, { readonly grade: GradeOrNone; readonly words: string }>;
  readonly selected?: string | undefined;
  /** Without labels the drawing is a strip that keeps the neighbours in view. */
  readonly labels: boolean;
  /** Kept clear above and below for what stands there, pixels. */
  readonly clear?: { readonly top: number; readonly bottom: number } | undefined;
  /** Looked at from nearer: so many times the whole, moved by so many pixels. */
  readonly view?: SectionView;
}

export interface SectionView {
  readonly k: number;
  readonly x: number;
  readonly y: number;
}
