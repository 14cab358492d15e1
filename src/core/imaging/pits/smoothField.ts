import { inverse, Matrix, solve } from 'ml-matrix';
import type { Size } from '../planes';

/** Powers of a polynomial of third degree along and up: 1, x, y, x², xy, y², x³, x²y, xy², y³. */
const COUNT = 10;
/** Every so many cells each way are enough for ten terms. */
const STRIDE = 5;
/** What lies farther than this from the field, in logarithms, hardly counts. */
const NEAR = 0.2;

/** Light over a region as a polynomial, fitted by least squares to cells spread over it. */
export class SmoothField {
  /** The cells that are looked at. */
  readonly cells: Int32Array;
  /** The terms of each of them, one row after the other. */
  private readonly rows: Float64Array;
  private readonly evenly: Matrix;

  constructor(private readonly size: Size) {
    const cells: number[] = [];
    for (let row = 1; row < size.height; row += STRIDE)
      for (let column = 1; column < size.width; column += STRIDE) cells.push(row * size.width + column);
    this.cells = Int32Array.from(cells);
    this.rows = new Float64Array(cells.length * COUNT);
    for (let at = 0; at < cells.length; at += 1) {
      const x = (2 * (cells[at]! % size.width)) / size.width - 1;
      const y = (2 * Math.floor(cells[at]! / size.width)) / size.height - 1;
      this.rows.set([1, x, y, x * x, x * y, y * y, x * x * x, x * x * y, x * y * y, y * y * y], at * COUNT);
    }
    this.evenly = inverse(this.normal(() => 1));
  }

  private normal(weight: (at: number) => number): Matrix {
    const { rows, cells } = this;
    const sums = new Float64Array(COUNT * COUNT);
    const row = new Float64Array(COUNT);
    for (let at = 0; at < cells.length; at += 1) {
      const counts = weight(at);
      for (let i = 0; i < COUNT; i += 1) row[i] = rows[at * COUNT + i]!;
      for (let i = 0; i < COUNT; i += 1) {
        const own = row[i]! * counts;
        for (let j = i; j < COUNT; j += 1) sums[i * COUNT + j]! += own * row[j]!;
      }
    }
    const normal = Matrix.zeros(COUNT, COUNT);
    for (let i = 0; i < COUNT; i += 1)
      for (let j = i; j < COUNT; j += 1) {
        const sum = sums[i * COUNT + j]! + (i === j ? 1e-6 : 0);
        normal.set(i, j, sum);
        normal.set(j, i, sum);
      }
    return normal;
  }

  private right(value: (at: number) => number): Matrix {
    const { rows, cells } = this;
    const sums = new Float64Array(COUNT);
    for (let at = 0; at < cells.length; at += 1) {
      const target = value(at);
      for (let term = 0; term < COUNT; term += 1) sums[term]! += rows[at * COUNT + term]! * target;
    }
    return Matrix.columnVector(Array.from(sums));
  }

  /** Least squares, all cells alike. */
  fit(value: (at: number) => number): Float64Array {
    return Float64Array.from(this.evenly.mmul(this.right(value)).to1DArray());
  }

  /** The field at the cells that are looked at. */
  at(weights: Float64Array): Float32Array {
    const { rows } = this;
    const field = new Float32Array(this.cells.length);
    for (let at = 0; at < field.length; at += 1) {
      let sum = 0;
      for (let term = 0; term < COUNT; term += 1) sum += rows[at * COUNT + term]! * weights[term]!;
      field[at] = sum;
    }
    return field;
  }

  /** The field over the whole region. */
  over(weights: Float64Array): Float32Array {
    const { width, height } = this.size;
    const [w00, w10, w01, w20, w11, w02, w30, w21, w12, w03] = weights as unknown as readonly number[] & {
      readonly length: 10;
    };
    const field = new Float32Array(width * height);
    for (let row = 0; row < height; row += 1) {
      const y = (2 * row) / height - 1;
      // What stays the same along a row is worked out once.
      const [none, one, two] = [
        w00! + y * (w01! + y * (w02! + y * w03!)),
        w10! + y * (w11! + y * w12!),
        w20! + y * w21!,
      ];
      for (let column = 0; column < width; column += 1) {
        const x = (2 * column) / width - 1;
        field[row * width + column] = none + x * (one + x * (two + x * w30!));
      }
    }
    return field;
  }

  /** The field of most of the cells: what lies far from it counts ever less. */
  robust(plane: Float32Array): Float32Array {
    const valueAt = (at: number) => plane[this.cells[at]!]!;
    let smooth = this.at(this.fit(valueAt));
    for (let round = 0; round < 4; round += 1) {
      const near = smooth;
      const weight = (at: number) => 1 / (1 + ((valueAt(at) - near[at]!) / NEAR) ** 2);
      const weights = solve(
        this.normal(weight),
        this.right((at) => valueAt(at) * weight(at)),
      );
      smooth = this.at(Float64Array.from(weights.to1DArray()));
    }
    return smooth;
  }
}
