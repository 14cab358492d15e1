/** An integer program of one kind: whole numbers, each from 0 to its upper bound, rows that need at least so much, least cost. */
export interface CoverProgram {
  readonly costs: readonly number[];
  readonly upper: readonly number[];
  readonly rows: readonly {
    /** Which of the numbers count, and how often each. */
    readonly columns: readonly number[];
    readonly factors: readonly number[];
    readonly least: number;
  }[];
}

export interface Solved {
  /** The best that was found; undefined where nothing was, or nothing can be. */
  readonly values: readonly number[] | undefined;
  /** No answer can cost less than this; undefined where that isn't known. */
  readonly bound: number | undefined;
  /** That nothing cheaper exists; without values, that nothing exists at all. */
  readonly proved: boolean;
}

export interface SolveOptions {
  /** After so many seconds it stops with the best that it has. */
  readonly seconds?: number | undefined;
  readonly shouldStop?: (() => boolean) | undefined;
  readonly onProgress?:
    | ((at: { readonly bound: number; readonly cost: number | undefined }) => void)
    | undefined;
}

export type Solve = (program: CoverProgram, options?: SolveOptions) => Promise<Solved>;

/** The solver in this thread, which it blocks while it works. */
export declare const solveProgram: Solve;
