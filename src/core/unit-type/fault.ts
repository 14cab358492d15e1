/** What a fault keeps from working; a fault that blocks nothing is a hint. */
export type Blocks = 'train' | 'section' | 'nothing';
export interface Fault {
  /** Dotted path into the document, for example `meshes.3.a`. */
  readonly path: string;
  readonly message: string;
  readonly blocks: Blocks;
}
