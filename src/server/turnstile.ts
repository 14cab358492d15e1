import { Refusal } from './refusal';

interface Bounds {
  /** How many pass at the same time. */
  readonly inside: number;
  /** How many may stand in line. */
  readonly waiting: number;
  /** How long anybody stands in line, milliseconds. */
  readonly patienceMs: number;
}

/**
 * Bounds work that takes much memory or a processor: so many at once, so many in line, each for so long; whoever comes then is asked
 * to come again. Queue packages abort what runs when the wait runs out, or wait without an end; neither is wanted here.
 */
export class Turnstile {
  readonly #bounds: Bounds;
  #inside = 0;
  readonly #line = new Set<() => void>();

  constructor(bounds: Bounds) {
    this.#bounds = bounds;
  }

  /** Does the work in its turn. @throws Refusal `slow-down` where the line is full, or the wait runs out */
  async pass<T>(work: () => Promise<T>): Promise<T> {
    await this.#enter();
    try {
      return await work();
    } finally {
      this.#leave();
    }
  }

  async #enter(): Promise<void> {
    if (this.#inside < this.#bounds.inside) {
      this.#inside += 1;
      return;
    }
    if (this.#line.size >= this.#bounds.waiting) throw tooMuch();
    await new Promise<void>((resolve, reject) => {
      const called = () => {
        clearTimeout(patience);
        resolve();
      };
      const patience = setTimeout(() => {
        this.#line.delete(called);
        reject(tooMuch());
      }, this.#bounds.patienceMs);
      this.#line.add(called);
    });
  }

  /** The next in line takes the place of who leaves. */
  #leave(): void {
    const [next] = this.#line;
    if (!next) {
      this.#inside -= 1;
      return;
    }
    this.#line.delete(next);
    next();
  }
}

const tooMuch = (): Refusal =>
  new Refusal(
    'slow-down',
    'The shop’s computer has too much of this to do just now. Please try again in a moment.',
  );

/** One turnstile for the whole process: Next may load a module twice in it. */
export function turnstileOf(name: string, bounds: Bounds): Turnstile {
  const holder = globalThis as { stereotomeTurnstiles?: Map<string, Turnstile> };
  holder.stereotomeTurnstiles ??= new Map();
  const known = holder.stereotomeTurnstiles.get(name) ?? new Turnstile(bounds);
  holder.stereotomeTurnstiles.set(name, known);
  return known;
}
