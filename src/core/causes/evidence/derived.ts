import type { StationId } from '@/model/job';

/** Where a finding comes from, so that it can be opened there. */
export interface Source {
  readonly words: string;
  readonly station: StationId;
  readonly positionId?: string;
  readonly checkId?: string;
}

/** What the job says of one node of the network. */
export interface Derived {
  /** The node, at its place where it belongs to one. */
  readonly node: string;
  readonly source: Source;
  /** Seen, looked for and not there, or lost: it can't be told any more. */
  readonly state: 'seen' | 'absent' | 'lost';
  /** Of what only speaks for or against it: P(this | true) : P(this | false). Without it, it is certain. */
  readonly ratio?: number;
}

export const told = (node: string, state: Derived['state'], source: Source, ratio?: number): Derived => ({
  node,
  state,
  source,
  ...(ratio === undefined ? {} : { ratio }),
});

/** Seen, or looked for and not there. */
export const either = (node: string, isThere: boolean, source: Source): Derived =>
  told(node, isThere ? 'seen' : 'absent', source);
