/** Length of a vector; `Math.hypot` is an order of magnitude slower than this, and these are called billions of times. */
export const length = (x: number, y: number, z = 0): number => Math.sqrt(x * x + y * y + z * z);
