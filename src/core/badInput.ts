/** Input that fits its schema but makes no sense (a stock with no shims, angles that are all equal): where, and why. */
export class BadInput extends RangeError {
  /** Dotted path into the input, for example `points.3`; empty for the whole. */
  readonly path: string;

  constructor(path: string, message: string) {
    super(message);
    this.name = 'BadInput';
    this.path = path;
  }
}
